import type { ResolvedSettings } from '../../decisions/index.js';
import { type Dim, largest, length, measuredFrom } from '../../ground/index.js';
import { type By, edgeOf, type Operation, type PanelFace, type Part, SAME_PLANE } from '../../part/index.js';
import type { Joint } from './joint.js';
import { type Made, type Making, NOTHING } from './kind.js';

const AT_FRONT = length(0, 'at the front edge');

/** What is narrower than this share of the panel gets a recess of its end's size, not a cut across the whole panel. */
const NARROW = 0.6;

/**
 * How far from its front edge a part is not cut: where that edge shows, neither behind a frame nor banded, a dado stops
 * short of it. Undefined where it runs out.
 */
function stopShort(joint: Joint, part: Part, { joints, frame }: ResolvedSettings): Dim | undefined {
  if (joints.dadoStop.value <= 0 || joint.runs === 'along' || frame.fitted.value === 'fitted') return undefined;
  if (part.bands.some(({ edge }) => edge === 'v0')) return undefined;
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  if (front.value < 0 || joint.depth.value <= 2 * joints.dadoStop.value) return undefined;
  return front.value === 0 ? joints.dadoStop : largest(joints.dadoStop, front).as('dado stops short of the front edge');
}

/** The corner cut out of what sits in a dado that stops short, so that it comes as far forward as the panel it joins. */
function notchedFor(joint: Joint, part: Part, stop: Dim | undefined): { key: string; notch: Operation } | undefined {
  const corner = joint.corner ?? joint.member;
  if (!stop || !corner || joint.engagement.value <= 0) return undefined;
  const short = stop.minus(measuredFrom(joint.front, edgeOf(part, 'v0')));
  if (short.value < SAME_PLANE) return undefined;
  return {
    key: corner.key,
    notch: {
      kind: 'notch',
      corner: [corner.end === 'u0' ? 'u0' : 'u1', 'v0'],
      alongLength: joint.engagement,
      alongWidth: short.as('notched where the dado stops'),
      reason: 'the dado stops short of the front edge; square its round end, or notch by the cutter’s radius more',
      by: { kind: 'joint', what: joint.kind },
    },
  };
}

/** A dado, or a rabbet where the joint lies at the very end of the part; a recess for what is much narrower than it. */
function cutIn(joint: Joint, part: Part, face: PanelFace, stop?: Dim): Operation {
  const stopped = stop ? { stopped: { start: stop } } : {};
  const { reason, holds, engagement, thickness, depth } = joint;
  const by: By = { kind: 'joint', what: joint.kind };
  const offset = measuredFrom(joint.level, edgeOf(part, 'u0')).as('near edge of the joint');
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  const toEnd = part.length.minus(offset).minus(thickness);
  const atStart = Math.abs(offset.value) < SAME_PLANE;
  const atEnd = Math.abs(toEnd.value) < SAME_PLANE;
  if (joint.runs === 'along' || depth.value < NARROW * part.width.value)
    return {
      kind: 'recess',
      face,
      u: { edge: 'u0', offset },
      v: { edge: 'v0', offset: stop ?? (front.value === 0 ? AT_FRONT : front.as('front of the joint')) },
      alongLength: thickness,
      alongWidth: stop ? depth.minus(stop.minus(front)) : depth,
      depth: engagement,
      reason,
      by,
      holds,
    };
  if (atStart || atEnd)
    return {
      kind: 'rabbet',
      face,
      from: atStart ? 'u0' : 'u1',
      width: thickness,
      depth: engagement,
      ...stopped,
      reason,
      by,
      holds,
    };
  return {
    kind: 'groove',
    face,
    along: 'width',
    from: 'u0',
    offset,
    width: thickness,
    depth: engagement,
    ...stopped,
    reason,
    by,
    holds,
  };
}

/** What joins sits in what is cut for it, the corner of it notched where that stops short of a front edge that shows. */
export function cut({ joint, seat: { part, face }, settings }: Making): Made {
  if (joint.engagement.value <= 0) return NOTHING;
  const stop = stopShort(joint, part, settings);
  return { receiver: [cutIn(joint, part, face, stop)], member: [], notched: notchedFor(joint, part, stop) };
}

import { length, measuredFrom } from '../derive/index.js';
import type { By, Face, Operation } from '../machining/index.js';
import { edgeOf, type Part, SAME_PLANE } from '../parts/index.js';
import type { Joint } from './build.js';

const AT_FRONT = length(0, 'at the front edge');

/** What is narrower than this share of the panel gets a recess of its end's size, not a cut across the whole panel. */
const NARROW = 0.6;

/** A dado, or a rabbet where the joint lies at the very end of the part; a recess for what is much narrower than it. */
export function cutIn(joint: Joint, part: Part, face: Face): Operation {
  const { reason, holds, engagement, thickness, depth } = joint;
  const by: By = { kind: 'joint', what: joint.kind };
  const offset = measuredFrom(joint.level, edgeOf(part, 'u0')).as('near edge of the joint');
  const front = measuredFrom(joint.front, edgeOf(part, 'v0'));
  const toEnd = part.length.minus(offset).minus(thickness);
  const atStart = Math.abs(offset.mm) < SAME_PLANE;
  const atEnd = Math.abs(toEnd.mm) < SAME_PLANE;
  if (joint.runs === 'along' || depth.mm < NARROW * part.width.mm)
    return {
      kind: 'recess',
      face,
      u: { edge: 'u0', offset },
      v: { edge: 'v0', offset: front.mm === 0 ? AT_FRONT : front.as('front of the joint') },
      alongLength: thickness,
      alongWidth: depth,
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
    reason,
    by,
    holds,
  };
}

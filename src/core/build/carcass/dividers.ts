import { madeOf } from '../../decisions/index.js';
import { type Dim, length, START, spanFrom } from '../../ground/index.js';
import { makePart, partKeys } from '../../part/index.js';
import { type BuildContext, type Builder, type BuilderResult, caseBands, kindOf } from '../builder/index.js';
import { type Joint, jointOf } from '../joints/index.js';
import type { Boundary } from '../layout/index.js';
import { clearDepthAt, notchedRound } from './crossings.js';
import { between } from './horizontals.js';
import { clearOfShrinking, leftForTrimming } from './movement.js';
import { webFrame } from './web.js';

/** What stands behind the gaps: stretchers, fixed shelves and web frames between rows, partitions between columns. */
export const dividers: Builder = (context) => {
  const built = context.boundaries.map((boundary) => divider(context, boundary));
  return { parts: built.flatMap(({ parts }) => parts ?? []), joints: built.flatMap(({ joints }) => joints ?? []) };
};

function divider(context: BuildContext, boundary: Boundary): BuilderResult {
  const { box, resolved } = context;
  const key = partKeys.divider.of({ after: boundary.after });
  switch (boundary.kind) {
    case 'none':
      return {};
    case 'partition':
      return partition(context, boundary);
    case 'web':
      return webFrame(context, {
        key,
        name: 'Web frame',
        region: boundary.within.inside,
        underside: boundary.inside.low,
        where: 'shelf',
        ...frontOf(boundary),
      });
    case 'shelf':
    case 'stretcher': {
      const shelf = boundary.kind === 'shelf';
      const { part, joints } = between(context, boundary.within.inside, {
        key,
        name: shelf ? 'Fixed shelf' : 'Stretcher, between fronts',
        role: 'divider',
        material: shelf ? 'shelf' : 'top',
        underside: boundary.inside.low,
        depth: shelf
          ? behind(
              clearOfShrinking(
                clearDepthAt(
                  box,
                  context.crossings,
                  spanFrom(boundary.inside.low, madeOf(resolved, 'shelf', key).thickness),
                ),
                madeOf(resolved, 'shelf', key).material,
                context,
              ),
              boundary,
            )
          : resolved.settings.top.stretcherWidth,
        ...frontOf(boundary),
        joint: { ...kindOf(resolved.settings.joints.shelf), engagement: box.engagement.shelf },
        faceDown: false,
        banded: true,
        pocketsShow: shelf,
        reason: shelf ? 'carries the fixed shelf' : 'carries the stretcher',
        ...(shelf ? { piece: { kind: 'fixed shelf' } } : {}),
      });
      return { parts: [part], joints };
    }
  }
}

/** Where what stands behind a front begins; nothing where it reaches the carcass edge. */
function frontOf({ front }: Boundary): { front?: Dim } {
  return front && front.value > 0 ? { front } : {};
}

/** A depth from the carcass edge, less where it begins. */
function behind(depth: Dim, { front }: Boundary): Dim {
  return front && front.value > 0 ? depth.minus(front).as('depth behind the front') : depth;
}

/**
 * A partition: clear height + how far it enters the panels above and below it. It enters only what a dado can be cut
 * in: not a frame, not a stretcher, and not the open top of a box.
 */
function partition(context: BuildContext, boundary: Boundary): BuilderResult {
  const { box, resolved } = context;
  const key = partKeys.divider.of({ after: boundary.after });
  const { material, thickness } = madeOf(resolved, 'partition', key);
  const { v } = boundary.within.inside;
  const kind = resolved.settings.joints.partition.value;
  const entry = (end: 'low' | 'high'): Dim =>
    takesDado(context, v[end].value) ? box.engagement.partition : length(0, 'butts');
  const [lower, upper] = [entry('low'), entry('high')];
  const ends = [lower, upper].filter((each) => each.value > 0);
  const height = ends.reduce((size, each) => size.plus(each), v.size);
  const z = {
    low: lower.value > 0 ? v.low.minus(lower).as('lower end of the partition') : v.low,
    high: upper.value > 0 ? v.high.plus(upper).as('upper end of the partition') : v.high,
    size: height,
  };
  const from = boundary.front ?? START;
  const y = spanFrom(from, behind(box.clearDepth, boundary));
  const notched = notchedRound(context.crossings, { y, z });
  const part = makePart({
    key,
    name: 'Partition',
    role: 'partition',
    material,
    bands: caseBands(resolved),
    ...leftForTrimming(material, resolved.settings),
    stands: { x: { ...boundary.inside, size: thickness }, y, z },
    axes: { u: '+z', v: '+y', w: '+x' },
    receives: true,
    machining: notched.machining,
  });
  const joints = (['u0', 'u1'] as const).map((end): Joint => {
    const engagement = end === 'u0' ? lower : upper;
    const { front = from, rear } = end === 'u0' ? notched.lower : notched.upper;
    const to = rear ? box.clearDepth.minus(rear) : box.clearDepth;
    return {
      normal: 'z',
      plane: v[end === 'u0' ? 'low' : 'high'].value,
      level: boundary.inside.low,
      thickness,
      front,
      depth: front.value === 0 ? to : to.minus(front),
      kind: engagement.value === 0 ? (jointOf(kind).uncut ?? kind) : kind,
      engagement,
      member: { key, end, pocketFace: 1, pocketsShow: true },
      reason: 'holds the partition',
      holds: key,
    };
  });
  return { parts: [part], joints };
}

/** True when the panel whose face lies at this height can be dadoed. */
function takesDado({ box, boundaries, resolved }: BuildContext, z: number): boolean {
  const near = (dim: Dim) => Math.abs(dim.value - z) < 0.001;
  if (near(box.bottomTop)) return true;
  if (near(box.topUnderside)) return resolved.settings.top.kind.value === 'full';
  return boundaries.some(
    ({ kind, axis, inside }) => axis === 'rows' && kind === 'shelf' && (near(inside.low) || near(inside.high)),
  );
}

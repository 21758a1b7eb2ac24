import { type MaterialRole, madeOf } from '../../decisions/index.js';
import { type Dim, length, START, spanFrom } from '../../ground/index.js';
import { makePart, type Part, type PartRole, type Piece } from '../../part/index.js';
import { across, type BuildContext, type Builder, type BuilderResult, caseBands, kindOf } from '../builder/index.js';
import type { Joint } from '../joints/index.js';
import { insideOf, type Region } from '../layout/index.js';
import { backRecess } from './back.js';
import { uprightStretcher } from './crossings.js';
import { bottomPockets } from './framing.js';
import { clearOfShrinking, leftForTrimming } from './movement.js';
import { webFrame } from './web.js';

interface Horizontal {
  readonly key: string;
  readonly name: string;
  readonly role: PartRole;
  readonly material: MaterialRole;
  /** Underside, in the cabinet. */
  readonly underside: Dim;
  readonly depth: Dim;
  readonly front?: Dim;
  readonly joint: { readonly kind: string; readonly standard: boolean; readonly engagement: Dim };
  /** True when the inside face looks down, as a top's does. */
  readonly faceDown: boolean;
  readonly banded: boolean;
  /** Where pocket holes go when they are the joint. */
  readonly pocketsShow: boolean;
  readonly reason: string;
  readonly piece?: Piece;
}

/** Stretchers are planed boards, the rest panels glued up where they are solid. */
function isRail({ role, material }: Horizontal): boolean {
  return role === 'stretcher' || (role === 'divider' && material === 'top');
}

/** A panel between two uprights: length = clear width + how far it enters each. */
export function between(
  context: BuildContext,
  region: Region['inside'],
  draft: Horizontal,
): { part: Part; joints: Joint[] } {
  const { resolved } = context;
  const { material, thickness } = isRail(draft)
    ? resolved.materials[draft.material]
    : madeOf(resolved, draft.material, draft.key);
  const { kind, standard, engagement } = draft.joint;
  const front = draft.front ?? length(0);
  const x = across(region.h, engagement, draft.name);
  const part = makePart({
    key: draft.key,
    name: draft.name,
    role: draft.role,
    material,
    bands: draft.banded ? caseBands(resolved) : [],
    // Rails are planed to size.
    ...(isRail(draft) ? {} : leftForTrimming(material, resolved.settings)),
    stands: {
      x,
      y: spanFrom(front, draft.depth),
      z: spanFrom(draft.underside, thickness),
    },
    axes: { u: '+x', v: '+y', w: draft.faceDown ? '+z' : '-z' },
    receives: true,
    ...(draft.piece ? { piece: draft.piece } : {}),
    machining:
      draft.role === 'bottom'
        ? [...backRecess(context, 'bottom'), ...bottomPockets(context, x)]
        : draft.role === 'top'
          ? backRecess(context, 'top')
          : [],
  });
  const joints = (['u0', 'u1'] as const).map(
    (end): Joint => ({
      normal: 'x',
      plane: (end === 'u0' ? region.h.low : region.h.high).value,
      level: draft.underside,
      thickness,
      front,
      depth: draft.depth,
      kind,
      standard,
      engagement,
      member: { key: draft.key, end, pocketFace: 2, pocketsShow: draft.pocketsShow },
      reason: draft.reason,
      holds: draft.key,
    }),
  );
  return { part, joints };
}

/** True where the bottom ends in front of the back, and not at the rear edge of the sides. */
function stopsAtBack({ resolved }: BuildContext): boolean {
  const { kind, bottomEdge } = resolved.settings.back;
  return kind.value === 'rabbeted' || (kind.value === 'grooved' && bottomEdge.value === 'past');
}

/** The bottom: between the sides, or under them over the whole width. */
export const bottom: Builder = (context) => {
  const { box, resolved } = context;
  const { settings, materials } = resolved;
  if (box.bottomUnder) {
    const part = makePart({
      key: 'bottom',
      name: 'Bottom',
      role: 'bottom',
      material: materials.bottom.material,
      bands: caseBands(resolved),
      stands: {
        x: spanFrom(START, box.width),
        y: spanFrom(START, box.bottomDepth),
        z: { low: box.floor, high: box.bottomTop, size: materials.bottom.thickness },
      },
      axes: { u: '+x', v: '+y', w: '-z' },
      receives: true,
      machining: [...backRecess(context, 'bottom'), ...bottomPockets(context, spanFrom(START, box.width))],
    });
    return { parts: [part] };
  }
  const { part, joints } = between(context, insideOf(context.box, context.resolved), {
    key: 'bottom',
    name: 'Bottom',
    role: 'bottom',
    material: 'bottom',
    underside: box.floor,
    depth: stopsAtBack(context)
      ? clearOfShrinking(box.bottomDepth, materials.bottom.material, context)
      : box.bottomDepth,
    joint: { ...kindOf(settings.joints.bottom), engagement: box.engagement.bottom },
    faceDown: false,
    banded: true,
    pocketsShow: false,
    reason: 'carries the bottom',
  });
  return { parts: [part], joints };
};

/** The top in its kinds: a panel between or over the sides, stretchers flat or upright, a web frame, or none. */
export const top: Builder = (context) => {
  const { box, resolved } = context;
  switch (resolved.settings.top.kind.value) {
    case 'full':
      return box.topOver ? topOver(context) : fullTop(context);
    case 'stretchers':
      return joined([stretcher(context, 'front'), stretcher(context, 'rear')]);
    case 'uprightRear':
      return joined([stretcher(context, 'front'), upright(context)]);
    case 'uprightFront':
      return joined([upright(context)]);
    case 'web':
      return webFrame(context, {
        key: 'web/top',
        name: 'Top frame',
        region: insideOf(context.box, context.resolved),
        underside: box.topUnderside,
        where: 'top',
      });
    case 'none':
      return {};
  }
};

function joined(built: readonly { part: Part; joints: Joint[] }[]): BuilderResult {
  return { parts: built.map(({ part }) => part), joints: built.flatMap(({ joints }) => joints) };
}

function topJoint({ box, resolved }: BuildContext) {
  return { ...kindOf(resolved.settings.joints.top), engagement: box.engagement.top };
}

function fullTop(context: BuildContext): BuilderResult {
  const { box } = context;
  return joined([
    between(context, insideOf(context.box, context.resolved), {
      key: 'top',
      name: 'Top',
      role: 'top',
      material: 'top',
      underside: box.topUnderside,
      depth:
        context.resolved.settings.back.kind.value === 'rabbeted'
          ? clearOfShrinking(box.topDepth, madeOf(context.resolved, 'top', 'top').material, context)
          : box.topDepth,
      joint: topJoint(context),
      faceDown: true,
      banded: true,
      pocketsShow: false,
      reason: 'carries the top',
    }),
  ]);
}

function topOver(context: BuildContext): BuilderResult {
  const { box, resolved } = context;
  const { material, thickness } = madeOf(resolved, 'top', 'top');
  const part = makePart({
    key: 'top',
    name: 'Top',
    role: 'top',
    material,
    bands: caseBands(resolved),
    ...leftForTrimming(material, resolved.settings),
    stands: {
      x: spanFrom(START, box.width),
      y: spanFrom(START, box.topDepth),
      z: { low: box.topUnderside, high: box.topLevel, size: thickness },
    },
    axes: { u: '+x', v: '+y', w: '+z' },
    receives: true,
    machining: backRecess(context, 'top'),
  });
  return { parts: [part] };
}

function stretcher(context: BuildContext, where: 'front' | 'rear') {
  const { box, resolved } = context;
  const { stretcherWidth } = resolved.settings.top;
  return between(context, insideOf(context.box, context.resolved), {
    key: `stretcher/${where}`,
    name: `Stretcher, ${where}`,
    role: 'stretcher',
    material: 'top',
    underside: box.topUnderside,
    depth: stretcherWidth,
    // The rear stretcher stands in front of the back.
    ...(where === 'rear' ? { front: box.clearDepth.minus(stretcherWidth).as('front of the rear stretcher') } : {}),
    joint: topJoint(context),
    faceDown: true,
    banded: where === 'front',
    pocketsShow: false,
    reason: `carries the ${where} stretcher`,
    piece: { kind: 'rail', where },
  });
}

/** A stretcher on edge: at the front over a sink, at the rear against the back. */
function upright(context: BuildContext): { part: Part; joints: Joint[] } {
  const { box, resolved } = context;
  const place = uprightStretcher(context);
  if (!place) throw new Error('no upright stretcher is asked for');
  const { key, where, y, z } = place;
  const { engagement, ...kind } = topJoint(context);
  const region = insideOf(box, resolved);
  const part = makePart({
    key,
    name: `Upright stretcher, ${where}`,
    role: 'stretcher',
    material: resolved.materials.top.material,
    stands: { x: across(region.h, engagement, 'upright stretcher'), y, z },
    axes: { u: '+x', v: '+z', w: '+y' },
    piece: { kind: 'rail', where },
  });
  const joints = (['u0', 'u1'] as const).map(
    (end): Joint => ({
      normal: 'x',
      runs: 'along',
      plane: (end === 'u0' ? region.h.low : region.h.high).value,
      level: z.low,
      thickness: z.size,
      front: y.low,
      depth: y.size,
      ...kind,
      engagement,
      member: { key, end, pocketFace: 2, pocketsShow: where === 'front' },
      reason: `carries the upright ${where} stretcher`,
      holds: key,
    }),
  );
  return { part, joints };
}

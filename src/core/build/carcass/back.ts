import { madeOf, type Resolved, sidesOf } from '../../decisions/index.js';
import { type Dim, length, type Span, spanBetween, spanFrom, TOLERANCE_MM } from '../../ground/index.js';
import { makePart, type Operation, type Part, SAME_PLANE } from '../../part/index.js';
import type { BuildContext, Builder } from '../builder/index.js';
import type { Joint } from '../joints/index.js';
import { insideOf } from '../layout/index.js';
import { type NailerPlace, nailerPlaces } from './crossings.js';
import { endShows } from './ends.js';

/** The screws of the back go through the floor of the rabbet it lies in. */
export const BACK_IN_RABBET = 'back in its rabbet';

/** What takes the edge of the back in a side, a bottom or a full top: a groove, a rabbet, or nothing. */
export function backRecess({ box, resolved }: BuildContext, on: 'side' | 'bottom' | 'top'): Operation[] {
  const { back } = resolved.settings;
  if (back.kind.value === 'grooved') {
    if (on === 'bottom' && back.bottomEdge.value === 'past') return [];
    const cutter =
      back.cut.value === 'cutter'
        ? {
            width: back.cutter,
            centre: box.grooveOffset.plus(back.cutter.over(2)).as('cutter centre line from the rear edge'),
          }
        : undefined;
    return [
      {
        kind: 'groove',
        face: 1,
        along: 'length',
        from: 'v1',
        offset: box.grooveOffset,
        width: box.grooveWidth,
        depth: back.grooveDepth,
        reason: cutter ? 'holds the back; one pass of the cutter' : 'holds the back; creep to the measured panel',
        by: { kind: 'back' },
        holds: 'back',
        ...(cutter ? { cutter } : {}),
      },
    ];
  }
  if (back.kind.value !== 'rabbeted') return [];
  const stopsAtBack = (on === 'bottom' && !box.bottomUnder) || (on === 'top' && !box.topOver);
  if (stopsAtBack) return [];
  return [
    {
      kind: 'rabbet',
      face: 1,
      from: 'v1',
      width: box.backRabbetWidth,
      depth: back.rabbetDepth,
      reason: 'takes the back',
      by: { kind: 'back' },
      holds: 'back',
      group: BACK_IN_RABBET,
    },
  ];
}

interface BackEdges {
  readonly left: Dim;
  readonly right: Dim;
  readonly lower: Dim;
  readonly upper: Dim;
  /** Front face of the back. */
  readonly y: Dim;
  readonly width: Dim;
}

/** The back. Each edge is captured or not; its size is the difference of its edge positions. */
export const back: Builder = (context) => {
  const { settings, materials } = context.resolved;
  const kind = settings.back.kind.value;
  if (kind === 'none') return {};
  const edges = { grooved, rabbeted, applied, structural }[kind](context);
  const part: Part = makePart({
    key: 'back',
    name: 'Back',
    role: 'back',
    material: materials.back.material,
    stands: {
      x: { low: edges.left, high: edges.right, size: edges.width },
      y: spanFrom(edges.y, materials.back.thickness),
      z: spanBetween(edges.lower, edges.upper),
    },
    axes: runsUp(context.resolved, edges) ? { u: '+z', v: '+x', w: '+y' } : { u: '+x', v: '+z', w: '+y' },
  });
  return { parts: [part], joints: kind === 'structural' ? structuralJoints(context, part) : [] };
};

/** Whether the grain of the back runs up: by the standard, unless only across does it come out of a sheet, edges trimmed. */
function runsUp({ settings, materials, trim }: Resolved, { width, lower, upper }: BackEdges): boolean {
  const { grain } = settings.back;
  if (grain.value !== 'fits') return grain.value === 'up';
  const { material } = materials.back;
  const across = material.sheet.width - 2 * trim;
  return (
    material.form !== 'sheet' ||
    width.value <= across + TOLERANCE_MM ||
    upper.value - lower.value > across + TOLERANCE_MM
  );
}

/**
 * A structural back is held by its edges. Where an end shows it is pulled to that side by pocket screws from behind; all
 * else is screwed through from outside, clear of what is cut there.
 */
function structuralJoints({ resolved }: BuildContext, back: Part): Joint[] {
  const { x, y, z } = back.stands;
  return (['left', 'right'] as const)
    .filter((hand) => endShows(hand, resolved))
    .map((hand): Joint => {
      const [end, plane] = hand === 'left' ? (['0', x.low] as const) : (['1', x.high] as const);
      return {
        normal: 'x',
        runs: 'along',
        plane: plane.value,
        level: z.low,
        thickness: z.size,
        front: y.low,
        depth: y.size,
        kind: 'pocket',
        engagement: length(0),
        member: {
          key: back.key,
          end: `${back.placement.u === '+z' ? 'v' : 'u'}${end}`,
          pocketFace: 2,
          pocketsShow: false,
        },
        reason: 'holds the back',
        holds: back.key,
      };
    });
}

function topCaptures({ resolved }: Pick<BuildContext, 'resolved'>): boolean {
  return resolved.settings.top.kind.value === 'full';
}

/** Where nothing captures the upper edge the back runs up to the top of the box. */
function uncapturedTop({ box, resolved }: BuildContext): Dim {
  const why = resolved.settings.top.kind.value === 'none' ? 'there is no top' : 'the top is not a full panel';
  return box.topLevel.as('upper edge of the back').because(`${why}, so the back runs up uncaptured`);
}

/** Grooved: a captured edge lies `held in each groove` beyond the inner face of its panel. */
function grooved(context: BuildContext): BackEdges {
  const { box, resolved } = context;
  const { left, right } = sidesOf(resolved);
  const past = resolved.settings.back.bottomEdge.value === 'past';
  return {
    left: left.thickness.minus(box.backHold).as('left edge of the back'),
    right: box.width.minus(right.thickness).plus(box.backHold).as('right edge of the back'),
    width: box.insideWidth.plus(box.backHold.times(2)),
    lower: past
      ? box.floor.as('lower edge of the back').because('the back runs past the shortened bottom')
      : box.bottomTop.minus(box.backHold).as('lower edge of the back'),
    upper: topCaptures(context)
      ? box.topUnderside.plus(box.backHold).as('upper edge of the back')
      : uncapturedTop(context),
    y: box.clearDepth,
  };
}

/** Rabbeted: outer face moved inward by (t − r) + e; bottom and top stop at the back unless they lie outside the sides. */
function rabbeted(context: BuildContext): BackEdges {
  const { box, resolved } = context;
  const { materials, settings } = resolved;
  const { rabbetDepth, ease } = settings.back;
  const inward = (thickness: Dim) => thickness.minus(rabbetDepth).plus(ease);
  const sides = sidesOf(resolved);
  const left = inward(sides.left.thickness).as('left edge of the back');
  const alike = sides.left === sides.right;
  const right = alike ? left : inward(sides.right.thickness).as('right edge of the back, from the right');
  return {
    left,
    right: box.width.minus(right).as('right edge of the back'),
    width: alike ? box.width.minus(left.times(2)) : box.width.minus(left).minus(right),
    lower: box.bottomUnder
      ? inward(materials.bottom.thickness).as('lower edge of the back')
      : box.floor.as('lower edge of the back').because('the bottom stops at the back'),
    upper: box.topOver
      ? box.height.minus(inward(madeOf(resolved, 'top', 'top').thickness)).as('upper edge of the back')
      : box.topLevel.as('upper edge of the back').because('the top stops at the back'),
    y: box.clearDepth,
  };
}

/** Applied: over the rear edges, set in all round so that it never stands proud. */
function applied({ box, resolved }: BuildContext): BackEdges {
  const { inset } = resolved.settings.back;
  return {
    left: inset.as('left edge of the back'),
    right: box.width.minus(inset).as('right edge of the back'),
    width: box.width.minus(inset.times(2)),
    lower: box.floor.plus(inset).as('lower edge of the back'),
    upper: box.floor.plus(box.faceHeight).minus(inset).as('upper edge of the back'),
    y: box.sideDepth,
  };
}

/** Structural: between the inner faces. */
function structural(context: BuildContext): BackEdges {
  const { box, resolved } = context;
  const { left, right } = sidesOf(resolved);
  return {
    left: left.thickness,
    right: box.width.minus(right.thickness).as('right edge of the back'),
    width: box.insideWidth,
    lower: box.bottomTop,
    upper:
      topCaptures(context) || resolved.settings.top.kind.value === 'web' ? box.topUnderside : uncapturedTop(context),
    y: box.clearDepth,
  };
}

/** Most a nailer's screws into the panel it lies against may be apart (mm). */
const NAILER_SPACING = 250;

/** Nailers, each from side to side, or in pieces between the uprights; fastened to them and to the panel they lie against. */
export const nailers: Builder = (context) => {
  const { resolved, box } = context;
  const { material } = resolved.materials.nailer;
  const inside = insideOf(box, resolved).h;
  const pieces = nailerPlaces(context).flatMap((place) => {
    const runs = runsOf(context, inside, place);
    return runs.map((x, at) => ({ x, ...place, key: runs.length > 1 ? `${place.key}/${at + 1}` : place.key }));
  });
  const parts = pieces.map(({ key, x, y, z }) =>
    makePart({
      key,
      name: 'Nailer',
      role: 'nailer',
      material,
      stands: { x, y, z },
      axes: { u: '+x', v: '+z', w: '+y' },
    }),
  );
  return { parts, joints: pieces.flatMap((piece) => nailerJoints(context, piece)) };
};

/** The whole run, or what is left of it between the partitions that stand at that height. */
function runsOf({ boundaries }: BuildContext, whole: Span, { z, divided }: NailerPlace): Span[] {
  if (!divided) return [whole];
  const partitions = boundaries
    .filter(({ kind, within }) => {
      const { v } = within.inside;
      return kind === 'partition' && v.low.value < z.high.value && v.high.value > z.low.value;
    })
    .sort((a, b) => a.inside.low.value - b.inside.low.value);
  let from = whole.low;
  const runs: Span[] = [];
  for (const { inside } of partitions) {
    runs.push(spanBetween(from, inside.low));
    from = inside.high;
  }
  return [...runs, spanBetween(from, whole.high)];
}

function nailerJoints(
  { resolved, box }: BuildContext,
  { key, x, y, z, at }: NailerPlace & { readonly x: Span },
): Joint[] {
  const { settings } = resolved;
  const common = { normal: 'x', runs: 'along', level: z.low, thickness: z.size, front: y.low, depth: y.size } as const;
  const ends = (['u0', 'u1'] as const).map((end): Joint => {
    const shows = endShows(end === 'u0' ? 'left' : 'right', resolved);
    const kind = settings.joints.nailer.value;
    return {
      plane: (end === 'u0' ? x.low : x.high).value,
      ...common,
      kind: kind === 'usual' ? (shows ? 'pocket' : 'screws') : kind,
      engagement: length(0),
      member: { key, end, pocketFace: 2, pocketsShow: false },
      reason: 'holds the nailer',
      holds: key,
    };
  });
  const edge = at === 'high' ? 'v1' : at === 'low' ? 'v0' : undefined;
  const against = edge === 'v1' ? box.topUnderside : box.bottomTop;
  const lies = edge && Math.abs((edge === 'v1' ? z.high : z.low).value - against.value) < SAME_PLANE;
  if (!edge || !lies) return ends;
  return [
    ...ends,
    {
      normal: 'z',
      runs: 'along',
      plane: against.value,
      level: x.low,
      thickness: x.size,
      front: y.low,
      depth: y.size,
      kind: 'screws',
      engagement: length(0),
      spacing: length(NAILER_SPACING, 'screws of a nailer at most apart'),
      member: { key, end: edge, pocketFace: 2, pocketsShow: false },
      reason: `holds the nailer along its ${edge === 'v1' ? 'upper' : 'lower'} edge`,
      holds: key,
    },
  ];
}

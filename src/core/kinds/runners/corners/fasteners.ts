import { type Dim, length, plain } from '../../../ground/index.js';
import { atPlaces, type Operation, placeRow, SCREW_WAY } from '../../../part/index.js';
import type { CornerContext } from './corner.js';

/** Fasteners keep this far above the groove of the bottom, from the upper edge, and from one to the next (mm). */
const ABOVE_GROOVE = length(9, 'above the groove');
const FROM_TOP = length(20, 'from the upper edge');
const FROM_LOWER = length(25, 'from the lower edge');
const APART = 100;
const LEAST_APART = 12;

/** Heights of the fasteners along the sides: two to a corner in low boxes, else at most 100 apart, clear of the groove. */
export function fastenerHeights({ plan, height, back, bottom, crossed = [] }: CornerContext): {
  front: readonly Dim[];
  back: readonly Dim[];
} {
  const above = plan.recess.plus(bottom.thickness).plus(ABOVE_GROOVE).as('first screw above the bottom');
  const first = bottom.applied ? FROM_LOWER : plan.clear && plan.clear.value > above.value ? plan.clear : above;
  return {
    front: clearOf(column(first, height), [first.value, height.value], crossed),
    back: column(first, back.up.plus(back.height).as('top of the back')),
  };
}

/** Wood between a corner screw and a pull's hole that crosses it; how near the upper edge one may stand to be clear (mm). */
const BESIDE_PULL = 5;
const LEAST_FROM_TOP = 12;

/** A column moved clear of what is bored across it: a wide pull on a narrow drawer goes through the ends of the front. */
function clearOf(
  column: readonly Dim[],
  [first, top]: readonly [number, number],
  crossed: NonNullable<CornerContext['crossed']>,
): readonly Dim[] {
  const taken = crossed.map(({ at, half }) => [at - half - BESIDE_PULL, at + half + BESIDE_PULL] as const);
  if (column.every(({ value: mm }) => taken.every(([from, to]) => mm <= from || mm >= to))) return column;
  const placed = placeRow({
    regular: column.map(({ value: mm }) => mm),
    within: [first, top - LEAST_FROM_TOP],
    apart: LEAST_APART,
    taken,
    least: column.length,
  });
  return placed.ok ? atPlaces(column, placed.places, 'moved clear of the pull') : column;
}

function column(first: Dim, top: Dim): Dim[] {
  const last = top.minus(FROM_TOP).as('last screw of the corner');
  const run = last.value - first.value;
  if (run < LEAST_APART) return [first.plus(top).over(2).as('screw of the corner')];
  const gaps = Math.max(1, Math.ceil(run / APART));
  if (gaps === 1) return [first, last];
  const apart = last.minus(first).over(plain(gaps, 'spaces'));
  return Array.from({ length: gaps + 1 }, (_, at) =>
    at === 0 ? first : first.plus(apart.times(at)).as('screw of the corner'),
  );
}

/** The same heights on the back, which may begin above the sides. */
export function onBack({ back }: CornerContext, positions: readonly Dim[]): Dim[] {
  return positions.map((at) => at.minus(back.up).as('screw of the corner, on the back'));
}

/** Corner screws of boxes, as they are bought. */
export const BOX_CORNERS = 'box corners';

/** How far a corner screw goes into the end behind a board of a box. */
export const inEndOfBoard = ({ settings, side }: Pick<CornerContext, 'side' | 'settings'>) =>
  settings.drawers.screw.minus(side).as('screw in the end of a board');

/** Screws through a face of a board beside one of its ends, into the end of what stands against it there. */
export function screwsThrough(
  from: 'u0' | 'u1',
  face: 1 | 2,
  positions: readonly Dim[],
  { what, into }: { readonly what: string; readonly into: string },
  context: Pick<CornerContext, 'side' | 'settings' | 'by'>,
): Operation {
  const { side, settings, by } = context;
  return {
    kind: 'holes',
    face,
    from,
    offset: side.over(2).as('middle of what stands against it'),
    positions,
    diameter: settings.fasteners.pilot,
    reason: `corner of the box, ${what}`,
    by: by('corner'),
    fastens: {
      kind: 'screw',
      use: BOX_CORNERS,
      size: { length: settings.drawers.screw },
      into,
      reach: inEndOfBoard(context),
      inEdge: true,
    },
  };
}

/** The screws go on into the end of a board. */
export function screwWay(
  edge: 'u0' | 'u1',
  side: Dim,
  positions: readonly Dim[],
  depth: Dim,
  by: CornerContext['by'],
): Operation {
  return {
    kind: 'edge holes',
    edge,
    offset: side.over(2).as('middle of the edge'),
    positions,
    diameter: SCREW_WAY,
    depth,
    reason: 'way of the screws: corners of the box',
    by: by('way'),
  };
}

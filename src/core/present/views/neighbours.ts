import { numberOf } from '../../decisions/index.js';
import { sumOf } from '../../ground/index.js';
import { neighbourShift } from '../../motions/index.js';
import { type DimensionItem, type DrawingItem, dimension } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** The cabinets that stand at the ends of this one, where that was said. */
export interface Beside {
  readonly left?: SolvedCabinet | undefined;
  readonly right?: SolvedCabinet | undefined;
}

/** How much of a neighbour is shown (mm). */
export const NEIGHBOUR_SHOWN = 45;

/** The edges of the neighbours' fronts, dashed: what this cabinet's fronts have to line up with. */
export function neighbourItems(solved: SolvedCabinet, beside: Beside): DrawingItem[] {
  return (['left', 'right'] as const).flatMap((end): DrawingItem[] => {
    const other = beside[end];
    if (!other) return [];
    const { x, z } = shiftTo(solved, other, end);
    if (z === undefined) return [];
    const edge = end === 'left' ? -solved.box.beyondLeft.value : solved.box.width.value + solved.box.beyondRight.value;
    return other.fronts.flatMap(({ h, v }): DrawingItem[] => {
      const [low, high] = [h.low.value + x, h.high.value + x];
      const [from, to] =
        end === 'left' ? [Math.max(low, edge - NEIGHBOUR_SHOWN), high] : [low, Math.min(high, edge + NEIGHBOUR_SHOWN)];
      if (to - from < 1) return [];
      return [
        {
          kind: 'region',
          tint: 'void',
          weight: 'hidden',
          from: { h: from, v: v.low.value + z },
          to: { h: to, v: v.high.value + z },
        },
      ];
    });
  });
}

function shiftTo(solved: SolvedCabinet, other: SolvedCabinet, end: 'left' | 'right') {
  if (end === 'right') return neighbourShift(solved, other);
  const { x, z } = neighbourShift(other, solved);
  return { x: -x, z: z === undefined ? undefined : -z };
}

/** What both reveals at a joint leave together. */
export function sharedGapDimensions(solved: SolvedCabinet, beside: Beside): DimensionItem[] {
  return (['left', 'right'] as const).flatMap((end): DimensionItem[] => {
    const other = beside[end];
    if (!other) return [];
    const inner = end === 'left' ? 'left' : 'right';
    const outer = end === 'left' ? 'right' : 'left';
    const mine = extreme(solved, inner);
    const theirs = extreme(other, outer);
    if (!mine || !theirs) return [];
    const reveals = [
      numberOf(solved.cabinet, mine.beside[inner]).as(`reveal of cabinet ${solved.cabinet.number}`),
      numberOf(other.cabinet, theirs.beside[outer]).as(`reveal of cabinet ${other.cabinet.number}`),
    ];
    const gap = sumOf(reveals).as(`gap to cabinet ${other.cabinet.number}`);
    const at = end === 'left' ? mine.h.low.value : mine.h.high.value;
    const [from, to] = end === 'left' ? [at - gap.value, at] : [at, at + gap.value];
    return gap.value > 0 ? [dimension(`shared-gap-${end}`, 'bottom', 0, from, to, gap)] : [];
  });
}

/** The front that reaches furthest to an end. */
function extreme({ fronts }: SolvedCabinet, end: 'left' | 'right') {
  return [...fronts].sort((a, b) =>
    end === 'left' ? a.h.low.value - b.h.low.value : b.h.high.value - a.h.high.value,
  )[0];
}

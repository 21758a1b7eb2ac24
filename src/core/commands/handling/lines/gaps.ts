import { gapKey, openingNames, type SplitLayout, spanOf } from '../../../build/index.js';
import { pathOf, pathTo } from '../../../decisions/index.js';
import { neighbourShift } from '../../../motions/index.js';
import type { Beside } from '../../../present/index.js';
import { form, type SolvedCabinet } from '../../../solve/index.js';
import { leadingSpans } from '../place.js';
import { type Line, lineBetween, type Member, type Snap } from './line.js';

/** The gaps between openings. */
export function gapLines(solved: SolvedCabinet, beside: Beside): Line[] {
  const { face, cabinet } = solved;
  const names = openingNames(cabinet.face, form.fills);
  return (face.ok ? face.splits : []).flatMap((layout) => {
    const { axis, path, parts } = layout;
    const across = spanOf(layout.within.face, axis === 'rows' ? 'columns' : 'rows');
    const spans = leadingSpans(solved, layout);
    const members = parts.map(
      (decided, at): Member => ({
        decided,
        path: pathTo.opening(pathOf(cabinet, path), decided.id),
        name: names.get(decided.id) ?? 'opening',
        mm: spans[at]?.size.value ?? 0,
      }),
    );
    return middlesOf(layout).map((middle, at) => {
      const { id } = parts[at] as (typeof parts)[number];
      const drawn = { id: `gap-${id}`, from: across.low.value, to: across.high.value, shows: gapKey(id) };
      return lineBetween(members, at, axis, middle, drawn, linedUp(solved, layout, beside, middle));
    });
  });
}

/** The middles of the gaps of a division (mm). */
function middlesOf({ axis, face }: SplitLayout): number[] {
  return face.slice(1).map((next, at) => {
    const before = face[at] as (typeof face)[number];
    return axis === 'rows' ? (next.high.value + before.low.value) / 2 : (before.high.value + next.low.value) / 2;
  });
}

/** Gaps of the neighbours, and of other divisions of this face, that a gap may line up with. */
function linedUp(solved: SolvedCabinet, { axis }: SplitLayout, beside: Beside, own: number): Snap[] {
  const middles = ({ face }: SolvedCabinet) =>
    face.ok ? face.splits.filter((split) => split.axis === axis).flatMap(middlesOf) : [];
  const here = middles(solved)
    .filter((at) => Math.abs(at - own) > 0.05)
    .map((at) => ({ at, why: 'lines up with the other' }));
  if (axis === 'columns') return here;
  const there = (['left', 'right'] as const).flatMap((end) => {
    const other = beside[end];
    if (!other) return [];
    const { z } = end === 'left' ? neighbourShift(other, solved) : neighbourShift(solved, other);
    if (z === undefined) return [];
    const shift = end === 'left' ? -z : z;
    return middles(other).map((at) => ({ at: at + shift, why: `lines up with ${other.cabinet.number}` }));
  });
  return [...here, ...there];
}

import { roomsInside, spanOf } from '../../../build/index.js';
import { pathOf, pathTo } from '../../../decisions/index.js';
import { partKeys } from '../../../part/index.js';
import type { SolvedCabinet } from '../../../solve/index.js';
import { type Line, lineBetween, type Member } from './line.js';

/** Behind doors a line is taken hold of at its end only, so that the doors can be chosen (mm). */
const GRIP_BEHIND = 110;

/** The room or opening that a part stands after, of a divider or of a frame in its place. */
const standsAfter = (key: string) => (partKeys.divider.read(key) ?? partKeys.ofDivider.read(key))?.after;

/** What stands between rooms, behind doors or in an open bay. */
export function roomLines({ interiors, cabinet, parts, resolved }: SolvedCabinet): Line[] {
  const names = roomsInside(cabinet.face, resolved.fills);
  return interiors.boundaries.flatMap(({ after, axis, centre, within }): Line[] => {
    const layout = interiors.splits.find((split) => split.parts.some(({ id }) => id === after));
    const at = layout?.parts.findIndex(({ id }) => id === after) ?? -1;
    if (!layout?.parts[at + 1]) return [];
    const members = layout.parts.map(
      (decided, index): Member => ({
        decided,
        path: pathTo.opening(pathOf(cabinet, layout.path), decided.id),
        name: names.get(decided.id)?.name ?? `room ${index + 1}`,
        mm: layout.sizes[index]?.size.value ?? 0,
      }),
    );
    const across = spanOf(within.inside, axis === 'rows' ? 'columns' : 'rows');
    return [
      lineBetween(members, at, axis, centre.value, {
        id: `room-${after}`,
        from: across.low.value,
        to: Math.min(across.high.value, across.low.value + GRIP_BEHIND),
        shows: parts.find(({ key }) => standsAfter(key) === after)?.key ?? partKeys.divider.of({ after }),
      }),
    ];
  });
}

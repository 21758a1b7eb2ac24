import { type DrawingItem, regionBetween } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

const INDEX = { x: 0, y: 1, z: 2 } as const;
type Axis = keyof typeof INDEX;

/** The keep-out boxes as they are seen along the third axis, each with its name; only those a cut goes through. */
export function zoneItems(
  { resolved }: SolvedCabinet,
  h: Axis,
  v: Axis,
  cut?: { axis: Axis; at: number },
): DrawingItem[] {
  return resolved.given.zones.flatMap(({ name, extent: { min, max } }): DrawingItem[] => {
    if (cut && (min[INDEX[cut.axis]] >= cut.at || max[INDEX[cut.axis]] <= cut.at)) return [];
    const [from, to] = [
      { h: min[INDEX[h]], v: min[INDEX[v]] },
      { h: max[INDEX[h]], v: max[INDEX[v]] },
    ];
    return [
      regionBetween(from, to, { tint: 'void', weight: 'hidden' }),
      { kind: 'line', weight: 'hidden', points: [from, to] },
      { kind: 'mark', at: { h: (from.h + to.h) / 2, v: (from.v + to.v) / 2 }, text: name, room: to.v - from.v },
    ];
  });
}

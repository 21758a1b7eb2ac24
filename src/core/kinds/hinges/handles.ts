import { type AnyPath, pathTo } from '../../decisions/index.js';
import type { DragHandle } from '../../part/index.js';
import { freeHeightsOf } from './hang.js';
import { hingesAtPath } from './heights.js';
import { hingeKey } from './keys.js';
import { hingeRoom } from './places.js';
import type { HingedCabinet } from './rule.js';

/** A handle for each concealed hinge: it moves to other heights that are free. */
export function hingeHandles(solved: HingedCabinet): DragHandle<AnyPath>[] {
  const { fitted, face, box } = solved;
  if (!face.ok) return [];
  return fitted.hinges.flatMap((door): DragHandle<AnyPath>[] => {
    const { front, hinged, chosen, places, plane } = door;
    const cell = face.cells.find((each) => each.opening.id === front.openingId);
    if (!chosen || !cell || places.length === 0) return [];
    const heights = freeHeightsOf(door, solved);
    const stops = heights.map((height) => ({ at: height, value: height - front.v.low.value }));
    return places.map(({ onCase }, index) => {
      const room = hingeRoom(chosen, onCase.value, { hinged, plane, mountingPlane: box.mountingPlane.value });
      const left = hinged === 'left';
      return {
        id: `hinge-${front.key}-${index + 1}`,
        label: `Hinge ${index + 1} of the door`,
        from: { h: left ? Math.min(front.extent.min[0], room.min[0]) : room.min[0] - REACH, v: room.min[2] },
        to: { h: left ? room.max[0] + REACH : Math.max(front.extent.max[0], room.max[0]), v: room.max[2] },
        shows: hingeKey(front.key, index),
        at: onCase.value,
        stops,
        entry: `h${index + 1}`,
        path: pathTo.entry(hingesAtPath(cell), `h${index + 1}`),
      };
    });
  });
}

/** A hinge is taken hold of this much beyond its body (mm). */
const REACH = 24;

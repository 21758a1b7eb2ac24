import { type Bay, shelfHeights } from '../../build/index.js';
import { pathOf, pathTo, shelvesFill } from '../../decisions/index.js';
import type { Span } from '../../ground/index.js';
import { type DragHandle, faceInto, type PanelFace, type Part, partKeys, toPart } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** A handle for each adjustable shelf of an upright view: it moves from hole to hole. `across` says what it spans. */
export function shelfHandles(solved: SolvedCabinet, across: (bay: Bay) => Pick<Span, 'low' | 'high'>): DragHandle[] {
  return solved.bays.flatMap((bay) => shelfHandlesOf(solved, bay, across(bay)));
}

function shelfHandlesOf(
  { cabinet, resolved, grid }: SolvedCabinet,
  bay: Bay,
  span: Pick<Span, 'low' | 'high'>,
): DragHandle[] {
  const { room, places } = bay;
  const thickness = resolved.materials.shelf.thickness.value;
  const { low } = room.inside.v;
  const stops = shelfHeights(bay, grid, resolved).map((at) => ({ at, value: at - low.value }));
  return places.map(({ underside }, index) => ({
    id: `shelf-${room.id}-${index + 1}`,
    label: `Shelf ${index + 1} of ${room.name}`,
    from: { h: span.low.value, v: underside.value },
    to: { h: span.high.value, v: underside.value + thickness },
    shows: partKeys.shelf.of({ room: room.id, number: index + 1 }),
    at: underside.value,
    stops,
    entry: `s${index + 1}`,
    path: pathTo.entry(shelvesFill.at(pathOf(cabinet, room.path), 'shelvesAt'), `s${index + 1}`),
  }));
}

/** The same on the panel of an upright, from the face the pins are bored in: holes move along it, and the shelf with them. */
export function pinHandles(solved: SolvedCabinet, part: Part, face: PanelFace, flip: boolean): DragHandle[] {
  const { grid } = solved;
  if (!grid) return [];
  const width = part.width.value;
  const rise = solved.resolved.settings.pins.diameter.value / 2;
  const along = (z: number) => toPart(part.placement, [0, 0, z])[0];
  return solved.bays
    .filter(({ left, right }) => {
      if (left?.key === part.key) return face === faceInto(part, 'left');
      return right?.key === part.key && face === faceInto(part, 'right');
    })
    .flatMap((bay) => shelfHandlesOf(solved, bay, bay.room.inside.h))
    .map((handle) => {
      const at = along(handle.at - rise);
      return {
        ...handle,
        from: { h: flip ? 0 : 4, v: at - 4 },
        to: { h: flip ? width - 4 : width, v: at + 4 },
        at,
        stops: handle.stops.map((stop) => ({ at: along(stop.at - rise), value: stop.value })),
      };
    });
}

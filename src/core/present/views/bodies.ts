import { type DrawingItem, regionBetween } from '../../part/index.js';
import { allKinds, type Fitted, type SolvedCabinet } from '../../solve/index.js';

const INDEX = { x: 0, y: 1, z: 2 } as const;
type Axis = keyof typeof INDEX;

/** Bought things that take room, as runners do, dashed in a view; only those a cut goes through or passes on its way. */
export function bodyItems(
  { fitted }: SolvedCabinet,
  h: Axis,
  v: Axis,
  cut?: { readonly axis: Axis; readonly at: number },
): DrawingItem[] {
  return allKinds.flatMap(({ id, bodies }) =>
    (bodies?.(fitted[id as keyof Fitted] as never) ?? [])
      .filter(({ extent: { min, max } }) => !cut || (min[INDEX[cut.axis]] < cut.at && max[INDEX[cut.axis]] > cut.at))
      .map(({ extent: { min, max }, shows }) =>
        regionBetween(
          { h: min[INDEX[h]], v: min[INDEX[v]] },
          { h: max[INDEX[h]], v: max[INDEX[v]] },
          { tint: 'void', weight: 'hidden', shows },
        ),
      ),
  );
}

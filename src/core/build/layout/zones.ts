import { type Cabinet, pathTo, type ZoneField } from '../../decisions/index.js';
import { type Dim, setting } from '../../ground/index.js';

/** A box of space inside a cabinet that nothing may take: a pipe, a trap, a socket. */
export interface Zone {
  readonly id: string;
  readonly name: string;
  /** Its front, as a number that can be opened: what stands behind a drawer is measured to it. */
  readonly front: Dim;
  /** Its left and right, likewise: what a drawer goes round is kept clear of. */
  readonly left: Dim;
  readonly right: Dim;
  readonly extent: { readonly min: readonly [number, number, number]; readonly max: readonly [number, number, number] };
}

/** The keep-out boxes of a cabinet in its coordinates. */
export function zonesOf({ id: cabinetId, zones = [] }: Cabinet): Zone[] {
  return zones.map(({ id, name, left, up, behind, width, height, depth }) => {
    const path = (field: ZoneField) => pathTo.zoneField(cabinetId, id, field);
    const leftOf = setting(`left of ${name}`, left, { kind: 'here', path: path('left') });
    return {
      id,
      name,
      left: leftOf,
      right: leftOf
        .plus(setting(`width of ${name}`, width, { kind: 'here', path: path('width') }))
        .as(`right of ${name}`),
      front: setting(`front of ${name}`, behind, { kind: 'here', path: path('behind') }),
      extent: { min: [left, behind, up], max: [left + width, behind + depth, up + height] },
    };
  });
}

type Extent = Zone['extent'];

/** True where two boxes share space. */
export function meets(a: Extent, b: Extent): boolean {
  return [0, 1, 2].every(
    (k) => (a.min[k] as number) < (b.max[k] as number) - 0.01 && (a.max[k] as number) > (b.min[k] as number) + 0.01,
  );
}

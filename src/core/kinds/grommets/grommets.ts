import type { Fitting } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import { type Dim, setting } from '../../ground/index.js';
import { alongPart, type Extent, type Operation, type Part, type PartRole } from '../../part/index.js';
import { fromSheet } from '../profile.js';
import type { GrommetContext } from './context.js';
import { type Grommet, grommetList } from './list.js';
import type { GrommetProfile } from './profile.js';

/** A cable grommet as it is fitted. */
export interface FittedGrommet {
  readonly id: string;
  /** What is decided of it. */
  readonly decided: Grommet;
  /** The id of the one that is wanted, and what the library has under it. */
  readonly wanted: string;
  readonly profile: GrommetProfile | undefined;
  /** Key and name of the part it is in; absent where there is no such part. */
  readonly part: { readonly key: string; readonly name: string; readonly thickness: Dim } | undefined;
  /** Its middle in the cabinet, along the two axes the part lies in. */
  readonly middle: readonly { readonly field: PlaceField; readonly dim: Dim }[];
  /** How far the edge of its rim is from the nearest edge of the part (mm); negative where it stands over it. */
  readonly left: number;
}

export interface MadeGrommet {
  readonly fitted: FittedGrommet;
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly occupied: readonly Occupied[];
}

/** How a place along each axis of the cabinet is decided, and what it is called. */
const AXES = [
  { axis: 'x', field: 'left', from: 'from the left face of the box' },
  { axis: 'y', field: 'behind', from: 'behind the front edge of the box' },
  { axis: 'z', field: 'up', from: 'above the underside of the box' },
] as const;
export type PlaceField = (typeof AXES)[number]['field'];

/** What a grommet may be put in. */
const TAKES: ReadonlySet<PartRole> = new Set(['side', 'bottom', 'top', 'back', 'divider', 'shelf', 'partition']);
export const takesGrommet = ({ role, piece }: Pick<Part, 'role' | 'piece'>) =>
  TAKES.has(role) && (piece === undefined || piece.kind === 'fixed shelf');

/** The two axes a part lies in, as places in it are measured. */
export function axesOf({ placement }: Pick<Part, 'placement'>) {
  return AXES.filter(({ axis }) => placement.w[1] !== axis);
}

/** Every grommet that is decided, in its part. */
export function fitGrommets(
  { cabinet, parts, resolved }: GrommetContext,
  profiles: readonly GrommetProfile[],
): MadeGrommet[] {
  return grommetList.of(cabinet).map((decided): MadeGrommet => {
    const wanted = decided.profile ?? resolved.settings.grommets.choice.value;
    const profile = profiles.find(({ id }) => id === wanted);
    const part = parts.find(({ key }) => key === decided.part);
    const fitted = { id: decided.id, decided, wanted, profile, part: undefined, middle: [], left: 0 };
    if (!part || !profile) return { fitted: { ...fitted, part: part && named(part) }, operations: [], occupied: [] };
    const middle = axesOf(part).map(({ axis, field, from }) => {
      const path = grommetList.at(decided.id, field);
      const mm = decided[field];
      const { low, size } = part.stands[axis];
      const dim =
        mm === undefined
          ? low.plus(size.over(2)).as(`middle of the grommet, ${from}`).because('in the middle of its part')
          : setting(`middle of the grommet, ${from}`, mm, { kind: 'here', note: 'decided', path });
      return { axis, field, dim };
    });
    const rim = profile.rim / 2;
    const left = Math.min(
      ...middle.map(({ axis, dim: { value } }) => {
        const { low, high } = part.stands[axis];
        return Math.min(value - low.value, high.value - value) - rim;
      }),
    );
    const whole = { ...fitted, part: named(part), middle, left };
    if (left < 0) return { fitted: whole, operations: [], occupied: [] };
    return {
      fitted: whole,
      operations: [[part.key, holeIn(part, middle, profile)]],
      occupied: [roomOf(part, middle, profile)],
    };
  });
}

const named = ({ key, name, thickness }: Part) => ({ key, name, thickness });

type Middle = readonly { readonly axis: 'x' | 'y' | 'z'; readonly dim: Dim }[];

/** The hole, through the part: along its length and across it, wherever that runs in the cabinet. */
function holeIn(part: Part, middle: Middle, profile: GrommetProfile): Operation {
  const at = (axis: 'u' | 'v') => {
    const found = middle.find((each) => each.axis === part.placement[axis][1]);
    return alongPart(part, axis, (found as Middle[number]).dim);
  };
  return {
    kind: 'holes',
    face: 1,
    from: 'v0',
    offset: at('v').as('middle of the grommet across the part'),
    positions: [at('u').as('middle of the grommet along the part')],
    diameter: fromSheet(profile, 'hole', 'hole of the grommet'),
    reason: `cable grommet: ${profile.name}`,
    by: { kind: 'grommets' },
  };
}

/** The room of the rims on both faces. */
function roomOf({ extent, name }: Part, middle: Middle, { rim, out }: GrommetProfile): Occupied {
  const along = (k: 0 | 1 | 2): readonly [number, number] => {
    const found = middle.find(({ axis }) => axis === (['x', 'y', 'z'] as const)[k]);
    return found ? [found.dim.value - rim / 2, found.dim.value + rim / 2] : [extent.min[k] - out, extent.max[k] + out];
  };
  const [x, y, z] = [along(0), along(1), along(2)];
  const room: Extent = { min: [x[0], y[0], z[0]], max: [x[1], y[1], z[1]] };
  return { by: 'grommets', name: `the grommet in ${name.toLowerCase()}`, extent: room };
}

export function grommetsToBuy(fitted: readonly FittedGrommet[]): Fitting[] {
  const bought = fitted.flatMap(({ profile, part, left }) => (profile && part && left >= 0 ? [profile] : []));
  return [...new Set(bought)].map((profile) => ({
    name: `Grommet: ${profile.name}`,
    quantity: bought.filter((each) => each === profile).length,
    note: profile.maker,
  }));
}

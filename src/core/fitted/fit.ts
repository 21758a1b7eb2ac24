import type { Fitting } from '../carcass/index.js';
import { gather } from '../gather.js';
import type { Operation } from '../machining/index.js';
import { frontRooms, type Motion, type Room } from '../motions/index.js';
import { type LeftOut, type Part, withDecisions } from '../parts/index.js';
import type { AnyKind, Fit, FitContext, Kind } from './kind.js';
import { kinds } from './kinds.js';

type FittedOf<K> = K extends Kind<infer _Id, infer _S, infer _P, infer F> ? F : never;
/** What each kind makes of a cabinet, by its id. */
export type Fitted = {
  readonly [K in (typeof kinds)[number] as K['id']]: FittedOf<K>;
};

/** A cabinet with everything fitted. */
export interface FittedCabinet {
  readonly parts: readonly Part[];
  readonly leftOut: readonly LeftOut[];
  /** The ways screws take in parts nothing is bored in for them, of the construction and of what is fitted. */
  readonly paths: ReadonlyMap<string, readonly Operation[]>;
  readonly fitted: Fitted;
  readonly buy: readonly Fitting[];
  readonly rooms: readonly Room[];
  readonly motions: readonly Motion[];
}

/** The kinds with their particulars forgotten. */
export const allKinds = kinds as unknown as readonly AnyKind[];

/** Each kind after those whose results it reads, otherwise as they are registered. */
function inOrder(all: readonly AnyKind[]): AnyKind[] {
  const done: AnyKind[] = [];
  const waiting = [...all];
  while (waiting.length > 0) {
    const at = waiting.findIndex(({ after = [] }) => after.every((id) => done.some((kind) => kind.id === id)));
    if (at < 0) throw new Error(`kinds wait for each other: ${waiting.map(({ id }) => id).join(', ')}`);
    done.push(...waiting.splice(at, 1));
  }
  return done;
}

const order = inOrder(allKinds);

/** Fits every kind into a cabinet, each after those it needs. */
export function fitAll(carcass: Omit<FitContext, 'rooms' | 'fitted'>): FittedCabinet {
  const fits = new Map<string, Fit<unknown>>();
  const fitted: Record<string, unknown> = {};
  let parts = carcass.parts;
  const leftOut: LeftOut[] = [];
  let { paths } = carcass;
  let rooms: readonly Room[] = frontRooms(carcass.fronts);
  for (const kind of order) {
    const profiles = (carcass.head.hardware as unknown as Readonly<Record<string, never[]>>)[kind.id] ?? [];
    const fit: Fit<unknown> = kind.fit({ rooms, ...carcass, parts, paths, fitted }, profiles);
    fits.set(kind.id, fit);
    fitted[kind.id] = fit.fitted;
    const added = fit.parts && withDecisions(fit.parts, carcass.resolved);
    if (added) leftOut.push(...added.leftOut);
    parts = withOperations(added ? [...parts, ...added.parts] : parts, fit);
    if (fit.ways && fit.ways.size > 0) paths = withWays(paths, fit.ways);
    if (fit.rooms) rooms = [...rooms, ...fit.rooms];
  }
  const registered = gather(allKinds, ({ id }) => fits.get(id) ?? []);
  return {
    parts,
    leftOut,
    paths,
    fitted: fitted as Fitted,
    buy: gather(registered, ({ buy = [] }) => buy),
    rooms,
    motions: gather(registered, ({ motions = [] }) => motions),
  };
}

type Ways = ReadonlyMap<string, readonly Operation[]>;

function withWays(before: Ways, more: Ways): Ways {
  const all = new Map(before);
  for (const [key, ways] of more) all.set(key, [...(all.get(key) ?? []), ...ways]);
  return all;
}

function withOperations(parts: readonly Part[], { operations }: Fit<unknown>): readonly Part[] {
  if (!operations || operations.size === 0) return parts;
  return parts.map((part) => {
    const more = operations.get(part.key);
    return more && more.length > 0 ? { ...part, machining: [...part.machining, ...more] } : part;
  });
}

import type { Fitting } from '../build/index.js';
import type { AnyKind, DecidedHeights, Fit, FitContext, Motion, Occupied } from '../cabinet/index.js';
import { gather } from '../ground/index.js';
import { spaceOfFronts } from '../motions/index.js';
import { type Intake, type Operation, type Part, withMore } from '../part/index.js';
import { allKinds, type Fitted, type ResolvedCabinet } from './registry.js';

/** A cabinet with everything fitted. */
interface FittedCabinet {
  readonly parts: readonly Part[];
  /** The lines screws take in parts nothing is bored in for them, of the construction and of what is fitted. */
  readonly screwLines: ReadonlyMap<string, readonly Operation[]>;
  readonly fitted: Fitted;
  readonly buy: readonly Fitting[];
  readonly occupied: readonly Occupied[];
  readonly motions: readonly Motion[];
  readonly hung: boolean;
  readonly decidedHeights: readonly DecidedHeights[];
}

/** Each kind after those whose results it reads, otherwise as they are registered. */
function inOrder(all: readonly AnyKind[]): AnyKind[] {
  const done: AnyKind[] = [];
  const waiting = [...all];
  while (waiting.length > 0) {
    const at = waiting.findIndex(({ after = [] }) => after.every(({ id }) => done.some((kind) => kind.id === id)));
    if (at < 0) throw new Error(`kinds wait for each other: ${waiting.map(({ id }) => id).join(', ')}`);
    done.push(...waiting.splice(at, 1));
  }
  return done;
}

const order = inOrder(allKinds);

/** Fits every kind into a cabinet, each after those it needs. */
export function fitAll(
  carcass: Omit<FitContext<ResolvedCabinet>, 'occupied' | 'fitted' | 'strips'>,
  intake: Intake,
): FittedCabinet {
  const fits = new Map<string, Fit<unknown>>();
  const fitted: Record<string, unknown> = {};
  const profilesOf = ({ id }: AnyKind) => (carcass.head.hardware[id] ?? []) as never[];
  let parts = carcass.parts;
  let { screwLines } = carcass;
  let occupied: readonly Occupied[] = spaceOfFronts(carcass.fronts);
  const strips = gather(allKinds, (kind) => kind.strips?.(carcass as never, profilesOf(kind)) ?? []);
  for (const kind of order) {
    const context = { occupied, ...carcass, parts, screwLines, fitted, strips };
    const fit: Fit<unknown> = kind.fit(context as never, profilesOf(kind));
    fits.set(kind.id, fit);
    fitted[kind.id] = fit.fitted;
    parts = withOperations(fit.parts ? [...parts, ...intake.take(fit.parts)] : parts, fit);
    if (fit.screwLines && fit.screwLines.size > 0) screwLines = withMoreLines(screwLines, fit.screwLines);
    if (fit.occupied) occupied = [...occupied, ...fit.occupied];
  }
  const registered = gather(allKinds, ({ id }) => fits.get(id) ?? []);
  return {
    parts,
    screwLines,
    fitted: fitted as unknown as Fitted,
    buy: gather(registered, ({ buy = [] }) => buy),
    occupied,
    motions: gather(registered, ({ motions = [] }) => motions),
    hung: registered.some(({ hung }) => hung),
    decidedHeights: gather(registered, ({ decidedHeights = [] }) => decidedHeights),
  };
}

type ScrewLines = ReadonlyMap<string, readonly Operation[]>;

function withMoreLines(before: ScrewLines, more: ScrewLines): ScrewLines {
  const all = new Map(before);
  for (const [key, lines] of more) all.set(key, [...(all.get(key) ?? []), ...lines]);
  return all;
}

function withOperations(parts: readonly Part[], { operations }: Fit<unknown>): readonly Part[] {
  if (!operations || operations.size === 0) return parts;
  return parts.map((part) => {
    return withMore(part, operations.get(part.key));
  });
}

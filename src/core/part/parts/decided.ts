import { type DecidedPart, ownPathTo, type PartSide, type Resolved } from '../../decisions/index.js';
import { setting } from '../../ground/index.js';
import { withMachining } from './machined.js';
import { type Band, cutSizes, type Oversize, type Part, type PartRole } from './part.js';
import { EDGES, type Edge, edgeName } from './placement.js';

/** What can be left out by itself: the rest of the cabinet stands without it, or a finding says that it does not. */
const LEFT_OUT: ReadonlySet<PartRole> = new Set([
  'bottom',
  'top',
  'stretcher',
  'back',
  'nailer',
  'plinth',
  'divider',
  'shelf',
  'partition',
  'end',
  'filler',
  'packing',
]);

/** True where a part may be left out: it stands alone, and is no front, side, or piece of something made of several. */
export function canBeLeftOut({ role, unit, key }: Pick<Part, 'role' | 'unit' | 'key'>): boolean {
  return LEFT_OUT.has(role) && (unit === key || role === 'packing');
}

/** A part that was decided away: what it would have been. */
export interface LeftOut {
  readonly key: string;
  readonly name: string;
}

const NONE: readonly Part[] = [];

/**
 * The one door through which parts come into a cabinet. What is decided of single parts is laid over them here: material
 * of the same thickness, bands, grain, what is left on, a note, bought or made, left out. A material of another thickness
 * is followed where the part is built (`madeOf`), or not at all.
 */
export class Intake {
  private readonly decisions: ReadonlyMap<string, DecidedPart>;
  private readonly without: LeftOut[] = [];

  constructor(private readonly resolved: Resolved) {
    this.decisions = new Map(resolved.decided.map((decision) => [decision.part, decision]));
  }

  /** What was left out of all that came in. */
  get leftOut(): readonly LeftOut[] {
    return this.without;
  }

  /** Parts as they are decided, those that are left out not among them. */
  take(parts: readonly Part[] = NONE): readonly Part[] {
    if (this.decisions.size === 0) return parts;
    return parts.flatMap((part) => {
      const decision = this.decisions.get(part.key);
      if (!decision) return [part];
      if (decision.made !== 'left out' || !canBeLeftOut(part)) return [decided(part, decision, this.resolved)];
      this.without.push({ key: part.key, name: part.name });
      return [];
    });
  }
}

/** Takes away what was cut and bored for parts that are left out. */
export function withoutTraces(parts: readonly Part[], leftOut: readonly LeftOut[]): readonly Part[] {
  if (leftOut.length === 0) return parts;
  const gone = new Set(leftOut.map(({ key }) => key));
  return parts.map((part) =>
    part.machining.some(({ holds }) => holds !== undefined && gone.has(holds))
      ? withMachining(
          part,
          part.machining.filter(({ holds }) => holds === undefined || !gone.has(holds)),
        )
      : part,
  );
}

/** Two thicknesses are one below this (mm). */
const SAME = 0.01;

function decided(part: Part, decision: DecidedPart, resolved: Resolved): Part {
  const own = resolved.pieces[part.key];
  const follows = own !== undefined && Math.abs(own.thickness.value - part.thickness.value) < SAME;
  const bands = decision.bands ? bandsDecided(part, decision.bands, resolved) : part.bands;
  const path = ownPathTo.partField(decision.id, 'oversize');
  const over = EDGES.flatMap((edge): Oversize[] => {
    const mm = decision.oversize?.[sideOf(part, edge)] ?? 0;
    if (mm <= 0) return [];
    const label = `left on at the ${edgeName(part.placement, edge)}`;
    return [{ edge, size: setting(label, mm, { kind: 'here', path }) }];
  });
  const said = [part.note, decision.note].filter((each) => each !== undefined).join('; ');
  return {
    ...part,
    ...(follows ? { material: own.material } : {}),
    bands,
    over,
    ...cutSizes({ ...part, bands, over }),
    grainRuns: decision.grain ?? part.grainRuns,
    bought: decision.made === 'bought',
    note: said === '' ? undefined : said,
  };
}

function sideOf({ placement }: Part, edge: Edge): PartSide {
  return edgeName(placement, edge) as PartSide;
}

const FRONTS: ReadonlySet<PartRole> = new Set(['door', 'drawer front', 'filler']);

/** The bands of a part with those that are decided put on or taken off; a new one is as thick as those it has. */
function bandsDecided(part: Part, wanted: NonNullable<DecidedPart['bands']>, { settings }: Resolved): readonly Band[] {
  const { frontThickness, caseThickness, preMilling } = settings.banding;
  const like = part.bands[0];
  const fresh = like ?? {
    thickness: FRONTS.has(part.role) ? frontThickness : caseThickness,
    ...(preMilling.value > 0 ? { milled: preMilling } : {}),
  };
  return EDGES.flatMap((edge): Band[] => {
    const has = part.bands.find((band) => band.edge === edge);
    const want = wanted[sideOf(part, edge)] ?? has !== undefined;
    if (!want) return [];
    return has ? [has] : fresh.thickness.value > 0 ? [{ ...fresh, edge }] : [];
  });
}

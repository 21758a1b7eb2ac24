import { gather } from '../../ground/index.js';
import { type Block, type FastenerKind, fastenersOf, type Part, type PartRole } from '../../part/index.js';
import { type Connection, connectionsOf } from './connections.js';
import { DRIVER, type Leaving, SHORT_DRIVER } from './fasteners.js';
import { type Fastener, Heads } from './heads.js';
import { blockMeets, type Direction, meetsOnTheWay, woodOf } from './solids.js';

/** What is put to what at one time, and how. */
export interface AssemblyStep {
  /** Keys of the parts that are put on together. */
  readonly parts: readonly string[];
  /** Keys of what stands there already: only what belongs to the same unit, where a unit is made up. */
  readonly onto: readonly string[];
  /** Which way they are moved into place; undefined for the first, which lies there. */
  readonly way: Direction | undefined;
  /** The fasteners that hold them to what stands already. */
  readonly fastened: readonly Fastened[];
}

/** Fasteners of one kind between two parts. */
export interface Fastened {
  readonly kind: FastenerKind;
  readonly count: number;
  /** The part they are driven through or stand in, and the one they go into. */
  readonly from: string;
  readonly into: string;
  /** True when only a short driver comes to a head. */
  readonly short: boolean;
}

/** Why parts do not come apart, and so cannot be put together. */
export interface Stuck {
  readonly parts: readonly string[];
  /** Screws that could be driven but for what stands before their heads. */
  readonly screws?: { readonly from: string; readonly into: string; readonly before: string; readonly room: number };
}

export interface Assembly {
  readonly steps: readonly AssemblyStep[];
  readonly stuck: Stuck | undefined;
}

/** What comes off first when a cabinet is taken apart; it is put together the other way round. */
const FIRST_OFF: readonly PartRole[] = [
  'door',
  'drawer front',
  'drawer box',
  'packing',
  'spacer',
  'cell',
  'shelf',
  'filler',
  'end',
  'frame',
  'plinth',
  'nailer',
  'back',
  'side',
  'top',
  'stretcher',
  'web',
  'divider',
  'partition',
  'bottom',
];

const WAYS: readonly Direction[] = [
  { axis: 1, sign: -1 },
  { axis: 1, sign: 1 },
  { axis: 2, sign: 1 },
  { axis: 0, sign: -1 },
  { axis: 0, sign: 1 },
  { axis: 2, sign: -1 },
];

/**
 * An order in which every part goes into place by a straight move through no wood, with the head of every screw within
 * reach when its turn comes. It is found by taking the cabinet apart: what can be taken off once can be taken off as long
 * as nothing is added, so the first part found at each turn is as good as any other, and where none comes off alone the
 * fewest that come off together are looked for.
 */
export function assemblyOf(parts: readonly Part[]): Assembly {
  return new Dismantling(parts, connectionsOf(parts, fastenersOf(parts)), true).order();
}

/** Only whether there is such an order of parts so connected: why not, where there is none. */
export function stuckOf(parts: readonly Part[], connections: readonly Connection[]): Stuck | undefined {
  return new Dismantling(parts, connections, false).order().stuck;
}

class Dismantling {
  private readonly wood = new Map<Part, Block[]>();
  private readonly fasteners = new Map<Part, Fastener[]>();
  /** Each part's place in the list, and by the places of two parts what holds them together. */
  private readonly places = new Map<Part, number>();
  private readonly between = new Map<number, Fastener[]>();
  /** By the places of two parts: the lower half says which ways were looked at, the upper what was found. */
  private readonly blocked: Uint16Array;
  private readonly heads: Heads;
  private readonly steps: AssemblyStep[] = [];
  private stuck: Stuck | undefined;

  constructor(
    private readonly parts: readonly Part[],
    connections: readonly Connection[],
    /** Whether somebody wants to know the steps. */
    private readonly told: boolean,
  ) {
    for (const [at, part] of parts.entries()) this.places.set(part, at);
    this.blocked = new Uint16Array(parts.length * parts.length);
    this.heads = new Heads(
      parts,
      (part) => this.fasteners.get(part) ?? [],
      (part) => this.woodOf(part),
    );
    for (const { from, into, leaving: left } of connections) {
      if (!into) continue;
      const fastener = { from, into, leaving: left };
      add(this.fasteners, from, fastener);
      add(this.fasteners, into, fastener);
      add(this.between, this.pair(from, into), fastener);
      add(this.between, this.pair(into, from), fastener);
    }
  }

  private pair(part: Part, other: Part): number {
    return (this.places.get(part) ?? 0) * this.parts.length + (this.places.get(other) ?? 0);
  }

  order(): Assembly {
    const units = new Map<string, Part[]>();
    for (const part of this.parts) units.set(part.unit, [...(units.get(part.unit) ?? []), part]);
    const rank = ([first]: readonly Part[]) => (first ? FIRST_OFF.indexOf(first.role) : 0);
    this.apart([...units.values()].sort((a, b) => rank(a) - rank(b)));
    return { steps: [...this.steps].reverse(), stuck: this.stuck };
  }

  /** Takes units off one by one, those of several parts apart in turn; where none comes off, the fewest together. */
  private apart(units: readonly (readonly Part[])[]): void {
    const left = [...units];
    const all = new Set(gather(left, (unit) => unit));
    while (left.length > 1 && !this.stuck) {
      if (this.singlyOff(left, all)) continue;
      const off = this.fewestOff(left, all);
      if (off) {
        this.takeOff(off.units, off.way, left, all);
        continue;
      }
      // Units that are usually made first may have to be put on in pieces.
      const pieces = left.findIndex((unit) => unit.length > 1);
      if (pieces < 0) this.stuck = { parts: [...all].map(({ key }) => key), ...this.unreachable(all) };
      else left.splice(pieces, 1, ...(left[pieces] ?? []).map((part) => [part]));
    }
    const [last] = left;
    if (!last || this.stuck) return;
    if (last.length > 1) this.madeUp(last);
    else this.steps.push({ parts: last.map(({ key }) => key), onto: [], way: undefined, fastened: [] });
  }

  /**
   * Takes off the first unit in the usual order that comes off; where nobody wants to know the steps, every one in one
   * go, since what comes off now comes off later as well. False where none does.
   */
  private singlyOff(left: (readonly Part[])[], all: Set<Part>): boolean {
    const before = left.length;
    for (const unit of [...left]) {
      if (left.length === 1) break;
      const way = WAYS.find((each) => this.comesOff(unit, all, each));
      if (way) this.takeOff([unit], way, left, all);
      if (way && this.told) break;
    }
    return left.length < before;
  }

  private takeOff(
    units: readonly (readonly Part[])[],
    way: Direction,
    left: (readonly Part[])[],
    all: Set<Part>,
  ): void {
    const parts = gather(units, (unit) => unit);
    for (const unit of units) left.splice(left.indexOf(unit), 1);
    const fastened = this.told ? this.fastenedBetween(parts, all) : [];
    for (const part of parts) all.delete(part);
    this.steps.push({
      parts: parts.map(({ key }) => key),
      onto: this.told ? [...all].map(({ key }) => key) : [],
      way: { axis: way.axis, sign: way.sign === 1 ? -1 : 1 },
      fastened,
    });
    if (units.length > 1) this.apart(units);
    else if (parts.length > 1) this.madeUp(parts);
  }

  /** A unit by itself. One with mitres is closed round its panel from all sides at once. */
  private madeUp(unit: readonly Part[]): void {
    const mitred = unit.some(({ machining }) => machining.some(({ kind }) => kind === 'mitre'));
    if (!mitred) this.apart(unit.map((part) => [part]));
    else this.steps.push({ parts: unit.map(({ key }) => key), onto: [], way: undefined, fastened: [] });
  }

  private comesOff(unit: readonly Part[], all: ReadonlySet<Part>, way: Direction): boolean {
    for (const other of this.parts)
      if (all.has(other) && !unit.includes(other))
        for (const part of unit) if (!this.parted(part, other, all, way)) return false;
    return true;
  }

  /** The fewest units that hold each other and come off together. */
  private fewestOff(units: readonly (readonly Part[])[], all: ReadonlySet<Part>) {
    let best: { units: (readonly Part[])[]; way: Direction } | undefined;
    for (const way of WAYS)
      for (const first of units) {
        const together = new Set([first]);
        for (const unit of together)
          for (const other of units)
            if (!together.has(other) && !unit.every((part) => other.every((each) => this.parted(part, each, all, way))))
              together.add(other);
        if (together.size < units.length && (!best || together.size < best.units.length))
          best = { units: [...together], way };
      }
    return best;
  }

  /** True when one part can be moved off another this way: through none of its wood, its dowels drawn, its screws out. */
  private parted(part: Part, other: Part, all: ReadonlySet<Part>, way: Direction): boolean {
    const pair = this.pair(part, other);
    return !this.meets(part, other, pair, way) && this.loosened(part, pair, all, way);
  }

  private meets(part: Part, other: Part, pair: number, way: Direction): boolean {
    const bit = 1 << (way.axis * 2 + (way.sign > 0 ? 1 : 0));
    const found = this.blocked[pair] ?? 0;
    if (found & bit) return (found & (bit << 8)) !== 0;
    const meets =
      blockMeets(part.extent, other.extent, way) && meetsOnTheWay(this.woodOf(part), this.woodOf(other), way);
    this.blocked[pair] = found | bit | (meets ? bit << 8 : 0);
    return meets;
  }

  private woodOf(part: Part): readonly Block[] {
    const known = this.wood.get(part);
    if (known) return known;
    const wood = woodOf(part);
    this.wood.set(part, wood);
    return wood;
  }

  private loosened(part: Part, pair: number, all: ReadonlySet<Part>, way: Direction): boolean {
    const fasteners = this.between.get(pair);
    if (!fasteners) return true;
    for (const fastener of fasteners) {
      const { from, leaving: left } = fastener;
      if (left.driver) {
        if (this.heads.room(fastener, all) < SHORT_DRIVER) return false;
        continue;
      }
      // What stands in the end of one part is drawn out of the other, straight.
      const out = from === part ? 1 : -1;
      const { axis, sign } = axisOut(from, left);
      if (way.axis !== axis || way.sign !== -sign * out) return false;
    }
    return true;
  }

  /** What holds some of the parts to the rest of them. */
  private fastenedBetween(parts: readonly Part[], all: ReadonlySet<Part>): Fastened[] {
    const found = new Map<string, Fastened>();
    for (const part of parts)
      for (const fastener of this.fasteners.get(part) ?? []) {
        const { from, into, leaving: left } = fastener;
        const other = from === part ? into : from;
        if (parts.includes(other) || !all.has(other)) continue;
        const { kind } = left.fastens;
        const key = `${from.key} ${into.key} ${kind}`;
        const known = found.get(key);
        found.set(key, {
          kind,
          count: (known?.count ?? 0) + 1,
          from: from.key,
          into: into.key,
          short: known?.short === true || this.heads.room(fastener, all) < DRIVER,
        });
      }
    return [...found.values()];
  }

  /** Screws without which something would come off. */
  private unreachable(all: ReadonlySet<Part>): Pick<Stuck, 'screws'> {
    for (const part of all)
      for (const fastener of this.fasteners.get(part) ?? []) {
        const { from, into } = fastener;
        if (from !== part || !all.has(into)) continue;
        const before = this.heads.before(fastener).find((other) => all.has(other.part) && other.room < SHORT_DRIVER);
        if (before) return { screws: { from: from.key, into: into.key, before: before.part.key, room: before.room } };
      }
    return {};
  }
}

function add<K>(lists: Map<K, Fastener[]>, key: K, fastener: Fastener): void {
  const known = lists.get(key);
  if (known) known.push(fastener);
  else lists.set(key, [fastener]);
}

/** Which way a dowel leaves the part it stands in. */
function axisOut({ extent }: Part, { tip }: Leaving): Direction {
  for (const axis of [0, 1, 2] as const) {
    if (tip[axis] < extent.min[axis]) return { axis, sign: -1 };
    if (tip[axis] > extent.max[axis]) return { axis, sign: 1 };
  }
  throw new Error('a fastener that leaves its part does not lie within it');
}

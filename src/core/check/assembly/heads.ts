import { gather } from '../../ground/index.js';
import type { AxisIndex, Block, Extent, Operation, Part } from '../../part/index.js';
import { DRIVER, type Leaving } from './fasteners.js';
import { comesNear, firstWood } from './solids.js';

/** A fastener with wood to go into. */
export interface Fastener {
  readonly from: Part;
  readonly into: Part;
  readonly leaving: Leaving;
}

/** What stands before a head, and how far from it (mm). */
interface Before {
  readonly part: Part;
  readonly room: number;
}

/** Whether a driver comes to the heads of screws, and what is in its way. */
export class Heads {
  private readonly known = new Map<Leaving, readonly Before[]>();
  private readonly rows = new Map<Operation, readonly Part[]>();

  constructor(
    private readonly parts: readonly Part[],
    private readonly fastenersOf: (part: Part) => readonly Fastener[],
    private readonly woodOf: (part: Part) => readonly Block[],
  ) {}

  /** How far out of its head a screw's driver is free among some of the parts, up to its whole length (mm). */
  room(fastener: Fastener, all: ReadonlySet<Part>): number {
    let least = DRIVER;
    for (const { part, room } of this.before(fastener)) if (room < least && all.has(part)) least = room;
    return least;
  }

  /** What stands within a driver's length before the head of a screw, and how far from it (mm). */
  before({ from, leaving: left }: Fastener): readonly Before[] {
    if (!left.driver) return [];
    const known = this.known.get(left);
    if (known) return known;
    const [head, end] = left.driver;
    const found: Before[] = [];
    for (const part of this.beforeRow(from, left)) {
      if (firstWood(head, end, [part.extent]) === undefined) continue;
      const share = firstWood(head, end, this.woodOf(part));
      if (share !== undefined) found.push({ part, room: share * DRIVER });
    }
    this.known.set(left, found);
    return found;
  }

  /** What comes near the drivers of a whole row of screws at all: found once for the row. */
  private beforeRow(from: Part, { operation }: Leaving): readonly Part[] {
    const known = this.rows.get(operation);
    if (known) return known;
    const drivers = gather(this.fastenersOf(from), ({ leaving: { operation: of, driver } }) =>
      of === operation && driver ? driver : [],
    );
    const along = (axis: AxisIndex, most: typeof Math.min) => most(...drivers.map((point) => point[axis]));
    const row: Extent = {
      min: [along(0, Math.min), along(1, Math.min), along(2, Math.min)],
      max: [along(0, Math.max), along(1, Math.max), along(2, Math.max)],
    };
    const found = this.parts.filter((part) => part !== from && comesNear(part.extent, row));
    this.rows.set(operation, found);
    return found;
  }
}

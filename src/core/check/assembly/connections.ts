import { type FastenerRow, fastenersOf, overlappingPairs, type Part } from '../../part/index.js';
import { holdsAt, type Leaving, leaving } from './fasteners.js';

/** One fastener, and what it holds; nothing where the wood it is to end in is not there. */
export interface Connection {
  readonly from: Part;
  readonly into: Part | undefined;
  readonly leaving: Leaving;
}

/** Every fastener of construction between the parts of a cabinet. */
export function connectionsOf(parts: readonly Part[], rows: readonly FastenerRow[]): readonly Connection[] {
  const byKey = new Map(parts.map((part) => [part.key, part]));
  const found: Connection[] = [];
  for (const row of rows)
    for (const each of leaving(row)) {
      const wanted = each.into === undefined ? undefined : byKey.get(each.into);
      found.push({ from: row.through, into: wanted && holdsAt(wanted, each.tip) ? wanted : undefined, leaving: each });
    }
  return found;
}

/** How the parts of a cabinet meet: what several rules ask, found once for all of them. */
export interface Meetings {
  readonly connections: readonly Connection[];
  /** Which parts overlap, by their places in the list. */
  readonly overlapping: readonly (readonly [number, number])[];
}

export function meetingsOf(parts: readonly Part[], rows: readonly FastenerRow[] = fastenersOf(parts)): Meetings {
  return { connections: connectionsOf(parts, rows), overlapping: overlappingPairs(parts) };
}

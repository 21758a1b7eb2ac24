import type { Resolved } from '../../decisions/index.js';
import { type Operation, type Part, withMore } from '../../part/index.js';
import { framePocketsClear } from './frame.js';
import { screwedPairs } from './pairs.js';
import { screwRow, type Taken, takenBy } from './screws.js';

type ScrewLines = ReadonlyMap<string, readonly Operation[]>;

/**
 * Screws that hold what is added to a box: its back, end panels, fillers, its plinth or toe. They are placed after all
 * that is bored, clear of it, since they may stand anywhere along what they hold.
 */
export function fixAdded(
  given: readonly Part[],
  linesGiven: ScrewLines,
  resolved: Resolved,
): { readonly parts: readonly Part[]; readonly screwLines: ScrewLines } {
  const { parts, screwLines: before } = framePocketsClear(given, linesGiven);
  const bored = new Map<string, Operation[]>();
  const screwLines = new Map(before);
  const known = new Map<string, Taken[]>();
  const taken = (part: Part): Taken[] => {
    let all = known.get(part.key);
    if (!all) {
      all = [...part.machining, ...(before.get(part.key) ?? [])].map((operation) => takenBy(part, operation));
      known.set(part.key, all);
    }
    return all;
  };
  for (const screwed of screwedPairs(parts, resolved))
    for (const { hole, between, way } of screwRow(screwed, { parts, taken })) {
      const { through, into } = screwed;
      for (const [part, own] of [[through, hole] as const, ...between]) {
        bored.set(part.key, [...(bored.get(part.key) ?? []), own]);
        taken(part).push(takenBy(part, own));
      }
      screwLines.set(into.key, [...(screwLines.get(into.key) ?? []), way]);
      taken(into).push(takenBy(into, way));
    }
  if (bored.size === 0) return { parts, screwLines: before };
  return {
    parts: parts.map((part) => {
      const more = bored.get(part.key);
      return withMore(part, more);
    }),
    screwLines,
  };
}

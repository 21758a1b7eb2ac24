import type { Resolved } from '../document/index.js';
import type { Operation } from '../machining/index.js';
import type { Part } from '../parts/index.js';
import { framePocketsClear } from './frame.js';
import { screwedPairs } from './pairs.js';
import { screwLines, type Taken, takenBy } from './screws.js';

type Ways = ReadonlyMap<string, readonly Operation[]>;

/**
 * Screws that hold what is added to a box: its back, end panels, fillers, its plinth or toe. They are placed after all
 * that is bored, clear of it, since they may stand anywhere along what they hold.
 */
export function fixAdded(
  given: readonly Part[],
  waysGiven: Ways,
  resolved: Resolved,
): { readonly parts: readonly Part[]; readonly paths: Ways } {
  const { parts, paths } = framePocketsClear(given, waysGiven);
  const bored = new Map<string, Operation[]>();
  const ways = new Map(paths);
  const known = new Map<string, Taken[]>();
  const taken = (part: Part): Taken[] => {
    let all = known.get(part.key);
    if (!all) {
      all = [...part.machining, ...(paths.get(part.key) ?? [])].map((operation) => takenBy(part, operation));
      known.set(part.key, all);
    }
    return all;
  };
  for (const screwed of screwedPairs(parts, resolved))
    for (const { hole, between, way } of screwLines(screwed, { parts, taken })) {
      const { through, into } = screwed;
      for (const [part, own] of [[through, hole] as const, ...between]) {
        bored.set(part.key, [...(bored.get(part.key) ?? []), own]);
        taken(part).push(takenBy(part, own));
      }
      ways.set(into.key, [...(ways.get(into.key) ?? []), way]);
      taken(into).push(takenBy(into, way));
    }
  if (bored.size === 0) return { parts, paths };
  return {
    parts: parts.map((part) => {
      const more = bored.get(part.key);
      return more ? { ...part, machining: [...part.machining, ...more] } : part;
    }),
    paths: ways,
  };
}

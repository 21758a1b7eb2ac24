import type { Operation } from '../part/index.js';

/** Operations found part by part in any order, together by the key of their part. */
export function byPart(found: readonly (readonly [key: string, operation: Operation])[]): Map<string, Operation[]> {
  const all = new Map<string, Operation[]>();
  for (const [key, operation] of found) all.set(key, [...(all.get(key) ?? []), operation]);
  return all;
}

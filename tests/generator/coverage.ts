import { APART, buildable, FACTORS, type Factor, LIMIT_ROUND } from './buildable.js';

export interface Coverage {
  readonly seeds: number;
  /** How often each pair of choices was met that can go together, the rarest first. */
  readonly pairs: readonly (readonly [pair: string, count: number])[];
  /** How often each setting was at its lower limit, its upper limit and between, the rarest first. */
  readonly limits: readonly (readonly [use: string, count: number])[];
}

/** Seeds it takes to have every setting at both limits and between this many times. */
export function seedsFor(times: number): number {
  return LIMIT_ROUND * times;
}

function isApart(a: Factor, x: string, b: Factor, y: string): boolean {
  return APART.some(
    ([f, v, g, w]) => (f === a && v === x && g === b && w === y) || (f === b && v === y && g === a && w === x),
  );
}

/** What the cabinets of the first seeds cover between them; nothing is solved. */
export function coverageOf(seeds: number): Coverage {
  const pairs = new Map<string, number>();
  const limits = new Map<string, number>();
  const factors = Object.keys(FACTORS) as Factor[];
  factors.forEach((a, at) => {
    for (const b of factors.slice(at + 1))
      for (const x of FACTORS[a])
        for (const y of FACTORS[b]) if (!isApart(a, x, b, y)) pairs.set(`${a} ${x} + ${b} ${y}`, 0);
  });
  for (let seed = 0; seed < seeds; seed += 1) {
    const { chosen, limit } = buildable(seed);
    const use = `${limit.key} ${limit.at}`;
    limits.set(use, (limits.get(use) ?? 0) + 1);
    factors.forEach((a, at) => {
      for (const b of factors.slice(at + 1)) {
        const pair = `${a} ${chosen[a]} + ${b} ${chosen[b]}`;
        pairs.set(pair, (pairs.get(pair) ?? Number.NaN) + 1);
      }
    });
  }
  const sorted = (counts: Map<string, number>) => [...counts].sort((a, b) => a[1] - b[1]);
  return { seeds, pairs: sorted(pairs), limits: sorted(limits) };
}

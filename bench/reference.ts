/** Fixed work, so that runs on different machines compare, and a run tells whether the machine was quiet. */

/** Arithmetic that touches no memory: how fast the core of the machine is just now. */
export function arithmetic(): number {
  let sum = 0;
  for (let at = 1; at < 200_000; at += 1) sum += Math.sqrt(at) / at;
  return sum;
}

/** Makes and drops 100,000 small objects, as solving does: how fast memory is, and who else uses it. */
export function allocation(): number {
  let sum = 0;
  let kept: { readonly mm: number; readonly terms: readonly unknown[] } = { mm: 0, terms: [] };
  for (let at = 1; at <= 100_000; at += 1) {
    const next = { mm: at, terms: [kept.mm] };
    sum += next.mm - kept.mm;
    kept = next;
  }
  return sum;
}

/** While each reference's p99 is at most so many times its median, nobody else was using the machine. */
export const QUIET = 1.5;

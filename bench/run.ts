/**
 * npm run bench: how long the work of the core takes here, beside what it may take; medians, p99, and multiples of two
 * fixed loops. Nothing is asserted.
 *   --against COMMIT   builds the core of that commit as well and alternates both in one run, pair by pair
 *   --quick            fewer rounds, to look
 *   --core             only the core: no database, no browser
 */
import { performance } from 'node:perf_hooks';
import { Bench } from 'tinybench';
import { inChromium } from './chromium.js';
import { allocation, arithmetic, QUIET } from './reference.js';
import { benchStorage } from './storage.js';
import { type Work, workOf } from './work.js';

const option = (name: string) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};
const quick = process.argv.includes('--quick');
const ROUNDS = quick ? 3 : 9;
/** So long each work is done on end in a round, and how often what takes seconds (ms). */
const ON_END = quick ? 120 : 300;
const LONG_ROUNDS = quick ? 1 : 4;

/** Times of one work, round by round (ms). */
type Rounds = number[][];
interface Side {
  readonly name: string;
  readonly work: ReadonlyMap<string, Work>;
  readonly times: Map<string, Rounds>;
}

const sideOf = (name: string, work: readonly Work[]): Side => ({
  name,
  work: new Map(work.map((each) => [each.name, each])),
  times: new Map(),
});

const median = (times: readonly number[]) => at(times, 0.5);
function at(times: readonly number[], share: number): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN;
}

/** Does one work for a while; its times, one by one. */
async function timesOf(run: () => unknown, long: boolean): Promise<number[]> {
  if (long) {
    const begun = performance.now();
    run();
    return [performance.now() - begun];
  }
  const bench = new Bench({ time: ON_END, iterations: 3, warmup: false, retainSamples: true });
  bench.add('work', () => {
    run();
  });
  const [task] = await bench.run();
  const result = task?.result;
  return result && 'latency' in result ? [...(result.latency.samples ?? [])] : [];
}

async function round(side: Side, name: string): Promise<void> {
  const work = side.work.get(name);
  if (!work) return;
  side.times.set(name, [...(side.times.get(name) ?? []), await timesOf(work.run, work.long === true)]);
}

const own = sideOf('now', workOf());
const old = process.env.ALCOVE_BENCH_AGAINST;
const other = old ? sideOf('before', ((await import(old)) as { workOf(): Work[] }).workOf()) : undefined;
const sides = other ? [own, other] : [own];
const references = sideOf('reference', [
  { name: 'arithmetic', target: '', run: arithmetic },
  { name: '100,000 small objects', target: '', run: allocation },
]);

// Once without counting: what is first compiled is not what is measured.
for (const side of [references, ...sides])
  for (const { run, long } of side.work.values()) if (!long) await timesOf(run, false);
for (let turn = 0; turn < ROUNDS; turn += 1)
  for (const { name, long } of own.work.values()) {
    if (long && turn >= LONG_ROUNDS) continue;
    // What the work before left behind is not theirs.
    globalThis.gc?.();
    for (const reference of references.work.keys()) await round(references, reference);
    // Whoever comes second finds the other's rubbish: they take turns.
    for (const side of turn % 2 === 0 ? sides : [...sides].reverse()) await round(side, name);
  }

const all = (side: Side, name: string) => (side.times.get(name) ?? []).flat();
const fixed = (value: number, digits = 3) => value.toFixed(digits);
const [sum, made] = [...references.work.keys()].map((name) => median(all(references, name))) as [number, number];
const quiet = [...references.work.keys()].map((name) => {
  const times = all(references, name);
  return { name, median: median(times), p99: at(times, 0.99) };
});
console.table(
  quiet.map(({ name, median: middle, p99 }) => ({
    reference: name,
    'median ms': fixed(middle),
    'p99 ms': fixed(p99),
    'p99 / median': fixed(p99 / middle, 2),
  })),
);
const ratiosOf = (name: string) => {
  const [mine, theirs] = [own.times.get(name) ?? [], other?.times.get(name) ?? []];
  return mine.flatMap((times, turn) => (theirs[turn] ? [median(times) / median(theirs[turn])] : []));
};
console.table(
  [...own.work.values()].map(({ name, target }) => {
    const times = all(own, name);
    const ratios = ratiosOf(name);
    return {
      work: name,
      'median ms': fixed(median(times)),
      'p99 ms': times.length > 20 ? fixed(at(times, 0.99)) : '',
      target,
      'times arithmetic': fixed(median(times) / sum, 2),
      'times objects': fixed(median(times) / made, 2),
      ...(other
        ? {
            'before, median ms': fixed(median(all(other, name))),
            'now / before': ratios.length > 0 ? fixed(median(ratios)) : '',
            'pair by pair': ratios.map((ratio) => fixed(ratio, 2)).join(' '),
          }
        : {}),
    };
  }),
);
const growth = (many: string, sixty: string) => median(all(own, many)) / median(all(own, sixty)) / (1000 / 60);
console.log(
  `growth from 60 to 1,000 cabinets: ${fixed(growth('1,000 cabinets, several alike, from nothing', '60 cabinets, several alike, from nothing'), 2)} times linear, unlike ones ${fixed(growth('1,000 unlike cabinets from nothing', '60 unlike cabinets from nothing'), 2)}`,
);
if (!process.argv.includes('--core')) {
  console.table(await benchStorage());
  console.log(await inChromium());
}
const loud = quiet.filter(({ median: middle, p99 }) => p99 > QUIET * middle);
console.log(
  loud.length === 0
    ? `the machine was quiet: these figures count${option('against') ? `, against ${option('against')}` : ''}`
    : `the machine was not quiet (${loud.map(({ name }) => name).join(', ')}: p99 over ${QUIET} times the median): these figures do not count${other ? '; the ratios of pairs say more than they' : ''}`,
);

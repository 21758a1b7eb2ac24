/** npm run bench:sheets: how many sheets each method takes in how long, beside what is provably needed. Nothing is asserted. */
import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import type { Job, Method } from '../src/core/decisions/index.js';
import {
  areaBound,
  boundOf,
  demandOf,
  type PackProblem,
  pack,
  plainCutting,
  planFor,
  stockOf,
  USUAL_WAY,
} from '../src/core/shop/index.js';
import { readJobText, solve } from '../src/core/solve/index.js';
import { classic } from '../tests/sheets/instances.js';
import { bestOfRandom, firstFit } from '../tests/sheets/references.js';
import { manyCabinets } from './jobs.js';

const now = () => performance.now();
const quick = process.argv.includes('--quick');
const SECONDS = quick ? [0.2] : [0.2, 2];
const LONGER = quick || process.argv.includes('--not-longest') ? [] : [10];

/** Sums over the instances of a group. */
class Sums {
  private readonly sums = new Map<string, number>();
  add(name: string, value: number): void {
    this.sums.set(name, (this.sums.get(name) ?? 0) + value);
  }
  over(name: string, under: string): string {
    const share = ((this.sums.get(name) ?? 0) / (this.sums.get(under) ?? 1) - 1) * 100;
    return `${this.sums.get(name)} (${share >= 0 ? '+' : ''}${share.toFixed(2)} %)`;
  }
  print(title: string, under: string): void {
    console.log(`\n${title}`);
    for (const name of this.sums.keys()) console.log(`  ${name.padEnd(34)} ${this.over(name, under)}`);
  }
}

function measure(sums: Sums, problem: PackProblem): void {
  const { stock } = stockOf(plainCutting(problem));
  sums.add('area bound', areaBound(stock));
  sums.add('best proven bound', boundOf(stock));
  sums.add('first fit by decreasing area', firstFit(problem));
  sums.add('best of 200 random orders', bestOfRandom(problem, 200));
  for (const method of ['strips', 'guillotine', 'nested'] as const satisfies readonly Method[])
    for (const seconds of [...SECONDS, ...(method === 'guillotine' ? LONGER : [])]) {
      const { sheets } = pack({ ...problem, method }, { seconds, now });
      sums.add(`${method}, ${seconds} s`, sheets.length);
    }
}

/** The sheets of a job as plain problems: what is in stock is left out, so that the references can be asked the same. */
function problemsOf(job: Job): PackProblem[] {
  const { trim, kerf } = job.workshop.cutting;
  return demandOf(solve(job).cabinets).map((demand) => ({
    sheet: { ...demand.material.sheet, trim },
    kerf,
    method: 'guillotine',
    parts: planFor(job, demand, USUAL_WAY).problem.parts.map(({ id, length, width, quantity, turn }) => ({
      id,
      length,
      width,
      quantity,
      turn,
    })),
  }));
}

const all = new Sums();
for (let number = 1; number <= 10; number += 1) {
  const own = new Sums();
  for (const pieces of [20, 40, 60, 80, 100])
    for (const seed of [1, 2]) {
      const problem = classic(number, pieces, seed);
      measure(own, problem);
      measure(all, problem);
    }
  own.print(`class ${number}`, 'best proven bound');
}
all.print('all classes, over the best proven bound (target: guillotine at 2 s within 2 %)', 'best proven bound');

const jobs = new Sums();
const demo = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
const cabinetJobs = [...(demo.ok ? [demo.value] : []), ...[10, 30, 60, 120].map(manyCabinets)];
for (const job of cabinetJobs) for (const problem of problemsOf(job)) measure(jobs, problem);
jobs.print(
  'cabinet jobs, over the first reference (targets: 3 % under it; strips within 1 % of guillotine)',
  'first fit by decreasing area',
);
const sixty = problemsOf(manyCabinets(60));
const begun = now();
for (const problem of sixty) pack(problem, { steps: 0 });
console.log(`\nfirst valid layout of 60 cabinets: ${(now() - begun).toFixed(0)} ms (may be 1000)`);
console.log(`memory: ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB (may be 500 at 120 cabinets)`);

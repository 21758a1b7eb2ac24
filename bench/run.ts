/** npm run bench: how long the work takes here, beside what it may take. Medians and p99; nothing is asserted. */
import { readFileSync } from 'node:fs';
import { Bench } from 'tinybench';
import { type Cabinet, type Job, readJobText } from '../src/core/document/index.js';
import { pathTo } from '../src/core/job/index.js';
import { findClashes } from '../src/core/machining/index.js';
import { createSolver, solve, solveCabinet } from '../src/core/solve.js';
import { createBenchStore } from '../src/islands/bench/store.js';
import { manyCabinets } from './jobs.js';
import { benchStorage } from './storage.js';

const demo = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
if (!demo.ok) throw new Error('the demo job is not valid');
const one = demo.value;
const sixty = manyCabinets(60);
const large = manyCabinets(1000);
const solved = solve(sixty);
const solver = createSolver();
solver(sixty);
let width = 400;

/** Fixed arithmetic, so that runs on different machines compare: every figure is also given as a multiple of it. */
function reference(): number {
  let sum = 0;
  for (let at = 1; at < 200_000; at += 1) sum += Math.sqrt(at) / at;
  return sum;
}

/** An edit as the bench makes it: checked, solved, its consequences told. */
function editing(job: Job): () => void {
  const store = createBenchStore(job, null);
  const [, cabinet] = job.cabinets as [Cabinet, Cabinet];
  const path = pathTo.cabinetField(cabinet.id, 'size/width');
  let at = 0;
  return () => {
    at = (at + 1) % 300;
    store.getState().act({ label: 'Width', edits: [{ path, value: 450 + at }] });
  };
}

const editSixty = editing(sixty);
const editMany = editing(manyCabinets(300));

const bench = new Bench({ time: 4000, warmupTime: 2000 });
bench.add('reference loop|', () => {
  reference();
});
bench
  .add('one cabinet after an edit|2 ms, p99 8 ms', () => {
    const [cabinet] = one.cabinets as [Cabinet];
    width = 400 + ((width + 1) % 800);
    solveCabinet(one, { ...cabinet, size: { ...cabinet.size, width } });
  })
  .add('60 cabinets from nothing|120 ms', () => {
    solve(sixty);
  })
  .add('60 cabinets after one edit|5 ms', () => {
    const cabinets = [...sixty.cabinets];
    const cabinet = cabinets[30] as Cabinet;
    width = 400 + ((width + 1) % 800);
    cabinets[30] = { ...cabinet, size: { ...cabinet.size, width } };
    solver({ ...sixty, cabinets });
  })
  .add('clearances in 60 cabinets|within the 120 ms above', () => {
    for (const { parts } of solved.cabinets)
      for (const { machining, length, width, thickness } of parts)
        findClashes(machining, { length: length.mm, width: width.mm, thickness: thickness.mm }, 2);
  });
bench.add('store.act at 60 cabinets|4 ms', editSixty).add('store.act at 300 cabinets|6 ms', editMany);
await bench.run();
// A second or two each: a few times are enough.
const long = new Bench({ time: 0, iterations: 5, warmupTime: 0, warmupIterations: 1 });
long.add('1,000 cabinets from nothing|linear: 1000/60 of the 60', () => {
  solve(large);
});
await long.run();

const rows = [...bench.tasks, ...long.tasks].map((task) => {
  const [name, target] = task.name.split('|');
  const latency = 'latency' in task.result ? task.result.latency : undefined;
  return { work: name, 'median ms': latency?.p50?.toFixed(3), 'p99 ms': latency?.p99?.toFixed(3), target };
});
const unit = Number(rows[0]?.['median ms'] ?? Number.NaN);
const median = (name: string) => Number(rows.find((row) => row.work === name)?.['median ms'] ?? Number.NaN);
const growth = median('1,000 cabinets from nothing') / median('60 cabinets from nothing') / (1000 / 60);
console.table([
  ...rows.map((row) => ({ ...row, 'times the reference': (Number(row['median ms']) / unit).toFixed(2) })),
  ...(await benchStorage()),
]);
console.log(`growth from 60 to 1,000 cabinets: ${growth.toFixed(2)} times linear`);

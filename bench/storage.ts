import { rmSync } from 'node:fs';
import { countedIds, newCabinet, pathTo } from '../src/core/decisions/index.js';
import { newJob } from '../src/core/solve/index.js';
import { openDatabase } from '../src/server/database.js';
import { createJob } from '../src/server/jobs.js';
import { listJobs } from '../src/server/list.js';
import { saveEdits } from '../src/server/save.js';
import { temporaryFolder } from '../tests/support/server.js';

function timed(times: number, act: (at: number) => void): { 'median ms': string; 'p99 ms': string } {
  const taken = Array.from({ length: times }, (_, at) => {
    const start = performance.now();
    act(at);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const at = (share: number) => (taken[Math.min(taken.length - 1, Math.floor(taken.length * share))] ?? 0).toFixed(3);
  return { 'median ms': at(0.5), 'p99 ms': at(0.99) };
}

/** Saves into a job of 60 cabinets and lists 1,000 jobs, on a database of their own. */
export async function benchStorage() {
  const folder = temporaryFolder();
  const db = openDatabase(folder);
  const job = newJob('Sixty', 'metric');
  const ids = countedIds();
  for (let at = 0; at < 60; at += 1) job.cabinets.push(newCabinet(job, 'base', ids));
  const { id } = createJob(db, job);
  const [cabinet] = job.cabinets;
  if (!cabinet) throw new Error('no cabinet');
  const save = timed(300, (at) => {
    const width = { path: pathTo.cabinetField(cabinet.id, 'size/width'), value: 400 + at };
    saveEdits(db, id, { version: at + 1, label: 'width', edits: [width] });
  });
  const small = newJob('Job', 'metric');
  for (let at = 0; at < 3; at += 1) small.cabinets.push(newCabinet(small, at === 2 ? 'wall' : 'base', ids));
  for (let at = 0; at < 1000; at += 1) createJob(db, { ...small, name: `Job ${at}` });
  const list = timed(40, () => {
    listJobs(db);
  });
  db.close();
  rmSync(folder, { recursive: true });
  return [
    { work: 'save one cabinet of 60', ...save, target: '10 ms' },
    { work: 'list 1,000 jobs', ...list, target: '50 ms' },
  ];
}

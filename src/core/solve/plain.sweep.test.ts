import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { buildable } from '../../../tests/generator/buildable.js';
import { jobWith } from '../../../tests/support/cabinets.js';
import type { Job } from '../decisions/index.js';
import { revived } from '../ground/index.js';
import { drawElevation, drawPanel, drawSection, presentJob } from '../present/index.js';
import { readJobText } from './index.js';
import { type SolvedJob, solve } from './solve.js';

const demo = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));

/** Every drawing of a job, as plain data. */
function drawn({ cabinets }: SolvedJob): string {
  const drawings = cabinets.flatMap((solved) => [
    drawElevation(solved, ''),
    drawSection(solved, ''),
    ...solved.parts.map((part) => drawPanel(part, 1, '', '', solved)),
  ]);
  return JSON.stringify(drawings);
}

test('what solve gives survives a clone to a worker: no functions, no getters, nothing lost on the way', () => {
  assert.ok(demo.ok);
  const jobs: Job[] = [demo.value, ...Array.from({ length: 25 }, (_, seed) => jobWith(buildable(seed).decisions))];
  for (const job of jobs) {
    const solved = solve(job);
    const clone = structuredClone(solved);
    assert.deepEqual(JSON.parse(JSON.stringify(clone)), JSON.parse(JSON.stringify(solved)));
    const back = revived(clone);
    assert.deepStrictEqual(presentJob(back, { tape: true }), presentJob(solved, { tape: true }));
    assert.equal(drawn(back), drawn(solved));
  }
});

test('a result holds no getter that would solve', () => {
  assert.ok(demo.ok);
  const seen = new Set<object>();
  const walk = (value: unknown, path: string): void => {
    if (typeof value === 'function') assert.fail(`${path} is a function`);
    if (typeof value !== 'object' || value === null || seen.has(value)) return;
    seen.add(value);
    for (const [key, { get }] of Object.entries(Object.getOwnPropertyDescriptors(value)))
      if (get) assert.fail(`${path}/${key} is a getter`);
    if (value instanceof Map) for (const [key, entry] of value) walk(entry, `${path}/${key}`);
    else for (const [key, entry] of Object.entries(value)) walk(entry, `${path}/${key}`);
  };
  walk(solve(demo.value), '');
});

import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { jobWith } from '../../../../tests/support/cabinets.js';
import type { Job, SheetLayout } from '../../decisions/index.js';
import { readJobText, type SolvedCabinet, solve } from '../../solve/index.js';
import { demandOf, layOut, planFor, proposalOf, USUAL_WAY } from '../sheets/index.js';
import { type SetUp, setUpsOf } from './index.js';

const demo = (name: string): Job => {
  const read = readJobText(readFileSync(`demo/${name}.alcove.json`, 'utf8'));
  assert.ok(read.ok);
  return read.value;
};

function acceptedOf(job: Job, cabinets: readonly SolvedCabinet[]): SheetLayout[] {
  return demandOf(cabinets).map((demand) => {
    const plan = planFor(job, demand, USUAL_WAY);
    return proposalOf(plan, layOut(plan.problem, { steps: 0 })).layout;
  });
}

/** Goes through the set-ups as one works, part by part, and says where an edge was used that is not there yet. */
function walk(setUps: readonly SetUp[]): string[] {
  const wrong: string[] = [];
  const done = new Map<string, Set<string>>();
  for (const { station, what, pieces } of setUps)
    for (const { mark, part, edges } of pieces) {
      const state = done.get(mark) ?? new Set<string>();
      done.set(mark, state);
      const banded = new Set<string>(part.bands.map(({ edge }) => edge));
      for (const edge of edges) {
        if (station === 'rip' || station === 'crosscut') {
          if (state.has(edge)) wrong.push(`${mark}: ${edge} is sawn twice`);
          state.add(edge);
          continue;
        }
        if (!state.has(edge)) wrong.push(`${mark}: ${edge} is not sawn yet at "${what}"`);
        if (station === 'band' || station === 'band-strips') {
          if (!banded.has(edge)) wrong.push(`${mark}: ${edge} gets no band`);
          state.add(`${edge} banded`);
        } else if (banded.has(edge) && !state.has(`${edge} banded`))
          wrong.push(`${mark}: ${edge} is measured from before it is banded, at "${what}"`);
      }
    }
  for (const [mark, state] of done)
    for (const edge of ['u0', 'u1', 'v0', 'v1']) if (!state.has(edge)) wrong.push(`${mark}: ${edge} is never sawn`);
  return wrong;
}

test('no set-up uses an edge before it exists, and every edge is sawn once: demo jobs and random cabinets', () => {
  let [count, banded] = [0, 0];
  const look = (cabinets: readonly SolvedCabinet[], layouts: readonly SheetLayout[]) => {
    const setUps = setUpsOf(cabinets, layouts);
    assert.deepEqual(walk(setUps), []);
    count += setUps.length;
    banded += setUps.filter(({ station }) => station === 'band-strips').length;
  };
  for (const name of ['reading-room', 'issue-desk']) {
    const job = demo(name);
    const { cabinets } = solve(job);
    look(cabinets, []);
    look(cabinets, acceptedOf(job, cabinets));
  }
  for (let seed = 1; seed <= 60; seed += 1) {
    const job = jobWith(buildable(seed).decisions);
    const { cabinets } = solve(job);
    look(cabinets, acceptedOf(job, cabinets));
  }
  console.log(`${count} set-ups, ${banded} of whole strips to band`);
  assert.ok(banded > 0);
});

test('each setting stands once, with every piece: all cuts and holes of all parts are at one', () => {
  const { cabinets } = solve(demo('reading-room'));
  const setUps = setUpsOf(cabinets, []);
  assert.equal(new Set(setUps.map(({ id }) => id)).size, setUps.length);
  for (const { id } of setUps) assert.match(id, /^[a-zA-Z0-9_-]{1,40}$/);
  for (const { station, pieces } of setUps)
    if (station === 'rip' || station === 'crosscut') {
      const sizes = new Set(
        pieces.map(({ part, edges }) => (edges[0] === 'v0' ? part.cutWidth.value : part.cutLength.value).toFixed(2)),
      );
      assert.equal(sizes.size, 1);
    }
  // Counted from the parts alone.
  const widths = new Set<string>();
  let operations = 0;
  for (const { rows } of cabinets)
    for (const { part } of rows) {
      if (part.bought) continue;
      widths.add((part.grainRuns === 'width' ? part.cutLength : part.cutWidth).value.toFixed(2));
      operations += part.machining.length;
    }
  assert.equal(setUps.filter(({ station }) => station === 'rip').length, widths.size);
  const fences = setUps.filter(({ station }) => station === 'rip').map(({ fence }) => fence?.value ?? 0);
  assert.deepEqual(
    fences,
    [...fences].sort((a, b) => b - a),
    'wide before narrow',
  );
  const machined = setUps.filter(({ station }) => !['rip', 'crosscut', 'band', 'band-strips'].includes(station));
  const at = machined.reduce((sum, { pieces }) => sum + pieces.length, 0);
  assert.ok(at > operations / 2 && at <= operations, `${at} of ${operations} cuts and holes`);
  assert.ok(machined.some(({ creep }) => creep));
});

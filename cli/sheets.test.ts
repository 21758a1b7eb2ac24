import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { wrongWith } from '../tests/sheets/check.js';

const alcove = (...args: string[]) =>
  spawnSync(process.execPath, ['cli/alcove.mjs', ...args], { encoding: 'utf8', maxBuffer: 1 << 26 });
const folder = mkdtempSync(join(tmpdir(), 'alcove-pack-'));
const fileOf = (problem: unknown) => {
  const file = join(folder, 'problem.json');
  writeFileSync(file, typeof problem === 'string' ? problem : JSON.stringify(problem));
  return file;
};
const part = (id: string, length: number, width: number, quantity: number, turn = false) => ({
  id,
  length,
  width,
  quantity,
  turn,
});
const problem = {
  sheet: { length: 2440, width: 1220, trim: 10 },
  kerf: 3.2,
  method: 'guillotine',
  parts: [part('side', 770, 560, 8), part('shelf', 560, 300, 4, true)],
};

test('pack prints a layout that can be cut, the same for the same steps and seed, and what bounds it', () => {
  for (const method of ['strips', 'guillotine', 'nested']) {
    const args = ['pack', fileOf({ ...problem, method }), '--steps', '20', '--seed', '3'];
    const { status, stdout } = alcove(...args);
    assert.equal(status, 0);
    const layout = JSON.parse(stdout);
    assert.deepEqual(wrongWith({ ...problem, method }, { ...layout, unplaced: [] }), []);
    assert.deepEqual([layout.sheets.length, layout.bound, layout.unplaced], [2, 2, undefined]);
    assert.equal(alcove(...args).stdout, stdout);
  }
});

test('a part that fits no sheet stands apart with its reason, code 2; what is left out has its usual value', () => {
  const long = {
    sheet: { length: 1000, width: 500 },
    parts: [{ id: 'a', length: 400, width: 900 }, part('b', 100, 100, 3)],
  };
  const { status, stdout } = alcove('pack', fileOf(long), '--steps', '1');
  assert.equal(status, 2);
  const { sheets, unplaced } = JSON.parse(stdout);
  assert.equal(sheets.length, 1);
  assert.deepEqual([unplaced[0].id, unplaced[0].quantity], ['a', 1]);
  assert.match(unplaced[0].reason, /does not fit 1000 by 500 mm, and it may not be turned/);
});

test('what cannot be read is told in one sentence, code 1', () => {
  const wrong: [unknown, string[], RegExp][] = [
    ['{', [], /is not JSON/],
    [[], [], /object/],
    [{ ...problem, parts: [part('a', -5, 10, 1)] }, [], /parts\/0\/length/],
    [{ ...problem, kerf: 'wide' }, [], /kerf/],
    [{ ...problem, sheet: { length: 15, width: 20, trim: 10 } }, [], /nothing is left/i],
    [{ ...problem, parts: [part('a', 5, 5, 1), part('a', 6, 6, 1)] }, [], /id of its own/i],
    [problem, ['--method', 'axe'], /--method takes one of/],
    [problem, ['--stages', '1'], /--stages takes a number from 2/],
    [problem, ['--steps', '5', '--seconds', '1'], /one of --seconds and --steps/],
    [problem, ['--seed', 'x'], /--seed/],
    [problem, ['--steps', '1.5'], /whole number/],
  ];
  for (const [what, more, says] of wrong) {
    const { status, stderr, stdout } = alcove('pack', fileOf(what), ...more);
    assert.equal(status, 1, stderr);
    assert.match(stderr, says);
    assert.equal(stderr.trim().split('\n').length, 1);
    assert.equal(stdout, '');
  }
  assert.equal(alcove('pack', join(folder, 'none.json')).status, 1);
});

test('sheets lays out a job: every part that is cut from sheets, once for each that there is', () => {
  const { status, stdout } = alcove(
    'sheets',
    'demo/reading-room.alcove.json',
    '--method',
    'guillotine',
    '--steps',
    '2',
    '--json',
  );
  assert.equal(status, 0);
  const { materials } = JSON.parse(stdout) as {
    materials: { name: string; material: string; sheets: { placements: { id: string }[] }[]; bound: number }[];
  };
  const solved = JSON.parse(alcove('solve', 'demo/reading-room.alcove.json').stdout) as {
    cabinets: { parts: { mark: string; quantity: number }[] }[];
  };
  const quantities = new Map(
    solved.cabinets.flatMap(({ parts }) => parts.map((each) => [each.mark, each.quantity] as const)),
  );
  assert.ok(materials.length >= 3);
  const laid = materials.reduce(
    (sum, { sheets }) => sum + sheets.reduce((all, { placements }) => all + placements.length, 0),
    0,
  );
  assert.ok(laid > 100, `${laid} pieces`);
  for (const { sheets, bound } of materials) assert.ok(sheets.length >= bound && bound >= 1);
  const counts = new Map<string, number>();
  for (const { id } of materials.flatMap(({ sheets }) => sheets.flatMap(({ placements }) => placements)))
    counts.set(id, (counts.get(id) ?? 0) + 1);
  for (const [mark, count] of counts) assert.equal(count, quantities.get(mark), mark);
  assert.match(
    alcove('sheets', 'demo/reading-room.alcove.json', '--steps', '1').stdout,
    /strips first: \d+ sheets?; (fewer than|\d+ might)/,
  );
});

test('a search that is interrupted prints the best that was found so far', async () => {
  const hard = {
    ...problem,
    parts: Array.from({ length: 40 }, (_, at) =>
      part(`p${at}`, 300 + ((at * 97) % 700), 200 + ((at * 61) % 500), 2, true),
    ),
  };
  const child = spawn(process.execPath, [
    'cli/alcove.mjs',
    'pack',
    fileOf({ ...hard, method: 'strips' }),
    '--seconds',
    '300',
  ]);
  let out = '';
  child.stdout.on('data', (chunk: Buffer) => {
    out += chunk.toString();
  });
  await new Promise((go) => setTimeout(go, 6000));
  child.kill('SIGINT');
  const code = await new Promise((done) => child.once('exit', done));
  const layout = JSON.parse(out);
  assert.equal(code, 0);
  assert.deepEqual(wrongWith({ ...hard, method: 'strips' }, { ...layout, unplaced: [] }), []);
});

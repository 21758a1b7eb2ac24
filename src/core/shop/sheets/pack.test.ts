import assert from 'node:assert/strict';
import { test } from 'node:test';
import { METHODS, type Method } from '../../decisions/index.js';
import { layOut, lookFor, Packer } from './pack.js';
import type { CuttingProblem, SheetSupply } from './supply.js';

const SHEET: SheetSupply = { id: 'whole', length: 1000, width: 600, trim: 0, price: 1, offcut: false };

const problem = (method: Method, more: Partial<CuttingProblem> = {}): CuttingProblem => ({
  method,
  kerf: 3,
  goals: { first: 'sheets', next: 'nothing' },
  sheets: [SHEET],
  parts: Array.from({ length: 150 }, (_, at) => ({
    id: `p${at + 1}`,
    length: 130 + ((at * 97) % 331),
    width: 90 + ((at * 53) % 223),
    quantity: 1,
    turn: at % 2 === 0,
  })),
  ...more,
});

test('what stays at one edge of a sheet is left alone by every method, in every way a sheet is filled', () => {
  const stays = [
    { x: 0, y: 0, length: 300, width: 600 },
    { x: 0, y: 0, length: 1000, width: 200 },
    { x: 700, y: 0, length: 300, width: 600 },
  ];
  for (const method of Object.keys(METHODS) as Method[])
    for (const area of stays) {
      const whole = problem(method);
      const sheets = [{ ...SHEET, id: 'begun', fixed: [area] }, SHEET];
      const { sheets: laid, unplaced } = layOut({ ...whole, sheets, parts: whole.parts.slice(0, 70) }, { steps: 6 });
      assert.deepEqual(unplaced, []);
      const begun = laid.filter(({ from }) => from === 'begun');
      assert.equal(begun.length, 1);
      assert.ok(begun[0]?.placements.length, `${method}: nothing is laid beside it`);
      for (const { id, x, y, length, width } of begun[0]?.placements ?? []) {
        const apart =
          Math.max(area.x - x - length, x - area.x - area.length) > -1e-6 ||
          Math.max(area.y - y - width, y - area.y - area.width) > -1e-6;
        assert.ok(apart, `${method}: ${id} lies on what stays`);
      }
    }
});

test('a step that is begun in a turn is ended in it, however short turns are; at the end of the time it is given up', () => {
  // A clock that goes on whenever somebody looks at it.
  const clock = () => {
    let at = 0;
    return () => {
      at += 1;
      return at;
    };
  };
  const found = (effort: (now: () => number) => Parameters<typeof lookFor>[1]) => {
    const packer = new Packer(problem('guillotine'));
    const now = clock();
    for (let turn = 0; turn < 40 && !packer.done; turn += 1) lookFor(packer, effort(now));
    return packer.packing.sheets.length;
  };
  const inSteps = layOut(problem('guillotine'), { steps: 40 }).sheets.length;
  const first = layOut(problem('guillotine'), { steps: 0 }).sheets.length;
  assert.ok(inSteps < first, `${inSteps} after some steps, ${first} at first: there is nothing to find`);
  assert.ok(found((now) => ({ seconds: 0.002, latest: Number.POSITIVE_INFINITY, now })) <= inSteps);
  assert.equal(
    found((now) => ({ seconds: 0.002, now })),
    first,
  );
});

test('pieces of one size are each laid once, and those there is no sheet for are told by their ids', () => {
  const parts = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, length: 480, width: 280, quantity: 2, turn: false }));
  const { sheets, unplaced } = layOut(problem('strips', { parts, sheets: [{ ...SHEET, count: 2 }] }), { steps: 3 });
  const ids = sheets.flatMap(({ placements }) => placements.map(({ id }) => id));
  assert.deepEqual(ids.sort(), ['a', 'a', 'b', 'b', 'c', 'c', 'd', 'd']);
  assert.deepEqual(
    unplaced.map(({ id, quantity }) => [id, quantity]),
    [['e', 2]],
  );
});

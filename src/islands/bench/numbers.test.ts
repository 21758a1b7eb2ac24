import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../tests/generator/buildable.js';
import { solveWith } from '../../../tests/support/cabinets.js';
import { numbersOf } from '../../core/part/index.js';
import { drawElevation, machiningTable } from '../../core/present/index.js';
import type { SolvedCabinet } from '../../core/solve/index.js';
import { numberOn, shownAt } from './numbers.js';

test('every number of a table of machining is found again as itself, those of one name as well', () => {
  let [checked, alike] = [0, 0];
  for (let seed = 0; seed < 20; seed += 1) {
    const solved = solveWith(buildable(seed).decisions);
    for (const part of solved.parts)
      for (const [row, shown] of machiningTable(part).entries()) {
        const numbers = numbersOf(shown);
        if (new Set(numbers.map(({ label }) => label)).size < numbers.length) alike += 1;
        for (const [at, dim] of numbers.entries()) {
          const found = numberOn(solved, { drawings: {} }, shownAt('cut', part.key, row, at));
          assert.ok(found?.label === dim.label && found.value === dim.value, `${part.key}, row ${row}, ${dim.label}`);
          checked += 1;
        }
      }
  }
  assert.ok(checked > 1000 && alike > 50, `${checked} checked, ${alike} rows with several of one name`);
});

test('a number that stands on a drawing only is found by the view that draws it, and an address nobody made leads nowhere', () => {
  const solved = solveWith({});
  const drawings = { front: (each: SolvedCabinet) => drawElevation(each, '') };
  const [item] = drawElevation(solved, '').dimensions;
  assert.ok(item);
  assert.equal(numberOn(solved, { drawings }, shownAt('drawn', 'front', item.id))?.value, item.dim.value);
  for (const odd of [
    'drawn:front:nothing',
    'drawn:plan:width',
    'drawn',
    'cut:%E0%A4%A:0:0',
    'cut:bottom:x:y',
    'sag:bottom:depth',
    'constructor:a',
  ])
    assert.equal(numberOn(solved, { drawings }, odd), undefined, odd);
});

import assert from 'node:assert/strict';
import { test } from 'node:test';
import {
  DerivationTable,
  diagonal,
  largest,
  length,
  mean,
  namedTerms,
  plain,
  setting,
  smallest,
  solved,
  sumOf,
  tape,
  tapeText,
} from './index.js';

const here = { kind: 'here' } as const;
const side = setting('side thickness', 17.8, { kind: 'measured', note: 'batch 2' });
const width = setting('overall width', 800, here);
const inside = width.minus(side.times(2)).as('inside width');
const depth = setting('groove depth', 8, { kind: 'house' });
const ease = setting('ease', 0.5, { kind: 'house' });
const back = inside.plus(depth.minus(ease).times(2)).as('back width');
const show = (value: number) => String(Math.round(value * 1000) / 1000);

test('the number and its tape come from the same computation', () => {
  assert.ok(Math.abs(back.value - 779.4) < 1e-9);
  assert.equal(tapeText(back, show), 'inside width 764.4 + (groove depth 8 − ease 0.5) × 2');
  assert.equal(tapeText(inside, show), 'overall width 800 − side thickness 17.8 × 2');
  assert.equal(tapeText(width, show), '800');
});

test('a sum is laid out line by line with its signs, unnamed sums folded in', () => {
  const total = length(0).plus(width.minus(side).minus(ease)).minus(depth).as('total');
  assert.deepEqual(
    tape(total).lines.map((line) => line.sign),
    ['', '+', '−', '−', '−'],
  );
  const turned = width.minus(depth.minus(ease)).as('turned');
  assert.equal(tapeText(turned, show), 'overall width 800 − groove depth 8 + ease 0.5');
  assert.ok(Math.abs(turned.value - 792.5) < 1e-9);
});

test('brackets stand only where the arithmetic needs them', () => {
  assert.equal(tapeText(width.minus(side).over(2).as('a'), show), '(overall width 800 − side thickness 17.8) ÷ 2');
  assert.equal(tapeText(width.over(side.times(2)).as('b'), show), 'overall width 800 ÷ (side thickness 17.8 × 2)');
  assert.equal(tapeText(width.times(2).over(3).as('c'), show), 'overall width 800 × 2 ÷ 3');
});

test('a named number keeps its name when it is named again', () => {
  const stretcher = inside.as('stretcher length');
  assert.equal(stretcher.value, inside.value);
  assert.equal(tapeText(stretcher, show), 'inside width 764.4');
  assert.equal(inside.as('inside width'), inside);
});

test('choices, means and diagonals say what they are', () => {
  assert.equal(tapeText(smallest(side, depth).as('s'), show), 'the smallest of side thickness 17.8, groove depth 8');
  assert.equal(largest(side, depth).value, 17.8);
  assert.equal(mean([side, setting('second', 18, here)]).value, 17.9);
  assert.equal(diagonal(length(3), length(4)).value, 5);
  assert.equal(sumOf([side, depth, ease]).value, 26.3);
  assert.equal(plain(2).power(3).value, 8);
  assert.equal(width.over(side).measure, 'plain');
  assert.equal(solved('ratio', 1.3, 'plain', [width], 'it closes').reason, 'it closes');
  assert.equal(width.because('so').because('and so').reason, 'so; and so');
});

test('named terms are found through unnamed steps, each once', () => {
  assert.deepEqual(
    namedTerms(back).map((term) => term.label),
    ['inside width', 'groove depth', 'ease'],
  );
});

test('a table of derivations writes every shared term once', () => {
  const table = new DerivationTable(show);
  const refer = table.of((source) => source);
  const id = refer(back);
  assert.equal(refer(back), id);
  const entries = Object.values(table.entries);
  assert.equal(entries.filter((entry) => entry.label === 'inside width').length, 1);
  assert.equal(entries.length, 6);
  const settings = entries.filter((entry) => entry.source);
  assert.deepEqual(settings.map((entry) => entry.source?.kind).sort(), ['here', 'house', 'house', 'measured']);
});

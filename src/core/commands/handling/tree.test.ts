import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { runnersOf } from '../../kinds/index.js';
import { readJobText, solve } from '../../solve/index.js';
import { type TreeEntry, treeOf } from './index.js';

const demo = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
assert.ok(demo.ok);
const { display } = demo.value;

test('read out, a cabinet has each of its parts once, each with all that is cut in it, and every opening', () => {
  for (const solved of solve(demo.value).cabinets) {
    const keys: string[] = [];
    const walk = ({ key, within }: TreeEntry) => {
      if (key !== undefined) keys.push(key);
      within.forEach(walk);
    };
    walk(treeOf(solved, display));
    assert.equal(new Set(keys).size, keys.length, 'nothing twice');
    for (const part of solved.parts) {
      assert.ok(keys.includes(part.key), part.key);
      assert.equal(
        keys.filter(
          (key) =>
            key.startsWith('cut/') && key.endsWith(`/${part.key}`) && key.split('/').slice(2).join('/') === part.key,
        ).length,
        part.machining.length,
      );
    }
    assert.ok(solved.face.ok);
    for (const { key } of solved.fitted.runners.flatMap(runnersOf)) assert.ok(keys.includes(key), key);
    for (const { opening } of solved.face.cells) assert.ok(keys.includes(`opening/${opening.id}`));
  }
});

test('sizes are said in the unit of the job, with the unit', () => {
  const [solved] = solve(demo.value).cabinets;
  assert.ok(solved);
  assert.match(treeOf(solved, display).said, /^900 mm wide, 870 mm high, 580 mm deep$/);
  assert.match(treeOf(solved, { ...display, unit: 'in' }).said, /35 7\/16.* wide/);
});

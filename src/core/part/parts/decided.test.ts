import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { decideParts, leaveToRules } from '../../commands/index.js';
import { type Cabinet, countedIds, type DecidedPart, writeJob } from '../../decisions/index.js';
import { shoppingList } from '../../shop/index.js';
import { applyEdits, cutListOf, readJob, readJobText, solve, solveCabinet } from '../../solve/index.js';

const share = { rule: 'share' as const, weight: 1 };
const shelved: Pick<CabinetDecisions, 'parts'> = {
  parts: [{ id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 2 } } }],
};
const decided = (part: string, what: Omit<DecidedPart, 'id' | 'part'>, id = 'p1'): DecidedPart => ({
  id,
  part,
  ...what,
});
const rules = (decisions: CabinetDecisions) => solveWith(decisions).findings.map(({ rule }) => rule);

test('a side of another thickness takes its own from the inside width, and the right one stays', () => {
  const measured = { birch18: 17.8, front18: 19.2 };
  const plain = solveWith({ width: 800, measured });
  const one = solveWith({ width: 800, measured, decided: [decided('side/left', { material: 'front18' })] });
  assert.ok(Math.abs(plain.box.insideWidth.value - (800 - 35.6)) < 1e-9);
  assert.ok(Math.abs(one.box.insideWidth.value - (800 - 17.8 - 19.2)) < 1e-9);
  assert.equal(partOf(one, 'side/left').thickness.value, 19.2);
  assert.equal(partOf(one, 'side/right').thickness.value, 17.8);
  // The bottom stands between them, and begins where the thicker one ends.
  assert.ok(Math.abs(partOf(one, 'bottom').extent.min[0] - 19.2) < 1e-9);
});

test('one glass-thin shelf stands in its own thickness, its fellow does not', () => {
  const solved = solveWith({ ...shelved, decided: [decided('shelf/o1/2', { material: 'birch6' })] });
  assert.equal(partOf(solved, 'shelf/o1/2').thickness.value, 6);
  assert.equal(partOf(solved, 'shelf/o1/1').thickness.value, 18);
});

test('a band more comes off the cut size, one less goes back on', () => {
  const before = partOf(solveWith({}), 'side/left');
  const more = partOf(solveWith({ decided: [decided('side/left', { bands: { rear: true } })] }), 'side/left');
  const less = partOf(solveWith({ decided: [decided('side/left', { bands: { front: false } })] }), 'side/left');
  assert.ok(Math.abs(before.cutWidth.value - more.cutWidth.value - 0.5) < 1e-9);
  assert.ok(Math.abs(less.cutWidth.value - before.cutWidth.value - 0.5) < 1e-9);
  assert.equal(more.width.value, before.width.value);
});

test('what is left on is cut larger, and the finished part stays as it is', () => {
  const before = partOf(solveWith({}), 'side/left');
  const deeper = partOf(
    solveWith({ decided: [decided('side/left', { oversize: { rear: 30, top: 5 } })] }),
    'side/left',
  );
  assert.ok(Math.abs(deeper.cutWidth.value - before.cutWidth.value - 30) < 1e-9);
  assert.ok(Math.abs(deeper.cutLength.value - before.cutLength.value - 5) < 1e-9);
  assert.deepEqual(deeper.extent, before.extent);
});

test('a part that is bought leaves the cut list and comes on the shopping list', () => {
  const job = jobWith({ decided: [decided('back', { made: 'bought' })] });
  const solved = solve(job);
  const listed = cutListOf(solved).flatMap(({ rows }) => rows.map(({ part }) => part.key));
  assert.ok(!listed.includes('back'));
  assert.ok(listed.includes('bottom'));
  assert.ok(shoppingList(solved.cabinets, job.display).some(({ name }) => name === 'Back, ready made'));
});

test('a part that is left out takes what was cut and bored for it along, and its joints', () => {
  const whole = solveWith({ from: 'wall' });
  const solved = solveWith({ from: 'wall', decided: [decided('nailer/low', { made: 'left out' })] });
  assert.deepEqual(solved.leftOut, [{ key: 'nailer/low', name: partOf(whole, 'nailer/low').name }]);
  assert.ok(!solved.parts.some(({ key }) => key === 'nailer/low'));
  assert.ok(solved.parts.every(({ machining }) => machining.every(({ holds }) => holds !== 'nailer/low')));
  const holes = (cabinet: typeof whole) => partOf(cabinet, 'side/left').machining.length;
  assert.ok(holes(solved) < holes(whole));
});

test('what is decided survives edits that keep the place, and is found when the place is gone', () => {
  const two = { ...shelved, decided: [decided('shelf/o1/2', { note: 'with a cut-out' })] };
  assert.equal(partOf(solveWith({ ...two, width: 900 }), 'shelf/o1/2').note, 'with a cut-out');
  const parts: CabinetDecisions['parts'] = [
    { id: 'o1', size: share, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 1 } } },
  ];
  assert.ok(rules({ ...two, parts }).includes('decided/part-gone'));
  assert.ok(!rules(two).includes('decided/part-gone'));
});

test('deciding and letting go again leaves the document as it was', () => {
  const job = jobWith({});
  const before = writeJob(job);
  const ids = countedIds();
  const solved = () => solveCabinet(job, job.cabinets[0] as Cabinet);
  applyEdits(job, decideParts(solved(), ['back', 'bottom'], 'note', 'note', 'mine', ids).edits);
  assert.equal(job.cabinets[0]?.parts?.length, 2);
  applyEdits(job, decideParts(solved(), ['back'], 'bought', 'made', 'bought', ids).edits);
  assert.equal(partOf(solved(), 'back').bought, true);
  assert.equal(partOf(solved(), 'back').note, 'mine');
  applyEdits(job, decideParts(solved(), ['back'], 'made', 'made', undefined, ids).edits);
  applyEdits(job, decideParts(solved(), ['back', 'bottom'], 'note', 'note', undefined, ids).edits);
  assert.equal(writeJob(job), before);
  applyEdits(job, decideParts(solved(), ['back'], 'bands', 'bands', { top: true }, ids).edits);
  applyEdits(job, decideParts(solved(), ['back'], 'bought', 'made', 'bought', ids).edits);
  applyEdits(job, leaveToRules(solved(), ['back', 'bottom'], 'all of it').edits);
  assert.equal(writeJob(job), before, 'all of it at once');
});

test('a file by hand may say it with lengths as text and without ids; one part twice is refused in words', () => {
  const file = (parts: unknown) =>
    JSON.stringify({
      format: 'alcove-job',
      cabinets: [
        {
          id: 'c1',
          number: '1',
          name: 'One',
          kind: 'base',
          size: { width: 600, height: { from: 'overall', mm: 720 }, depth: 560 },
          face: { kind: 'rows', parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'open' } }] },
          parts,
        },
      ],
    });
  const read = readJobText(
    file([
      { part: 'side/left', oversize: { rear: '1 in' } },
      { part: 'back', note: 'x' },
    ]),
  );
  assert.ok(read.ok, JSON.stringify(read));
  assert.equal(read.value.cabinets[0]?.parts?.[0]?.oversize?.rear, 25.4);
  assert.ok(readJob(JSON.parse(writeJob(read.value))).ok);
  const twice = readJobText(file([{ part: 'back' }, { part: 'back' }]));
  assert.ok(!twice.ok && twice.errors[0]?.message === 'The part "back" is decided twice.');
  const unknown = readJobText(file([{ part: 'back', material: 'gold' }]));
  assert.ok(!unknown.ok && /no material "gold"/.test(unknown.errors[0]?.message ?? ''));
});

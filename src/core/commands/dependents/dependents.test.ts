import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith, solveWith } from '../../../../tests/support/cabinets.js';
import type { EditPath } from '../../decisions/index.js';
import { solve } from '../../solve/index.js';
import { withEdits } from '../changes/index.js';
import { decisionsBehind, usersOf } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const job = jobWith({
  width: 600,
  height: 720,
  parts: [
    { id: 'o1', size: { rule: 'fixed', mm: 140 }, fill: { kind: 'drawer' } },
    { id: 'o2', size: share, fill: { kind: 'pair' } },
  ],
});

test('what is behind a size are the decisions that change it: each of them, changed, changes it', () => {
  const [solved] = solve(job).cabinets;
  const bottom = solved?.parts.find(({ key }) => key === 'bottom');
  assert.ok(solved && bottom);
  const behind = decisionsBehind(solved, [bottom.length]);
  assert.ok(behind.some(({ source }) => source.path === 'cabinets/c1/size/width'));
  assert.equal(new Set(behind.map(({ source }) => source.path)).size, behind.length);
  let tried = 0;
  for (const { source, dim } of behind) {
    if (!source.path.startsWith('cabinets/')) continue;
    const after = solve(withEdits(job, [{ path: source.path as EditPath, value: dim.value + 7 }])).cabinets[0];
    assert.notEqual(after?.parts.find(({ key }) => key === 'bottom')?.length.value, bottom.length.value, source.path);
    tried += 1;
  }
  assert.ok(tried > 0);
});

test('used by is the tape the other way: every number it names has it among its terms, and every such number is named', () => {
  const solved = solveWith({ width: 600, height: 720, parts: job.cabinets[0]?.face.parts ?? [] });
  const { insideWidth } = solved.box;
  const users = usersOf(solved, insideWidth);
  assert.ok(users.length > 0);
  const within = (dim: typeof insideWidth): boolean =>
    dim.terms.some((term) => term === insideWidth || (term.label === '' && within(term)));
  for (const { dim } of users)
    assert.ok(within(dim) || dim.terms.some(({ address }) => address === insideWidth.address && address), dim.label);
  // Each part whose length is said to be the inside width names it back.
  const direct = solved.parts.filter(({ length }) => within(length));
  for (const part of direct)
    assert.ok(
      users.some(({ part: key }) => key === part.key),
      part.key,
    );
  assert.ok(direct.length > 0);
});

import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import { form, solve } from '../../solve/index.js';
import { jointOf, joints } from './index.js';

test('every joint asks for settings there are, is offered where it says, and names only joints there are', () => {
  assert.equal(new Set(joints.map(({ id }) => id)).size, joints.length);
  for (const { id, words, at, asks, hidden, second, uncut } of joints) {
    for (const path of asks) assert.ok(form.declared.leaf(path), `${id} asks for ${path}`);
    for (const where of ['bottom', 'top', 'shelf', 'partition', 'nailer'] as const) {
      const { options = {} } = form.declared.leaf(`joints/${where}`) ?? {};
      assert.equal(options[id], at.includes(where) ? words : undefined, `${id} at the ${where}`);
    }
    const shown = [true, false].map((pocketsShow) =>
      hidden?.({ key: 'bottom', end: 'u0', pocketFace: 2, pocketsShow }),
    );
    for (const other of [...shown, second, uncut]) if (other !== undefined) assert.ok(jointOf(other));
  }
});

test('a joint that is chosen is made of the settings it asks for: each of them, changed, changes what is cut or bored', () => {
  for (const { id, at, asks } of joints) {
    const where = at.filter((place) => place === 'bottom' || place === 'top');
    const chosen = Object.fromEntries(where.map((place) => [place, id]));
    // A dado stops short only of an edge that shows: nothing is banded.
    const [of, other] = [
      { top: { kind: 'full' as const }, banding: { caseEdges: 'none' as const } },
      { joints: chosen },
    ];
    const before = solveWith({ width: 900, depth: 700, settings: { ...of, ...other } });
    const written = (solved: typeof before) =>
      JSON.stringify(
        ['side/left', 'bottom', 'top'].map((key) => [
          partOf(solved, key).length.value,
          partOf(solved, key).machining,
          solved.screwLines.get(key),
        ]),
      );
    for (const path of asks) {
      const leaf = form.declared.leaf(path);
      // How much a screw needs to hold only warns; it is found, not cut.
      if (path === 'fasteners/hold') continue;
      const [group, name] = path.split('/') as [string, string];
      const value = Number(leaf?.defaults.metric) * 0.6;
      const settings = {
        ...of,
        ...other,
        [group]: group === 'joints' ? { ...chosen, [name]: value } : { [name]: value },
      };
      assert.notEqual(written(solveWith({ width: 900, depth: 700, settings })), written(before), `${id}: ${path}`);
    }
  }
});

test('where nobody has decided, what would show in an exposed end is made so that it does not', () => {
  const [solved] = solve(jobWith({ settings: { ends: { left: 'exposed' } } })).cabinets;
  assert.ok(solved);
  const seen = (side: 'left' | 'right') =>
    partOf(solved, `side/${side}`).machining.filter(
      ({ kind, by, ...rest }) => by.kind === 'joint' && kind === 'holes' && 'face' in rest && rest.face === 2,
    ).length;
  assert.equal(seen('left'), 0);
  assert.ok(seen('right') > 0, 'on the hidden side they are screwed through');
});

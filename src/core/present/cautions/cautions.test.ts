import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith } from '../../../../tests/support/cabinets.js';
import type { Job } from '../../decisions/index.js';
import { solve } from '../../solve/index.js';
import { cautions, cautionsFor } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const standing = (decisions: CabinetDecisions, change: (job: Job) => void = () => undefined) => {
  const job = jobWith(decisions);
  change(job);
  const [cabinet] = solve(job).cabinets;
  assert.ok(cabinet);
  return cautionsFor(job, cabinet);
};
const has = (id: string, decisions: CabinetDecisions, change?: (job: Job) => void) =>
  standing(decisions, change).some((each) => each.id === id);

const door: CabinetDecisions['parts'] = [{ id: 'o1', size: share, fill: { kind: 'door', hinged: 'left' } }];
const drawers: CabinetDecisions['parts'] = [1, 2, 3].map((n) => ({
  id: `o${n}`,
  size: share,
  fill: { kind: 'drawer' as const },
}));
const butted: CabinetDecisions['settings'] = {
  drawers: { fitted: 'none' },
  back: { kind: 'applied' },
  joints: { bottom: 'screws', top: 'screws', shelf: 'screws', partition: 'screws' },
};

/** For each caution a cabinet for which it stands, and one for which it does not, where there is one. */
const WHEN: Record<string, { on: () => boolean; off?: () => boolean }> = {
  'small-pieces': {
    on: () => has('small-pieces', { settings: { nailer: { width: 50 } } }),
    off: () =>
      has('small-pieces', { parts: door, settings: { ...butted, top: { kind: 'full' }, toe: { kind: 'none' } } }),
  },
  dust: { on: () => has('dust', {}) },
  'cutters-in-panels': {
    on: () => has('cutters-in-panels', { settings: { back: { kind: 'grooved' } } }),
    off: () => has('cutters-in-panels', { settings: butted }),
  },
  'two-people': {
    on: () => has('two-people', { from: 'tall' }),
    off: () => has('two-people', { from: 'tall', settings: { cautions: { twoPeople: 200 } } }),
  },
  glass: {
    on: () =>
      has('glass', { settings: { making: { kind: 'stick' } } }, (job) => {
        for (const material of job.materials) if (material.id === 'birch6') material.name = 'Clear glass';
      }),
    off: () => has('glass', { settings: { making: { kind: 'stick' } } }),
  },
  springs: {
    on: () =>
      has('springs', {
        from: 'wall',
        height: 380,
        parts: [{ id: 'o1', size: share, fill: { kind: 'lift' } }],
      }),
    off: () => has('springs', { from: 'wall' }),
  },
  tipping: {
    on: () => has('tipping', { from: 'tall', parts: door }) && has('tipping', { parts: drawers }),
    off: () => has('tipping', { parts: door }),
  },
  hanging: { on: () => has('hanging', { from: 'wall' }), off: () => has('hanging', {}) },
  services: { on: () => has('services', { settings: { ends: { left: 'wall' } } }), off: () => has('services', {}) },
};

test('every caution stands where it should, and not where it should not', () => {
  assert.deepEqual(Object.keys(WHEN).sort(), cautions.map(({ id }) => id).sort());
  for (const [id, { on, off }] of Object.entries(WHEN)) {
    assert.ok(on(), `${id} does not stand`);
    if (off) assert.ok(!off(), `${id} stands for nothing`);
  }
});

test('every caution says why it stands here, and to whom it defers', () => {
  for (const { why, says, defers, title } of standing({ from: 'wall', parts: drawers })) {
    assert.ok(why.endsWith('.') && says.endsWith('.') && title.length > 3, why);
    assert.match(defers, /go before this/);
  }
});

test('the weight is that of every part, against figures worked out apart', () => {
  const job = jobWith({ from: 'tall' });
  const [cabinet] = solve(job).cabinets;
  assert.ok(cabinet);
  let kilos = 0;
  for (const part of cabinet.parts) {
    const { min, max } = part.extent;
    kilos += ((max[0] - min[0]) * (max[1] - min[1]) * (max[2] - min[2]) * part.material.density) / 1e9;
  }
  const said = cautionsFor(job, cabinet).find(({ id }) => id === 'two-people')?.why ?? '';
  assert.equal(Number(/weighs (\d+) kg/.exec(said)?.[1]), Math.round(kilos));
});

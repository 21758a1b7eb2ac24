import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import type { Job } from '../../decisions/index.js';
import { readJobText, solve } from '../../solve/index.js';
import { demandOf, layOut, planFor, proposalOf, USUAL_WAY } from '../sheets/index.js';
import { costOf, pricedList } from './index.js';

const demo = (name: string): Job => {
  const read = readJobText(readFileSync(`demo/${name}.alcove.json`, 'utf8'));
  assert.ok(read.ok);
  return read.value;
};

const inUnit = (job: Job, unit: 'mm' | 'in'): Job => ({ ...job, display: { ...job.display, unit } });

function reckoned(job: Job) {
  const { cabinets } = solve(job);
  const layouts = demandOf(cabinets).map((demand) => {
    const plan = planFor(job, demand, USUAL_WAY);
    return proposalOf(plan, layOut(plan.problem, { steps: 0 })).layout;
  });
  return { cabinets, layouts, cost: costOf(job, cabinets, layouts) };
}

const near = (a: number, b: number, what: string) => assert.ok(Math.abs(a - b) < 0.01, `${what}: ${a} and ${b}`);

test('what cabinets cost together is what the job costs, kind by kind and by material, in both demo jobs', () => {
  for (const name of ['reading-room', 'issue-desk']) {
    const job = demo(name);
    const { cost, layouts, cabinets } = reckoned(job);
    assert.deepEqual(cost.unpriced, []);
    // Sheets by counting them, with the prices as they stand in the document.
    const sheets = layouts.reduce(
      (sum, { id, sheets: all }) =>
        sum +
        all.reduce((own, { offcut, from }) => {
          if (offcut) return own;
          const price =
            from === null
              ? job.materials.find((material) => material.id === id)?.price
              : job.stock.sheets.find((row) => row.id === from)?.price;
          return own + (price ?? 0);
        }, 0),
      0,
    );
    near(cost.cost.sheets.value, sheets, 'sheets');
    const of = (unit: string) =>
      cost.materials.filter((each) => each.unit === unit).reduce((sum, each) => sum + each.cost.value, 0);
    near(cost.cost.sheets.value, of('sheets'), 'sheets by material');
    near(cost.cost.solid.value, of('m³'), 'solid wood');
    near(cost.cost.bands.value, of('m'), 'bands');
    const minutes = Object.values(cost.minutes).reduce((sum, { value: mm }) => sum + mm, 0);
    near(cost.cost.labour.value, (minutes / 60) * job.workshop.costs.hour, 'labour');
    near(
      cost.total.value,
      cost.cabinets.reduce((sum, { total }) => sum + total.value, 0),
      'all',
    );
    // Weight from volumes and densities alone.
    const weight = cabinets
      .flatMap(({ parts }) => parts)
      .reduce(
        (sum, part) =>
          sum + (part.length.value * part.width.value * part.thickness.value * part.material.density) / 1e9,
        0,
      );
    near(cost.weight.value, weight, 'weight');
    assert.ok(cost.weight.value > 20);
  }
});

test('what hardware costs is the same in millimetres and in inches, and a price typed in one is found in the other', () => {
  for (const name of ['reading-room', 'issue-desk']) {
    const job = demo(name);
    // Everything gets a price under the name the list shows it by in one unit.
    const list = (unit: 'mm' | 'in') => pricedList(solve(inUnit(job, unit)).cabinets, { ...job.display, unit });
    const named = new Map(list('in').map(({ keptAs }, at) => [keptAs, 1 + at]));
    job.workshop.prices = [...named].map(([keptAs, price], at) => ({ id: `p${at}`, name: keptAs, price }));
    const [mm, inches] = (['mm', 'in'] as const).map((unit) => reckoned(inUnit(job, unit)).cost);
    near(mm?.cost.hardware.value ?? 0, inches?.cost.hardware.value ?? Number.NaN, name);
    assert.deepEqual(
      list('mm').map(({ keptAs }) => keptAs),
      list('in').map(({ keptAs }) => keptAs),
    );
    assert.ok(list('in').some(({ name: shown, keptAs }) => / in\b/.test(shown) && shown !== keptAs));
    assert.ok(!mm?.unpriced.some((what) => named.has(what)));
  }
});

test('what has no price is told and counts as nothing; a dearer sheet costs as much more as there are of it', () => {
  const job = demo('reading-room');
  const before = reckoned(job).cost;
  const count = before.materials.find(({ material }) => material === 'birch12')?.quantity ?? 0;
  const material = job.materials.find(({ id }) => id === 'birch12');
  assert.ok(material && count > 0);
  material.price = (material.price ?? 0) + 10;
  near(reckoned(job).cost.total.value - before.total.value, 10 * count, 'dearer');
  delete material.price;
  job.workshop.prices = [];
  const bare = reckoned(job).cost;
  assert.ok(bare.unpriced.includes(material.name));
  assert.ok(bare.unpriced.some((name) => name.startsWith('Hinge')));
  assert.equal(bare.cost.hardware.value, 0);
});

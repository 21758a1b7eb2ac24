import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildable } from '../../../../tests/generator/buildable.js';
import { proveOrder } from '../../../../tests/solids/order.js';
import { buildableDecisions, solveWith } from '../../../../tests/support/cabinets.js';
import { SCHOOLS, TWO_COLUMNS } from '../../../../tests/support/columns.js';
import { length, spanFrom } from '../../ground/index.js';
import {
  dowel,
  fastenersOf,
  loadSolids,
  makePart,
  type Operation,
  type Part,
  pocketScrew,
  toCabinet,
} from '../../part/index.js';
import { type AssemblyStep, assemblyOf, leaving, meetingsOf, unheld } from './index.js';

const whole = solveWith({ settings: { top: { kind: 'full' } } });

/** A plain block of wood; its length runs along x. */
function block(key: string, x: [number, number], y: [number, number], z: [number, number]): Part {
  const span = ([low, high]: [number, number]) => spanFrom(length(low), length(high - low));
  return makePart({
    key,
    name: key,
    role: 'divider',
    material: (whole.parts[0] as Part).material,
    stands: { x: span(x), y: span(y), z: span(z) },
    axes: { u: '+x', v: '+y', w: '+z' },
  });
}

const placedIn = (steps: readonly AssemblyStep[]) => steps.map(({ parts }) => parts.join());

test('a back in grooves of four panels is in its place before the last of them', () => {
  const { steps, stuck } = assemblyOf(whole.parts);
  assert.equal(stuck, undefined);
  const order = placedIn(steps);
  const around = ['side/left', 'side/right', 'bottom', 'top'].map((key) => order.indexOf(key));
  assert.ok(order.indexOf('back') < Math.max(...around), order.join(' | '));
  assert.ok(order.indexOf('back') > Math.min(...around) || order[0] === 'back');
  assert.ok(order.indexOf('drawer/o1') > Math.max(...around), 'fronts are hung on a box that stands');
});

test('every part is put on once, and everything is put together with the fasteners that are bored', () => {
  for (const settings of Object.values(SCHOOLS))
    for (const decisions of Object.values(TWO_COLUMNS)) {
      const { parts } = solveWith({ ...decisions, settings });
      const { steps, stuck } = assemblyOf(parts);
      assert.equal(stuck, undefined);
      const first = steps.filter(({ way }) => way === undefined).flatMap((step) => step.parts);
      const put = steps.filter(({ way }) => way !== undefined);
      // A unit of several is made up, and then put on as a whole.
      for (const { key, unit } of parts) {
        const times = put.filter((step) => step.parts.includes(key)).length;
        const alone = parts.filter((part) => part.unit === unit).length === 1;
        assert.ok(alone ? times === (first.includes(key) ? 0 : 1) : times >= 1, `${key} ${times} times`);
      }
      const screws = fastenersOf(parts)
        .flatMap(leaving)
        .filter(({ driver }) => driver !== undefined).length;
      const driven = steps
        .flatMap(({ fastened }) => fastened)
        .filter(({ kind }) => kind === 'screw' || kind === 'pocket screw')
        .reduce((sum, { count }) => sum + count, 0);
      assert.equal(driven, screws);
    }
});

test('an order is replayed with solids, and one that is wrong fails there', async () => {
  const solids = await loadSolids();
  const { steps } = assemblyOf(whole.parts);
  assert.deepEqual(proveOrder(whole.parts, steps, solids), []);
  const kinds = (changed: readonly AssemblyStep[]) => [
    ...new Set(proveOrder(whole.parts, changed, solids).map(({ what }) => what)),
  ];
  const keys = whole.parts.map(({ key }) => key).filter((key) => key !== 'back');
  const last: AssemblyStep = { parts: ['back'], onto: keys, way: { axis: 1, sign: 1 }, fastened: [] };
  assert.deepEqual(kinds([...steps, last]), ['order: a part meets another on its way']);
  assert.deepEqual(kinds(steps.slice(0, -1)), ['order: not everything is put together']);
  // With an end panel on, the heads of the screws under it are out of reach.
  const panelled = solveWith({ settings: { top: { kind: 'full' }, ends: { left: 'exposed', leftPanel: 'applied' } } });
  const order = assemblyOf(panelled.parts).steps;
  const side = order.find(({ parts }) => parts[0] === 'side/left') as AssemblyStep;
  const late: AssemblyStep = {
    ...side,
    onto: panelled.parts.map(({ key }) => key).filter((key) => key !== 'side/left'),
  };
  const found = proveOrder(panelled.parts, [...order, { ...late, way: { axis: 0, sign: -1 } }], solids);
  assert.ok(found.some(({ what, parts }) => what === 'order: a driver has no room' && parts[1] === 'end/left'));
});

test('buildable cabinets go together, as the solids see it', async () => {
  const solids = await loadSolids();
  let proved = 0;
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      if (solved.findings.some(({ severity }) => severity === 'stop')) return;
      const { steps, stuck } = assemblyOf(solved.parts);
      assert.equal(stuck, undefined);
      assert.deepEqual(proveOrder(solved.parts, steps, solids), []);
      proved += 1;
    }),
    { numRuns: 12 },
  );
  assert.ok(proved >= 6, `only ${proved} proved`);
});

test('every hole for a screw begins a fastener that says in which part it ends, or lies where one passes', () => {
  let [begun, passed, elsewhere] = [0, 0, 0];
  for (let seed = 0; seed < 150; seed += 1) {
    const { parts, findings } = solveWith(buildable(seed).decisions);
    if (findings.some(({ severity }) => severity === 'stop')) continue;
    const keys = new Set(parts.map(({ key }) => key));
    const rows = fastenersOf(parts);
    for (const { fastens, operation } of rows) {
      const { into, passes = [], kind } = fastens;
      const ends = into === undefined ? [] : typeof into === 'string' ? [into] : into;
      if (typeof into === 'object')
        assert.equal(into.length, operation.positions.length, `${seed}: one for each place`);
      for (const key of [...ends, ...passes]) assert.ok(keys.has(key), `${seed}: a ${kind} ends in ${key}`);
    }
    const passing = new Set(rows.flatMap(({ fastens }) => fastens.passes ?? []));
    for (const part of parts)
      for (const each of part.machining) {
        const isScrew = (each.kind === 'holes' && !each.depth) || each.kind === 'pockets';
        if (!isScrew || !['joint', 'frame', 'fixing', 'box'].includes(each.by.kind)) {
          if (each.fastens) elsewhere += 1;
          continue;
        }
        if (each.fastens) begun += 1;
        else {
          assert.ok(passing.has(part.key), `${seed}: ${each.reason} in ${part.key}`);
          passed += 1;
        }
      }
  }
  assert.ok(begun > 500 && passed > 20 && elsewhere > 300, `${begun} begun, ${passed} passed, ${elsewhere} others`);
});

test('a screw as it is bought ends in the wood it is said to end in, short of the other side, as points in space', () => {
  const sizes = new Set<number>();
  let looked = 0;
  for (const inch of [false, true])
    for (let seed = 0; seed < 120; seed += 1) {
      const { decisions } = buildable(seed);
      const step = inch ? { fasteners: { screwStep: 6.35 } } : {};
      const { parts, findings } = solveWith({ ...decisions, settings: { ...decisions.settings, ...step } });
      if (findings.some(({ severity }) => severity === 'stop')) continue;
      for (const { fastens, through, operation } of fastenersOf(parts)) {
        if (fastens.kind !== 'screw' || operation.kind !== 'holes') continue;
        const long = fastens.size.length.value;
        sizes.add(long);
        const { from, offset, face, positions } = operation;
        for (const [at, { value: mm }] of positions.entries()) {
          const off = from.endsWith('0')
            ? offset.value
            : (from === 'u1' ? through.length.value : through.width.value) - offset.value;
          const [u, v] = from.startsWith('u') ? [off, mm] : [mm, off];
          const tip = toCabinet(through.placement, u, v, face === 1 ? long : through.thickness.value - long);
          const key = typeof fastens.into === 'string' ? fastens.into : fastens.into?.[at];
          const held = parts.find((part) => part.key === key);
          assert.ok(held, `${seed}: ${key}`);
          for (const axis of [0, 1, 2] as const)
            assert.ok(
              tip[axis] > held.extent.min[axis] + 1 && tip[axis] < held.extent.max[axis] - 1,
              `${seed}: ${long} through ${through.key} (${operation.reason}) ends at ${tip} in ${key}`,
            );
          looked += 1;
        }
      }
    }
  assert.ok(looked > 3000 && sizes.size > 6, `${looked} screws of ${sizes.size} lengths`);
});

test('a pocket screw is bought so long that it grips, and comes out of nothing as thick as what it is driven from', () => {
  const bought = (thickness: number, inch = false) => {
    const set = inch
      ? { pocketReach: length(12.7), screwStep: length(6.35) }
      : { pocketReach: length(12), screwStep: length(5) };
    return pocketScrew(length(thickness), set, 'side/left').size.length.value;
  };
  assert.deepEqual(
    [12, 15, 16.5, 18, 19, 25, 38].map((thick) => bought(thick)),
    [25, 25, 25, 32, 32, 38, 51],
  );
  assert.deepEqual(
    [1 / 2, 3 / 4, 1].map((size) => (bought(size * 25.4, true) / 25.4).toFixed(3)),
    ['1.000', '1.250', '1.500'],
  );
  for (let thick = 15; thick <= 45; thick += 0.1) {
    const into = bought(thick) - thick;
    assert.ok(into > 5 && into < thick - 2.5, `${bought(thick)} in ${thick}`);
  }
});

/** With a dowel out of its end at `u1`, 10 long, in the middle of that end or over another part. */
function dowelled(part: Part, edge: 'u1' | 'v1', at: number, into: string): Part {
  const operation = {
    kind: 'edge holes' as const,
    edge,
    offset: length(part.thickness.value / 2),
    positions: [length(at)],
    diameter: length(8),
    depth: length(20),
    reason: 'dowels',
    by: { kind: 'joint', what: 'dowels' },
    fastens: dowel({ diameter: length(8), inFace: length(10), inEnd: length(20) }, into),
  };
  return { ...part, machining: [...part.machining, operation] };
}

test('a block dowelled in one direction comes off that way, and in two not at all', () => {
  const inner = block('inner', [0, 100], [0, 100], [0, 100]);
  const bare = block('corner', [0, 200], [0, 200], [0, 100]);
  const notch = {
    kind: 'notch' as const,
    corner: ['u0', 'v0'] as const,
    alongLength: length(100),
    alongWidth: length(100),
    reason: 'takes the block',
    by: { kind: 'joint' },
  };
  const corner: Part = { ...bare, machining: [notch as Operation] };
  const once = assemblyOf([dowelled(inner, 'u1', 50, 'corner'), corner]);
  assert.equal(once.stuck, undefined);
  assert.deepEqual(once.steps.map(({ way }) => way).filter(Boolean), [{ axis: 0, sign: 1 }]);
  const twice = assemblyOf([dowelled(dowelled(inner, 'u1', 50, 'corner'), 'v1', 50, 'corner'), corner]);
  assert.deepEqual(twice.stuck?.parts.toSorted(), ['corner', 'inner']);
  assert.equal(twice.stuck?.screws, undefined);
});

test('parts that hold each other come off together, and are put together first', () => {
  // A tray of two boards dowelled front to rear slides in from the side between two that close above and below.
  const [front, rear] = [block('front', [0, 100], [0, 50], [20, 40]), block('rear', [0, 100], [50, 100], [20, 40])];
  const around = [block('below', [-50, 100], [-50, 150], [0, 20]), block('above', [-50, 100], [-50, 150], [40, 60])];
  const cheeks = [block('near', [-50, 100], [-50, 0], [20, 40]), block('far', [-50, 100], [100, 150], [20, 40])];
  const { steps, stuck } = assemblyOf([dowelled(front, 'v1', 50, 'rear'), rear, ...around, ...cheeks]);
  assert.equal(stuck, undefined);
  assert.ok(steps.every(({ parts }) => parts.length <= 2));
});

test('a compartment too narrow for a driver is a stop that names what stands in its way', () => {
  const open = (id: string, mm?: number) => ({
    id,
    size: mm === undefined ? ({ rule: 'share', weight: 1 } as const) : ({ rule: 'fixed', mm } as const),
    fill: { kind: 'open' as const },
  });
  const graduation = { kind: 'arithmetic' as const, step: 10 };
  const narrow = (mm: number) =>
    solveWith({
      width: 700,
      settings: { dividers: { atOpenBay: 'shelf' }, joints: { shelf: 'pocket' }, back: { kind: 'applied' } },
      face: {
        kind: 'columns',
        graduation,
        parts: [{ ...open('o1', mm), fill: { kind: 'rows', graduation, parts: [open('o2'), open('o3')] } }, open('o4')],
      },
    });
  const said = (mm: number) => narrow(mm).findings.find(({ rule }) => rule === 'carcass/no-order-of-assembly');
  assert.equal(said(300), undefined);
  const finding = said(124);
  assert.equal(finding?.severity, 'stop');
  assert.match(finding.what, /^The screws of fixed shelf into .* cannot be driven: .* stands .* before their heads\.$/);
  assert.equal(finding.parts.length, 3);
});

test('what no fastener reaches and nothing takes in is not held', () => {
  assert.deepEqual(
    unheld(whole.parts, meetingsOf(whole.parts))
      .map(({ role }) => role)
      .filter((role) => !['drawer front', 'drawer box', 'door', 'shelf'].includes(role)),
    [],
  );
  const added = block('loose', [100, 200], [100, 200], [100, 118]);
  const further = [...whole.parts, added];
  assert.ok(unheld(further, meetingsOf(further)).includes(added));
  const bare = whole.parts.map((part) => ({ ...part, machining: [] }));
  assert.deepEqual(unheld(bare, meetingsOf(bare)).length, whole.parts.length - 2, 'the sides are what all is held to');
});

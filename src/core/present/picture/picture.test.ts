import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { solveWith } from '../../../../tests/support/cabinets.js';
import { loadSolids, overlap } from '../../part/index.js';
import { createSolver, readJobText } from '../../solve/index.js';
import { apartAt, motionOf, movedTo, sceneOf, stagesOf } from './index.js';

const demo = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
assert.ok(demo.ok);
const solved = createSolver()(demo.value).cabinets;

test('each part of a cabinet is in its picture once', () => {
  for (const cabinet of solved) {
    const keys = sceneOf(cabinet).parts.map(({ key }) => key);
    assert.deepEqual(keys.toSorted(), cabinet.parts.map(({ key }) => key).toSorted());
    assert.equal(new Set(keys).size, keys.length);
  }
});

test('what is taken apart stands clear of all the rest, and together again nothing has moved', () => {
  let stages = 0;
  for (const cabinet of solved) {
    const scene = sceneOf(cabinet);
    const all = stagesOf(cabinet.parts);
    stages += all.length;
    assert.equal(apartAt(all, 0).size, 0);
    const shifts = apartAt(all, all.length);
    const moved = scene.parts.map(({ key, shape: { blank } }) => {
      const by = shifts.get(key) ?? [0, 0, 0];
      const add = (point: readonly number[]) => point.map((at, k) => at + (by[k] ?? 0)) as [number, number, number];
      return { key, min: add(blank.min), max: add(blank.max) };
    });
    // What is put together at one time, as a mitred frame round its panel, comes off at one time.
    const together = (a: string, b: string) =>
      cabinet.parts.find(({ key }) => key === a)?.unit === cabinet.parts.find(({ key }) => key === b)?.unit;
    for (const [at, a] of moved.entries())
      for (const b of moved.slice(at + 1))
        if (!together(a.key, b.key)) assert.ok(!overlap(a, b), `${cabinet.cabinet.number}: ${a.key} and ${b.key}`);
  }
  assert.ok(stages > 60, `${stages} stages`);
});

test('what opens moves rigidly from where it is shut to its stop, to the front', () => {
  let kinds = new Set<string>();
  const lifted = solveWith({
    width: 600,
    height: 400,
    parts: [{ id: 'o1', size: { rule: 'share', weight: 1 }, fill: { kind: 'lift' } }],
  });
  for (const cabinet of [...solved, lifted]) {
    const scene = sceneOf(cabinet);
    for (const opening of scene.openers) {
      kinds = kinds.add(opening.motion.kind);
      assert.ok(opening.parts.length > 0, opening.name);
      const frontmost: number[] = [];
      for (const key of opening.parts) {
        const blank = scene.parts.find((part) => part.key === key)?.shape.blank;
        assert.ok(blank, `${key} of ${opening.name} is a part`);
        const shut = movedTo(opening, blank.min, 0);
        assert.ok(shut.every((at, k) => Math.abs(at - (blank.min[k] ?? 0)) < 1e-9));
        const [a, b] = [movedTo(opening, blank.min, 1), movedTo(opening, blank.max, 1)];
        const apart = Math.hypot(...a.map((at, k) => at - (b[k] ?? 0)));
        const size = Math.hypot(...blank.max.map((high, k) => high - (blank.min[k] ?? 0)));
        assert.ok(Math.abs(apart - size) < 1e-6, 'it keeps its size');
        frontmost.push(Math.min(a[1], b[1]) - Math.min(blank.min[1], blank.max[1]));
      }
      assert.ok(Math.min(...frontmost) < -100, `${opening.name} comes to the front`);
      const matrix = motionOf(opening, 0.6);
      const [x, y, z] = [123, 45, 678];
      const by = [0, 1, 2].map(
        (k) => (matrix[k] ?? 0) * x + (matrix[4 + k] ?? 0) * y + (matrix[8 + k] ?? 0) * z + (matrix[12 + k] ?? 0),
      );
      movedTo(opening, [x, y, z], 0.6).forEach((at, k) => assert.ok(Math.abs(at - (by[k] ?? 0)) < 1e-6));
    }
  }
  assert.deepEqual([...kinds].toSorted(), ['lift', 'slide', 'turn']);
});

test('a door at its stop has gone through no other part of the cabinet than its own', () => {
  let doors = 0;
  for (const cabinet of solved) {
    const scene = sceneOf(cabinet);
    for (const opening of scene.openers.filter(({ motion }) => motion.kind === 'turn')) {
      doors += 1;
      const own = scene.parts.filter(({ key }) => opening.parts.includes(key));
      const others = scene.parts.filter(({ key, moves }) => !opening.parts.includes(key) && moves === undefined);
      for (const { shape } of own)
        for (const share of [0.5, 1])
          for (const u of [0.1, 0.5, 0.9])
            for (const w of [0.1, 0.5, 0.9]) {
              const inside = shape.blank.min.map(
                (low, k) => low + ((shape.blank.max[k] ?? 0) - low) * (k === 0 ? u : k === 2 ? w : 0.5),
              );
              const [x, y, z] = movedTo(opening, inside as [number, number, number], share);
              const hit = others.find(
                ({
                  shape: {
                    blank: { min, max },
                  },
                }) =>
                  x > min[0] + 1 &&
                  x < max[0] - 1 &&
                  y > min[1] + 1 &&
                  y < max[1] - 1 &&
                  z > min[2] + 1 &&
                  z < max[2] - 1,
              );
              assert.equal(hit?.key, undefined, `${cabinet.cabinet.number} ${opening.name} at ${share}`);
            }
    }
  }
  assert.ok(doors > 6, `${doors} doors`);
});

test('the surface of a part encloses what is left of it when all is cut and bored', async () => {
  const solids = await loadSolids();
  let cut = 0;
  for (const { shape } of solved.slice(0, 3).flatMap((cabinet) => sceneOf(cabinet).parts)) {
    const { corners, triangles } = solids.mesh(shape);
    let volume = 0;
    const corner = (at: number) =>
      [0, 1, 2].map((k) => corners[(triangles[at] as number) * 3 + k] as number) as [number, number, number];
    for (let at = 0; at < triangles.length; at += 3) {
      const [a, b, c] = [corner(at), corner(at + 1), corner(at + 2)];
      volume +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])) /
        6;
    }
    const blank = shape.blank.max.reduce((product, high, k) => product * (high - (shape.blank.min[k] ?? 0)), 1);
    assert.ok(volume > 0 && volume <= blank * 1.0001, shape.key);
    assert.ok(Math.abs(volume - solids.volume(shape)) < blank * 0.001, shape.key);
    if (shape.blocks.length + shape.bores.length > 0) {
      assert.ok(volume < blank - 1, `${shape.key} is cut`);
      cut += 1;
    }
  }
  assert.ok(cut > 20, `${cut} cut parts`);
});

test('what drops turns about its lower edge to the front and down, as far as a lift turns up', () => {
  const tilt = (kind: 'lift' | 'drop') => ({
    id: 'o1',
    name: 'flap',
    front: 'flap/o1',
    parts: [],
    motion: { kind, by: 'test', front: 'flap/o1', name: 'flap', y: 0, z: 100, stop: 90 } as const,
    most: 90,
  });
  const near = (at: readonly number[], wanted: readonly number[]) =>
    wanted.forEach((each, k) => assert.ok(Math.abs((at[k] ?? 0) - each) < 1e-9, `${at} is not ${wanted}`));
  near(movedTo(tilt('drop'), [5, 0, 400], 1), [5, -300, 100]);
  near(movedTo(tilt('lift'), [5, 0, -200], 1), [5, -300, 100]);
  near(movedTo(tilt('drop'), [5, 0, 400], 0), [5, 0, 400]);
});

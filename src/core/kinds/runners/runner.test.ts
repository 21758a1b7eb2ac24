import assert from 'node:assert/strict';
import { test } from 'node:test';
import { buildable } from '../../../../tests/generator/buildable.js';
import { solveWith } from '../../../../tests/support/cabinets.js';
import { toCabinet } from '../../part/index.js';
import { runnerAt, runnersOf } from './runner.js';

test('every screw a runner tells is a hole in the part it names, in line with the runner', () => {
  let [held, screws, others] = [0, 0, 0];
  for (let seed = 1; seed <= 250; seed += 1) {
    const { fitted, parts } = solveWith(buildable(seed).decisions);
    for (const runner of fitted.runners.flatMap(runnersOf)) {
      assert.equal(runnerAt(fitted.runners, runner.key)?.extent, runner.extent);
      if (!runner.held) {
        others += 1;
        continue;
      }
      held += 1;
      const part = parts.find(({ key }) => key === runner.held?.part);
      assert.ok(part, `${runner.key} is screwed to nothing there is`);
      // Where its holes are by the part's own machining, in the cabinet.
      const bored = part.machining.flatMap((operation) => {
        if (operation.kind !== 'holes' || operation.by.kind !== 'runners') return [];
        const { from, offset, positions } = operation;
        const across =
          from === 'u1'
            ? part.length.value - offset.value
            : from === 'v1'
              ? part.width.value - offset.value
              : offset.value;
        return positions.map(({ value: mm }) =>
          from.startsWith('u') ? toCabinet(part.placement, across, mm, 0) : toCabinet(part.placement, mm, across, 0),
        );
      });
      for (const { value: mm } of runner.held.holes) {
        screws += 1;
        const found = bored.some(
          ([, y, z]) => Math.abs(y - mm) < 0.01 && Math.abs(z - (runner.drawer.runner?.line.value ?? 0)) < 0.01,
        );
        assert.ok(found, `seed ${seed}: ${runner.key} tells a screw at ${mm} that ${part.key} has no hole for`);
      }
    }
  }
  console.log(`${held} runners with ${screws} screws, ${others} held otherwise`);
  assert.ok(held > 50 && screws > 2 * held);
});

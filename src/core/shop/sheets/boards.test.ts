import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { readJobText, solve } from '../../solve/index.js';
import { boardsFor } from './index.js';

test('boards carry every solid part rough, by volume with its waste, and no fewer than the volume of a board asks for', () => {
  const read = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
  assert.ok(read.ok);
  const job = read.value;
  const { cabinets } = solve(job);
  const needed = boardsFor(job, cabinets);
  assert.ok(needed.length > 0);
  for (const { material, boards, pieces, net, gross, count, thickness } of needed) {
    const parts = cabinets.flatMap(({ parts: all }) =>
      all.filter((part) => part.material.id === material.id && !part.bought),
    );
    assert.equal(
      pieces.reduce((sum, { quantity }) => sum + quantity, 0),
      parts.length,
    );
    const { roughLength, roughWidth } = job.workshop.solid;
    const volume = parts.reduce(
      (sum, part) =>
        sum + ((part.cutLength.value + roughLength) * (part.cutWidth.value + roughWidth) * boards.rough) / 1e9,
      0,
    );
    assert.ok(Math.abs(volume - net) < 1e-9);
    assert.ok(Math.abs(gross - volume * (1 + boards.waste)) < 1e-9);
    assert.ok(boards.rough > thickness, 'nothing is left to plane');
    assert.ok(count * boards.width * boards.length * boards.rough >= net * 1e9 * 0.95);
  }
});

import assert from 'node:assert/strict';
import { test } from 'node:test';
import { classic } from '../../../../tests/sheets/instances.js';
import { freeOf, pack } from './index.js';

test('what is said to be left of a sheet is free, and nothing larger is: by looking at every whole millimetre', () => {
  let rooms = 0;
  for (let seed = 1; seed <= 12; seed += 1) {
    const problem = classic(1, 20, seed);
    const { length: L, width: W } = problem.sheet;
    for (const sheet of pack(problem, { steps: 1 }).sheets) {
      const taken = (x: number, y: number) =>
        sheet.placements.some(
          (piece) => x >= piece.x && x < piece.x + piece.length && y >= piece.y && y < piece.y + piece.width,
        );
      let largest = 0;
      for (let x = 0; x < L; x += 1)
        for (let y = 0; y < W; y += 1)
          for (let l = 1; x + l <= L; l += 1)
            for (let w = 1; y + w <= W; w += 1) {
              if (l * w <= largest) continue;
              let free = true;
              for (let u = x; u < x + l && free; u += 1) for (let v = y; v < y + w && free; v += 1) free = !taken(u, v);
              if (free) largest = l * w;
            }
      const found = freeOf(sheet.placements, problem);
      assert.equal(Math.round((found?.length ?? 0) * (found?.width ?? 0)), largest, `seed ${seed}`);
      rooms += 1;
    }
  }
  assert.ok(rooms > 40);
});

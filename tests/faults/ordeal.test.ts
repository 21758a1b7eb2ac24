/** The ordeal in short; `npm run ordeal` is the long form. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { askOddly, serveMany } from '../ordeal/asked.js';
import { killAmidSaves, startTogether } from '../ordeal/killed.js';

test('killed amid its saves: whole each time, and every save that was answered is there as it was answered', async () => {
  const { answered } = await killAmidSaves(6, 21);
  assert.ok(answered > 6, `${answered} saves were answered`);
});

test('two programs open an old shop at once and one is killed: the other has every job, and so has the next', async () => {
  const { killed } = await startTogether(6, 22);
  assert.ok(killed > 0, 'one at least was killed in time');
});

test('odd requests get answers: no failure, refusals in words, and the shop as sound as before', async () => {
  const counts = await askOddly(600, 23);
  assert.ok((counts[200] ?? 0) > 20 && (counts[422] ?? 0) > 20 && (counts[405] ?? 0) > 20, JSON.stringify(counts));
});

test('many clients at once: no request fails', async () => {
  const { requests } = await serveMany(12, 360);
  assert.equal(requests, 360);
});

/** The ordeal in short; `npm run ordeal` is the long form. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { askOddly, serveMany } from '../ordeal/asked.js';
import { setClocks } from '../ordeal/clock.js';
import { crowdTheDoor } from '../ordeal/door.js';
import { killAmidSaves, startTogether } from '../ordeal/killed.js';
import { sendLarge } from '../ordeal/large.js';
import { restoreShops } from '../ordeal/restored.js';

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

test('clocks set to any year: what is listed is read as it was saved, and the bin holds what it should', async () => {
  const { states, pruned } = await setClocks(2, 24);
  assert.ok(states > 50 && pruned > 10, `${states} states, ${pruned} pruned`);
});

test('shops in every state of damage: what is said to be restored is whole, what is refused stands as it stood', async () => {
  const { restored, refused } = await restoreShops(10, 25);
  assert.ok(restored > 2 && refused > 1, `${restored} restored, ${refused} refused`);
});

test('a crowd of strangers: nobody of them gets in, no save fails, newcomers do get in', async () => {
  const { saves, newcomers, wrong } = await crowdTheDoor(150, 26);
  assert.ok(saves > 10 && newcomers > 2 && wrong > 5, `${saves} saves, ${newcomers} newcomers, ${wrong} wrong codes`);
});

test('bodies as large as can be: each is answered in words, and others go on meanwhile', async () => {
  const { taken, refused, asked } = await sendLarge(10, 27);
  assert.ok(taken + refused === 10 && asked > 20, `${taken} taken, ${refused} refused, ${asked} asked`);
});

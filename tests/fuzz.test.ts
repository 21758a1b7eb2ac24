import assert from 'node:assert/strict';
import { test } from 'node:test';
import { readOddDocuments } from './ordeal/documents.js';

test('random documents: a good one solves, a bad one is refused with its places, nothing throws', () => {
  const { refused, solved } = readOddDocuments(4000);
  assert.ok(refused > 200 && solved > 800, `${refused} refused, ${solved} solved`);
});

import assert from 'node:assert/strict';
import { test } from 'node:test';
import { solveWith } from '../../../../tests/support/cabinets.js';
import { ALL_LAYERS, drawElevation, inLayers, isCalledFor, SIZES, type Sizes } from './index.js';

const drawing = drawElevation(solveWith({ width: 800 }), 'job');
const sizes = (word: Sizes) => inLayers(drawing, { ...ALL_LAYERS, sizes: word }).dimensions.map(({ id }) => id);

test('sizes go from none over those of the whole and of the openings to all, each holding the one before', () => {
  const words = Object.keys(SIZES) as Sizes[];
  const counts = words.map((word) => sizes(word).length);
  assert.equal(counts[0], 0);
  for (const [at, count] of counts.slice(1).entries()) assert.ok(count > (counts[at] ?? 0), words[at + 1]);
  assert.equal(counts.at(-1), drawing.dimensions.length);
  assert.deepEqual(sizes('overall').sort(), ['height', 'width']);
  const openings = sizes('openings');
  assert.ok(openings.includes('face-o1') && !openings.some((id) => id.startsWith('reveal')));
  for (const word of words)
    assert.deepEqual(
      sizes(word),
      drawing.dimensions.filter((item) => isCalledFor(item, word)).map(({ id }) => id),
    );
});

test('each layer takes away its own and nothing else', () => {
  const without = (layer: 'inside' | 'hardware' | 'grain') =>
    inLayers(drawing, { ...ALL_LAYERS, [layer]: false }).items;
  const hidden = drawing.items.filter((item) => 'weight' in item && item.weight === 'hidden').length;
  const fitted = drawing.items.filter(({ kind }) => kind === 'hardware' || kind === 'hole').length;
  assert.ok(hidden > 0 && fitted > 0);
  assert.equal(without('inside').length, drawing.items.length - hidden);
  assert.equal(without('hardware').length, drawing.items.length - fitted);
  assert.equal(without('grain').length, drawing.items.length);
  assert.ok(drawing.items.some((item) => item.kind === 'region' && item.grain));
  assert.ok(!without('grain').some((item) => item.kind === 'region' && item.grain));
  assert.deepEqual(inLayers(drawing, ALL_LAYERS), drawing);
});

import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { readJobText, solve } from '../../solve/index.js';
import { labelSheets, labelsOf } from './index.js';

test('every piece that is made has a label, with the bands and the front of the part that stands in the cabinet', () => {
  for (const name of ['reading-room', 'issue-desk']) {
    const read = readJobText(readFileSync(`demo/${name}.alcove.json`, 'utf8'));
    assert.ok(read.ok);
    const { cabinets } = solve(read.value);
    const labels = labelsOf(read.value, cabinets);
    const made = cabinets.flatMap(({ parts }) => parts.filter(({ bought }) => !bought));
    assert.equal(labels.length, made.length);
    assert.equal(new Set(labels.map(({ id }) => id)).size, labels.length);
    for (const { cabinet, parts } of cabinets)
      for (const part of parts) {
        const label = labels.find(({ id }) => id === `${cabinet.id} ${part.key}`);
        if (part.bought) continue;
        assert.ok(label, part.key);
        assert.equal(label.banded.length, part.bands.length);
        assert.equal(label.code, label.mark);
        // The arrow points at the side of the part that has the least depth in the cabinet.
        if (label.arrow?.says === 'front') {
          const axis = label.arrow.edge.startsWith('u') ? part.placement.u : part.placement.v;
          assert.equal(axis[1], 'y');
          assert.equal(label.arrow.edge.endsWith('0'), axis.startsWith('+'), `${part.key} ${label.arrow.edge} ${axis}`);
        }
      }
  }
});

test('labels lie on their pages, beside each other', () => {
  for (const [id, { page, across, down, label, first, step }] of Object.entries(labelSheets)) {
    assert.ok(step[0] >= label[0] && step[1] >= label[1], id);
    assert.ok(first[0] + (across - 1) * step[0] + label[0] <= page[0] + 0.6, `${id} is too wide`);
    assert.ok(first[1] + (down - 1) * step[1] + label[1] <= page[1] + 0.6, `${id} is too high`);
  }
});

import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { settingLeaves } from '../core/solve/index.js';
import { settingsPage, settingsText } from './settings.js';

test('the page of settings in the documentation is what the declarations say', () => {
  assert.equal(readFileSync('docs/settings.md', 'utf8'), settingsPage());
});

test('every setting is listed once, with what may stand there and what a new job starts with', () => {
  const page = settingsPage();
  const [metric, inch] = [settingsText('metric'), settingsText('inch')];
  for (const { key } of settingLeaves) {
    assert.equal(page.split(`| \`${key}\` |`).length, 2, key);
    for (const text of [metric, inch]) assert.equal(text.split(`\n  ${key} = `).length, 2, key);
  }
  assert.match(page, /\| `toe\/height` \| .* \| 0 mm to \d+ mm \| 100 mm \| 4 1\/2 in \|/);
  assert.match(inch, / {2}toe\/height = 4 1\/2 in\n {6}toe height; 0 in to /);
  assert.match(metric, / {2}catches\/doors = none\n {6}.*none, or an id of catches/);
});

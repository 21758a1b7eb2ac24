/** The sheets of a job on screen: laid out while one looks, each piece there, stopped and begun again. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By } from 'selenium-webdriver';
import { readJob } from '../src/core/document/index.js';
import { solve } from '../src/core/solve.js';
import { consoleErrors, eventually, find, named, seriousProblems, textOf } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();
const finished = () =>
  eventually(
    () => demo.browser.driver.executeScript('return document.querySelector("[data-sheets]")?.dataset.sheets ?? null'),
    (count) => count !== null,
    'the layout does not come to an end',
  );
const chooseFrom = async (label: string, words: string) => {
  const list = await demo.browser.driver.findElement(By.xpath(`//label[contains(., "${label}")]/select`));
  await (await list.findElement(By.xpath(`.//option[contains(., "${words}")]`))).click();
};

test('from the bench to its sheets: every piece of the job once for each there is, and back to the part', async () => {
  const { driver } = demo.browser;
  await demo.bench('reading room', 'c1');
  const id = await demo.job('reading room');
  await (await named(driver, 'Sheets')).click();
  await eventually(
    () => driver.getCurrentUrl(),
    (url) => url.endsWith('/sheets'),
    'the sheets do not open',
  );
  await finished();
  const pieces = (await driver.executeScript(
    'return [...document.querySelectorAll("[data-piece]")].map((piece) => piece.dataset.piece)',
  )) as string[];
  const stored = (await (await fetch(`${demo.server.url}/api/jobs/${id}`)).json()) as { document: unknown };
  const read = readJob(stored.document);
  assert.ok(read.ok);
  const wanted = solve(read.value)
    .cabinets.flatMap(({ rows }) => rows)
    .filter(({ part }) => part.material.form === 'sheet' && !part.bought);
  for (const { mark, quantity } of wanted)
    assert.equal(pieces.filter((piece) => piece === mark).length, quantity, mark);
  assert.equal(
    pieces.length,
    wanted.reduce((sum, { quantity }) => sum + quantity, 0),
  );
  assert.match(
    await textOf(driver, '[data-layout]'),
    /^\d+ sheets?; (fewer than \d+ is impossible|\d+ might be possible)$/,
  );
  const piece = await find(driver, '[data-piece="1.A"]');
  await piece.sendKeys(' ');
  assert.match(await textOf(driver, '[data-selected]'), /1\.A .*of 1 Sorting counter/);
  assert.deepEqual(await seriousProblems(driver), []);
  await (await named(driver, 'Show it on the bench')).click();
  await find(driver, 'main svg[role="group"]');
  assert.match(await driver.getCurrentUrl(), /cabinet=c1&part=/);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('another way of cutting lays out again; a long search is stopped and what was found stays', async () => {
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}/sheets`);
  await finished();
  await chooseFrom('Cut', 'edge to edge');
  await finished();
  await chooseFrom('in at most', '3 stages');
  await finished();
  await chooseFrom('Look for', 'a minute');
  await (await named(driver, 'Lay out again')).click();
  const stop = await driver.findElements(By.xpath('//button[contains(., "Stop")]'));
  // Where nothing better is possible it ends by itself.
  await stop[0]?.click().catch(() => undefined);
  await named(driver, 'Lay out again');
  assert.ok((await driver.findElements(By.css('[data-piece]'))).length > 100);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a job that is not there is said to be none', async () => {
  const response = await fetch(`${demo.server.url}/jobs/000000000000/sheets`);
  assert.equal(response.status, 404);
  assert.match(await response.text(), /There is no job here/);
});

import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By } from 'selenium-webdriver';
import { countedIds, newCabinet } from '../src/core/decisions/index.js';
import { checkJob, newJob, solve } from '../src/core/solve/index.js';
import { consoleErrors, eventually, find, named, textOf, untilAlive } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();

const unfold = async (title: string) => {
  const fold = await find(demo.browser.driver, `details[data-fold="${title}"]`);
  if ((await fold.getAttribute('open')) === null) await (await fold.findElement(By.css('summary'))).click();
};
const count = async (css: string) => (await demo.browser.driver.findElements(By.css(css))).length;

/** A base cabinet with trimmed fronts: both its doors turn in too small a gap, which is two findings alike. */
function trimmed() {
  const job = newJob('Alike', 'metric');
  const cabinet = newCabinet(job, 'base', countedIds());
  cabinet.settings = { making: { kind: 'trim' } };
  job.cabinets.push(cabinet);
  return job;
}

async function stored(document: object): Promise<string> {
  const response = await fetch(`${demo.server.url}/api/jobs/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(document),
  });
  const text = await response.text();
  assert.ok(response.ok, text);
  return (JSON.parse(text) as { id: string }).id;
}

test('findings alike are one row with a number that opens; what is settled is gone, with its marks, each time it comes and goes', async () => {
  const { driver } = demo.browser;
  const job = trimmed();
  const rule = 'hinges/gap-too-small';
  const alike = checkJob(solve(job)).filter((finding) => finding.rule === rule);
  assert.equal(alike.length, 2, 'what is wanted of the cabinet');
  const id = await stored(job);
  await driver.get(`${demo.server.url}/jobs/${id}?view=front&decisions=shown`);
  await untilAlive(driver);
  const rows = () => count(`[data-finding="${rule}"]`);
  const marks = () => count(`[data-finding-mark="${rule}"]`);
  const fold = `details[data-alike="${rule}"]`;
  const stand = async (wantedRows: number, wantedMarks: number, when: string) => {
    await eventually(rows, (there) => there === wantedRows, `${when}: ${wantedRows} rows`);
    await eventually(marks, (there) => there === wantedMarks, `${when}: ${wantedMarks} marks`);
  };
  await stand(1, 2, 'as stored');
  assert.match(await textOf(driver, fold), /1 more alike/);
  // The mark of the one that is folded opens the fold.
  const [, second] = await driver.findElements(By.css(`[data-finding-mark="${rule}"]`));
  await second?.click();
  await stand(2, 2, 'its mark pressed');
  await unfold('Making of doors and drawer fronts');
  const making = async (words: string) => {
    const choices = await find(driver, 'fieldset[data-path="making/kind"]');
    await (await choices.findElement(By.xpath(`.//label[contains(., "${words}")]`))).click();
  };
  for (let round = 0; round < 3; round += 1) {
    await making('slabs');
    await eventually(rows, (there) => there === 0, `round ${round}: a ghost of a finding stays`);
    await eventually(marks, (there) => there === 0, `round ${round}: a ghost of a mark stays`);
    await (await named(driver, 'Undo')).click();
    await eventually(marks, (there) => there === 2, `round ${round}: both marks are back, and no more`);
    assert.ok((await rows()) <= 2, `round ${round}`);
  }
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a choice that would stop the cabinet says so before it is chosen, and the sheets of a stopped job say which cabinet', async () => {
  const { driver } = demo.browser;
  const id = await stored({ ...trimmed(), name: 'Told before' });
  await driver.get(`${demo.server.url}/jobs/${id}?view=front&decisions=shown`);
  await untilAlive(driver);
  await unfold('Hinges');
  const list = await find(driver, 'select[data-path="hinges/family"]');
  await driver.executeScript('arguments[0].scrollIntoView({block: "center"}); arguments[0].focus()', list);
  await eventually(
    () => count('[data-stops="butt"]'),
    (there) => there === 1,
    'butts are not said to stop it',
  );
  const told = await (await find(driver, '[data-stops="butt"]')).findElement(By.xpath('..'));
  assert.match(await told.getText(), /stops?: No hinge in the library hangs/);
  assert.match(await (await list.findElement(By.css('option[value="butt"]'))).getText(), /: stops$/);
  await (await list.findElement(By.css('option[value="butt"]'))).click();
  await eventually(
    () => count('[data-finding="hinges/not-reachable"]'),
    (there) => there > 0,
    'it does not stop',
  );
  await eventually(
    () => textOf(driver, '[data-save]'),
    (text) => text === 'Saved',
    'it is not saved',
  );
  await driver.get(`${demo.server.url}/jobs/${id}/sheets`);
  const sheets = await textOf(driver, '[data-stopped]');
  assert.match(sheets, /One cabinet cannot be built as it stands: 1 Drawer over doors \(\d stops?\)/);
  const link = await find(driver, '[data-stopped] a');
  assert.match((await link.getAttribute('href')) ?? '', new RegExp(`/jobs/${id}\\?cabinet=`));
  assert.deepEqual(await consoleErrors(driver), []);
});

/** One job in two windows at once: what does not touch is merged as it happens, what does is put before the maker. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By, Key } from 'selenium-webdriver';
import { accessProblems, consoleErrors, eventually, find, named, textOf, untilAlive } from '../support/browser.js';
import { withDemo } from '../support/demo.js';

const demo = withDemo();
const windows: string[] = [];

const open = async () => {
  const { driver } = demo.browser;
  if (windows.length > 0) return;
  await demo.bench('reading room', 'c1');
  windows.push(await driver.getWindowHandle());
  await driver.switchTo().newWindow('window');
  await demo.bench('reading room', 'c1');
  windows.push(await driver.getWindowHandle());
};
const window = (at: number) => demo.browser.driver.switchTo().window(windows[at] as string);
const field = async (label: string) => {
  const id = await demo.browser.driver.executeScript(
    `return [...document.querySelectorAll("label")].find((each) => each.textContent === ${JSON.stringify(label)})?.htmlFor ?? ""`,
  );
  return find(demo.browser.driver, `input[id="${id}"]`);
};
const type = async (label: string, value: number) =>
  (await field(label)).sendKeys(Key.chord(Key.CONTROL, 'a'), String(value), Key.ENTER);
const reads = (label: string, value: string) =>
  eventually(
    async () => (await field(label)).getAttribute('value'),
    (now) => now === value,
    `${label} is not ${value}`,
  );
const saved = () =>
  eventually(
    () => textOf(demo.browser.driver, '[data-save]'),
    (text) => text === 'Saved',
    'not saved',
  );
/** What the list of saves says, and what stands beside it. */
const history = () => textOf(demo.browser.driver, '[role="tabpanel"]:has([aria-label="Saves"])');
const dialog = () => textOf(demo.browser.driver, '[role="dialog"]');
const stored = async () => {
  const answer = await fetch(`${demo.server.url}/api/jobs/${await demo.job('reading room')}`);
  const { document } = (await answer.json()) as {
    document: { cabinets: { id: string; size: { width: number; depth: number } }[] };
  };
  const size = document.cabinets.find(({ id }) => id === 'c1')?.size;
  return [size?.width, size?.depth];
};

test('a width here and a depth there are both saved, and each window shows the other at once', async () => {
  await open();
  await window(0);
  await type('Overall width', 911);
  await saved();
  await window(1);
  await reads('Overall width', '911');
  assert.match(await textOf(demo.browser.driver, 'main [role="status"]'), /From another window: .*width 911 mm/);
  await type('Overall depth', 512);
  await saved();
  await window(0);
  await reads('Overall depth', '512');
  // Undo takes back what this window did, and not what came from the other.
  await (await named(demo.browser.driver, 'Undo')).click();
  await saved();
  assert.equal((await stored())[1], 512);
  assert.notEqual((await stored())[0], 911);
});

test('one decision in two windows is put before the maker by name and value; what gives way is in the history', async () => {
  const { driver } = demo.browser;
  await open();
  // The second window hears nothing for a while, as on a bad line.
  await window(1);
  await driver.executeScript(
    "window.realFetch = window.fetch; window.fetch = (url, options) => options?.method === 'PATCH' ? new Promise((go) => setTimeout(() => go(window.realFetch(url, options)), 2500)) : window.realFetch(url, options);",
  );
  await type('Overall width', 933);
  await window(0);
  await type('Overall width', 944);
  await saved();
  await window(1);
  await eventually(dialog, (text) => /two windows/.test(text), 'no choice is given');
  const said = await dialog();
  assert.match(said, /overall width|width/i);
  assert.match(said, /933 mm/);
  assert.match(said, /944 mm/);
  assert.deepEqual(await accessProblems(driver), []);
  await driver.executeScript('window.fetch = window.realFetch');
  await driver.findElement(By.xpath('//label[contains(., "933 mm")]/input')).click();
  await (await named(driver, 'Go on with these')).click();
  await saved();
  assert.equal((await stored())[0], 933);
  await window(0);
  await reads('Overall width', '933');
  // The other way: theirs stands, mine is kept in the history.
  await window(1);
  await driver.executeScript(
    "window.realFetch = window.fetch; window.fetch = (url, options) => options?.method === 'PATCH' ? new Promise((go) => setTimeout(() => go(window.realFetch(url, options)), 2500)) : window.realFetch(url, options);",
  );
  await type('Overall width', 955);
  await window(0);
  await type('Overall width', 966);
  await saved();
  await window(1);
  await eventually(dialog, (text) => /955 mm/.test(text), 'no choice is given');
  await driver.executeScript('window.fetch = window.realFetch');
  await (await named(driver, 'Go on with these')).click();
  await saved();
  assert.equal((await stored())[0], 966);
  await (await named(driver, 'History')).click();
  await eventually(history, (text) => /1 gave way/.test(text), 'what gave way is not in the history');
  await driver.findElement(By.xpath('//button[contains(., "gave way")]')).click();
  await eventually(
    history,
    (text) => /What gave way to another window/.test(text) && /955 mm/.test(text),
    'it is not told',
  );
  // The other window's saves and this one's steps stand in one list.
  assert.match(await history(), /In this window[\s\S]*width 966/i);
});

test('a state of before is looked at, brought back as a step, and undone', async () => {
  const { driver } = demo.browser;
  await open();
  await window(0);
  await driver.navigate().refresh();
  await untilAlive(driver);
  const [width, depth] = await stored();
  await type('Overall width', 977);
  await saved();
  await (await named(driver, 'History')).click();
  await eventually(history, (text) => /demo data|begun/.test(text), 'nothing is listed');
  const saves = await driver.findElements(By.css('[aria-label="Saves"] li button'));
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', saves[0]);
  await (saves[0] as (typeof saves)[number]).click();
  await eventually(
    history,
    (text) => /version 1/.test(text) && /What bringing it back would change/.test(text),
    'no state is shown',
  );
  assert.deepEqual(await accessProblems(driver), []);
  await (await named(driver, 'Bring it back')).click();
  await saved();
  const [first] = await stored();
  assert.notEqual(first, 977);
  assert.notDeepEqual([first], [width]);
  await (await named(driver, 'Undo')).click();
  await saved();
  assert.deepEqual(await stored(), [977, depth]);
  const file = (await (
    await fetch(`${demo.server.url}/api/jobs/${await demo.job('reading room')}/history.json`)
  ).json()) as { format: string; saves: { edits?: unknown[] }[]; states: unknown[] };
  assert.equal(file.format, 'alcove-history');
  assert.ok(file.saves.length > 8 && file.states.length > 0);
  // A save that another window came before is answered with 409, which the browser notes by itself.
  const errors = (await consoleErrors(driver)).filter((message) => !message.includes('status of 409'));
  assert.deepEqual(errors, []);
});

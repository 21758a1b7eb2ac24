/** The cabinet in the round: what it shows, what is selected in it, and that nothing else is asked for. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By } from 'selenium-webdriver';
import { accessProblems, consoleErrors, eventually, find, named, textOf, untilAlive } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo({ inTheRound: true });
const open = async (more: string) => {
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}?${more}`);
  await untilAlive(driver);
  await eventually(
    () => driver.executeScript('return document.querySelector("[data-picture]")?.dataset.picture'),
    (state) => state === 'done',
    'the picture is not made',
  );
};
const address = () => demo.browser.driver.getCurrentUrl();
/** Presses the canvas at a share of its width and height. */
const pressAt = async (across: number, down: number) => {
  const { driver } = demo.browser;
  const { x, y, width, height } = await (await find(driver, '[data-picture] canvas')).getRect();
  await driver
    .actions({ async: true })
    .move({ x: Math.round(x + width * across), y: Math.round(y + height * down) })
    .press()
    .release()
    .perform();
};
const chooseFrom = async (label: string, words: string) => {
  const list = await demo.browser.driver.findElement(By.xpath(`//label[contains(., "${label}")]/select`));
  await (await list.findElement(By.xpath(`.//option[contains(., "${words}")]`))).click();
};

test('the picture has each part of the list once; what is pressed in it is selected in the list, and the other way', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1&view=picture&parts=shown');
  const shown = ((await (await find(driver, '[data-picture]')).getAttribute('data-parts')) ?? '').split(' ');
  assert.equal(new Set(shown).size, shown.length);
  const listed = Number(/(\d+) parts/.exec(await textOf(driver, '[aria-label="Parts"] thead'))?.[1]);
  assert.equal(shown.length, listed);
  await chooseFrom('From', 'Front');
  await driver.sleep(500);
  // From the front its left door is left of the middle, below; its drawer above.
  await pressAt(0.44, 0.6);
  await eventually(address, (url) => url.includes('part=door%2Fo2%2Fleft'), 'the left door is not selected');
  assert.match(await textOf(driver, 'tr[aria-selected=true]'), /Door, left/);
  await pressAt(0.56, 0.6);
  await eventually(address, (url) => url.includes('part=door%2Fo2%2Fright'), 'the right door is not selected');
  const row = await driver.findElement(By.xpath('//section[@aria-label="Parts"]//tr[td[2]="Bottom"]//button'));
  await driver.executeScript('arguments[0].click()', row);
  await eventually(address, (url) => url.includes('part=bottom'), 'the list selects another');
  assert.deepEqual(await accessProblems(driver), []);
});

test('doors opened, taken apart, cut and seen alone: it draws on without a word in the console or a request elsewhere', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1&view=picture');
  const picture = async () => String(await driver.takeScreenshot());
  const first = await picture();
  const slide = (at: number, value: string) =>
    driver.executeScript(
      `const slider = document.querySelectorAll('main input[type=range]')[${at}];
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(slider, ${value});
       slider.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
  const changed = async (what: string, before: string) => {
    const now = await eventually(picture, (shot) => shot !== before, `${what} changes nothing`);
    return now;
  };
  await slide(0, '1');
  const opened = await changed('opening', first);
  await slide(1, '6');
  const apart = await changed('taking apart', opened);
  await chooseFrom('Cut', 'across the width');
  const cut = await changed('the cut', apart);
  await (await named(driver, 'See through')).click();
  await changed('seeing through', cut);
  await (await find(driver, '[data-picture]')).sendKeys('+');
  assert.deepEqual(await consoleErrors(driver), []);
  const elsewhere = (await driver.executeScript(
    'return performance.getEntriesByType("resource").map(({ name }) => name).filter((name) => new URL(name).origin !== location.origin && !name.startsWith("data:") && !name.startsWith("blob:"))',
  )) as string[];
  assert.deepEqual(elsewhere, []);
});

test('the picture stands in the corner of all views once it is asked for, and after a reload', async () => {
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}?cabinet=c1`);
  await untilAlive(driver);
  assert.equal((await driver.findElements(By.css('[data-picture]'))).length, 0, 'nothing is loaded for it before');
  await (await driver.findElement(By.css('body'))).sendKeys('v');
  await find(driver, '[data-picture] canvas');
  await driver.navigate().refresh();
  await untilAlive(driver);
  await find(driver, '[data-picture] canvas');
  await (await driver.findElement(By.css('[aria-label="Put the picture away"]'))).click();
  await eventually(
    () => driver.findElements(By.css('[data-picture]')),
    (all) => all.length === 0,
    'it does not go away',
  );
});

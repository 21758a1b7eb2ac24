import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By } from 'selenium-webdriver';
import { accessProblems, consoleErrors, eventually, find, textOf } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();

const bench = (cabinet: string) => demo.bench('reading room', cabinet);
const { choose } = demo;
const parts = () => textOf(demo.browser.driver, '[aria-label="Parts"]');
const press = async (label: string) => (await find(demo.browser.driver, `button[aria-label="${label}"]`)).click();

test('what is behind a pair of doors is divided, filled with trays, and each tray tells its spacers', async () => {
  const { driver } = demo.browser;
  await bench('c1');
  await choose('Doors, inside', 'divided in rows');
  await eventually(parts, (text) => (text.match(/Fixed shelf/g) ?? []).length > 0, 'no fixed shelf divides the room');
  await choose('Room 1 behind doors is for', 'a pull-out tray');
  await eventually(parts, (text) => text.includes('Tray behind doors box: bottom'), 'the tray has no box');
  await press('Select 1.A Side, left');
  const select = await driver.findElement(By.css('button[aria-label*="Tray behind doors box: left side"]'));
  await driver.executeScript('arguments[0].click()', select);
  const panel = await eventually(
    () => textOf(driver, '[aria-label="Tape and findings"]'),
    (text) => text.includes('Spacer stick'),
    'the tray does not tell of its spacers',
  );
  assert.match(panel, /Stands out at the left, by door and hinge\s*22/);
  assert.match(panel, /Spacer, left\s*24/);
  await eventually(
    () => textOf(driver, 'header'),
    (text) => text.includes('Saved'),
    'it is not saved',
  );
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a room too high for what there is is refused in words, and what was typed is there to mend', async () => {
  const { driver } = demo.browser;
  await choose('Tray behind doors size', 'fixed at');
  const label = await driver.findElement(By.xpath('//label[.="Tray behind doors height"]'));
  const field = await find(driver, `[id="${await label.getAttribute('for')}"]`);
  await field.clear();
  await field.sendKeys('4000', '\n');
  const said = await eventually(
    () => textOf(driver, '[aria-label="Decisions"]'),
    (text) => text.includes('more than there is'),
    'nothing says that it does not fit',
  );
  assert.match(said, /The rooms behind doors need/);
});

test('the plan cuts through the tray that is chosen, and opens it between the open doors', async () => {
  const { driver } = demo.browser;
  await bench('c7');
  await (await driver.findElement(By.xpath('//*[@role="tab"][.="Plan"]'))).click();
  await choose('Cut through', 'Tray 1');
  const drawn = () =>
    driver.executeScript<number>('return document.querySelectorAll(\'[data-part^="drawer/r7/box"]\').length');
  const shut = await eventually(drawn, (count) => count > 0, 'the tray is not drawn');
  await (await driver.findElement(By.xpath('//button[.="Open it"]'))).click();
  await eventually(drawn, (count) => count > shut, 'the tray does not come out');
  assert.deepEqual(await accessProblems(driver), []);
  assert.deepEqual(await consoleErrors(driver), []);
});

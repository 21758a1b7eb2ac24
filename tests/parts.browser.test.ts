/** One part unlike its fellows, drawers by what goes in, trays for a standing cabinet, a test piece of a hinge. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By, Key } from 'selenium-webdriver';
import { accessProblems, consoleErrors, eventually, find, textOf, untilAlive } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();

const bench = (cabinet: string) => demo.bench('reading room', cabinet);
const stored = async () =>
  (
    (await (await fetch(`${demo.server.url}/api/jobs/${await demo.job('reading room')}`)).json()) as {
      document: { cabinets: { id: string; parts?: object[] }[]; standing?: object[] };
    }
  ).document;
const saved = () =>
  eventually(
    () => textOf(demo.browser.driver, 'header'),
    (text) => text.includes('Saved'),
    'it is not saved',
  );
const press = async (text: string) => {
  const button = await demo.browser.driver.findElement(By.xpath(`//button[contains(normalize-space(.), "${text}")]`));
  await demo.browser.driver.executeScript('arguments[0].click()', button);
};
const parts = () => textOf(demo.browser.driver, '[aria-label="Parts"]');

test('a side of another board changes the inside width, is stored, and is left to the rules again', async () => {
  const { driver } = demo.browser;
  await bench('c1');
  await (await find(driver, 'button[aria-label="Select 1.A Side, left"]')).click();
  await driver.executeScript(`document.querySelector('details[aria-label="This part alone"]').open = true`);
  const choose = async (words: string) => {
    const option = await driver.findElement(
      By.xpath(`//details[@aria-label="This part alone"]//option[contains(., "${words}")]`),
    );
    await option.click();
  };
  const before = await parts();
  await choose('Birch plywood 12');
  await eventually(parts, (text) => text !== before && text.includes('Birch plywood 12'), 'the side is as it was');
  await saved();
  assert.equal((await stored()).cabinets.find(({ id }) => id === 'c1')?.parts?.length, 1);
  await choose('by the rules');
  await eventually(parts, (text) => text === before, 'the parts are not as they were');
  await saved();
  assert.equal((await stored()).cabinets.find(({ id }) => id === 'c1')?.parts, undefined);
});

test('a part is left out, stands under the list, and is put back', async () => {
  const { driver } = demo.browser;
  await bench('c1');
  const before = await parts();
  const row = await driver.findElement(By.css('button[aria-label$=" Back"]'));
  await driver.executeScript('arguments[0].click()', row);
  await driver.executeScript(`document.querySelector('details[aria-label="This part alone"]').open = true`);
  await (
    await driver.findElement(By.xpath('//details[@aria-label="This part alone"]//option[. = "left out"]'))
  ).click();
  await eventually(parts, (text) => text.includes('Back, left out'), 'the back is not left out');
  await press('Put it back');
  await eventually(parts, (text) => text === before, 'the back is not put back');
});

test('trays for a standing cabinet: measured, listed, kept, refused in words where it cannot be', async () => {
  const { driver } = demo.browser;
  await bench('c1');
  await press('Standing');
  await press('A cabinet');
  const dialog = () => textOf(driver, '[role="dialog"]');
  await eventually(dialog, (text) => text.includes('T1.A'), 'there are no parts');
  const field = await driver.findElement(
    By.xpath('//label[contains(., "Stands out at the left")]/following-sibling::input'),
  );
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '21', Key.ENTER);
  await eventually(dialog, (text) => /Spacer, left/.test(text) && /Spacer sticks/.test(text), 'no spacer is figured');
  const depth = await driver.findElement(
    By.xpath('//label[contains(., "Depth behind the doors")]/following-sibling::input'),
  );
  await depth.sendKeys(Key.chord(Key.CONTROL, 'a'), '130', Key.ENTER);
  await eventually(dialog, (text) => text.includes('No runner in the library carries'), 'it is not said why');
  await depth.sendKeys(Key.chord(Key.CONTROL, 'a'), '520', Key.ENTER);
  await eventually(dialog, (text) => !text.includes('No runner in the library'), 'it stays refused');
  assert.deepEqual(await accessProblems(driver), []);
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  await saved();
  assert.equal((await stored()).standing?.length, 1);
  const list = await (await fetch(`${demo.server.url}/api/jobs/${await demo.job('reading room')}/cutlist.csv`)).text();
  assert.match(list, /^T1\.A/m);
});

test('what goes into a drawer is said, and its stack shared out by it', async () => {
  const { driver } = demo.browser;
  await bench('c2');
  const front = await driver.findElement(By.css('[aria-label="Parts"] button[aria-label*="rawer front"]'));
  await driver.executeScript('arguments[0].click()', front);
  const panel = () => textOf(driver, '[aria-label="Drawer behind this front"]');
  await eventually(panel, (text) => text.includes('Box height'), 'no drawer is told of');
  const high = await driver.findElement(
    By.xpath('//label[contains(., "What goes in is so high")]/following-sibling::input'),
  );
  await high.sendKeys(Key.chord(Key.CONTROL, 'a'), '90', Key.ENTER);
  await eventually(panel, (text) => text.includes('Share the heights out'), 'heights cannot be shared out');
  const height = async () => /Box height\s*([\d.]+)/.exec(await panel())?.[1];
  const before = await height();
  await press('Share the heights out by what goes in');
  await eventually(height, (now) => now !== before, 'the box is as high as it was');
});

test('a test piece of a hinge becomes a job of its own, and what it taught stands with the hinge', async () => {
  const { driver } = demo.browser;
  await bench('c1');
  await press('Hardware');
  const outcome = await find(driver, 'select[aria-label^="What came of a test piece"]');
  await (await outcome.findElement(By.xpath('.//option[contains(., "with a correction")]'))).click();
  const taught = await find(driver, 'input[aria-label^="What the test piece of"]');
  await taught.sendKeys('half a millimetre nearer', Key.TAB);
  await saved();
  await press('Make a test piece');
  const reading = await demo.job('reading room');
  await eventually(
    async () => driver.getCurrentUrl(),
    (url) => !url.includes(reading),
    'no job is opened',
  );
  await untilAlive(driver);
  const name = async () => (await find(driver, 'header input')).getAttribute('value');
  await eventually(name, (value) => /Test piece/.test(value ?? ''), 'the job is not called after what it proves');
  assert.deepEqual(await consoleErrors(driver), []);
});

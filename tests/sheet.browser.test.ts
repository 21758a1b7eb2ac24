/** The sheet as a job opens it: views in line with one another, each brought forward, and what stands beside it. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By, Key } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { accessProblems, consoleErrors, eventually, find, named, textOf, untilAlive } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();
const open = async (more: string) => {
  await demo.browser.driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}?${more}`);
  await untilAlive(demo.browser.driver);
  await find(demo.browser.driver, 'main svg[role="group"]');
};
const views = async () =>
  (await demo.browser.driver.executeScript(
    'return [...document.querySelectorAll("[data-view]")].map((each) => each.dataset.view)',
  )) as string[];
const share = async () =>
  (await demo.browser.driver.executeScript(
    'const { width, height } = document.querySelector("main .sheet").getBoundingClientRect(); return (width * height) / (innerWidth * innerHeight)',
  )) as number;
const address = () => demo.browser.driver.getCurrentUrl();

test('a job opens on its sheet: front and section in line, six tenths of the window, nothing wrong with access', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1');
  assert.deepEqual(await views(), ['front', 'section']);
  assert.ok((await share()) >= 0.6, `${await share()} of the window`);
  const shelf = (view: string) =>
    driver.executeScript(
      `return [...document.querySelectorAll('[data-view="${view}"] [data-part^="shelf"]')].map((each) => Math.round(each.getBoundingClientRect().top))[0]`,
    );
  const [inFront, inSection] = [await shelf('front'), await shelf('section')];
  assert.ok(typeof inFront === 'number' && inFront === inSection, `a shelf at ${inFront} and ${inSection}`);
  assert.deepEqual(await accessProblems(driver), []);
});

test('the first sheet stands before any script has run, and the bench then draws every word of it in the same place', async () => {
  const { driver } = demo.browser;
  const scripts = (off: boolean) =>
    (driver as Driver).sendDevToolsCommand('Emulation.setScriptExecutionDisabled', { value: off });
  // The driver looks at a page that runs nothing of its own.
  const words = async (svg: string) =>
    (await driver.executeScript(
      `return [...document.querySelectorAll('${svg} text')].map((each) => { const { left, top } = each.getBoundingClientRect(); return { text: each.textContent, left, top } })`,
    )) as { text: string; left: number; top: number }[];
  for (const more of ['cabinet=c1', 'cabinet=c9&parts=shown&decisions=shown']) {
    const address = `${demo.server.url}/jobs/${await demo.job('reading room')}?${more}`;
    await scripts(true);
    // A server that is busy lets the page go without it.
    await eventually(
      async () => {
        await driver.get(address);
        return (await driver.getPageSource()).includes('data-first-sheet');
      },
      (there) => there,
      'no sheet came with the page',
    );
    assert.equal(await driver.findElements(By.css('header')).then((found) => found.length), 0, 'something ran');
    const first = await words('[data-first-sheet]');
    await scripts(false);
    await open(more);
    const drawn = await words('main svg[role="group"]');
    assert.ok(first.length > 20, `${first.length} words`);
    assert.deepEqual(first.map(({ text }) => text).sort(), drawn.map(({ text }) => text).sort());
    // As the browser sets them, figures keep within the room the core reckoned for them.
    const wider = (await driver.executeScript(
      `return [...document.querySelectorAll('[data-figures]')].flatMap((each) => {
        const room = document.querySelector('[data-dimension="' + each.dataset.figures + '"]').getBoundingClientRect();
        const { left, right } = each.getBoundingClientRect();
        return left < room.left - 1 || right > room.right + 1 ? [each.dataset.figures] : [];
      })`,
    )) as string[];
    assert.deepEqual(wider, []);
    for (const { text, left, top } of first) {
      const near = drawn.some((each) => each.text === text && Math.hypot(each.left - left, each.top - top) < 2);
      assert.ok(near, `${more}: "${text}" stood at ${left}, ${top}`);
    }
  }
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a view is brought forward and put back, by its tab, its key and a double press; the address keeps it', async () => {
  const { driver } = demo.browser;
  const body = () => driver.findElement(By.css('body'));
  await open('cabinet=c1');
  await driver
    .actions()
    .doubleClick(await find(driver, '[data-view="section"] [data-part="back"]'))
    .perform();
  await eventually(address, (url) => url.includes('view=section'), 'the section does not come forward');
  await driver.navigate().refresh();
  await untilAlive(driver);
  await eventually(
    () => textOf(driver, 'main svg[role="group"]'),
    (text) => text.includes('Side section'),
    'a reload forgets it',
  );
  await (await body()).sendKeys('a');
  await eventually(views, (all) => all.length === 2, 'it is not put back');
  await (await body()).sendKeys('l');
  await eventually(address, (url) => url.includes('view=plan'), 'the plan has no key');
  await (await body()).sendKeys('a');
  await eventually(address, (url) => !url.includes('view='), 'the address keeps a view that is gone');
});

test('decisions and parts stand beside the sheet only while they are wanted', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1');
  const body = await driver.findElement(By.css('body'));
  assert.equal((await driver.findElements(By.css('[aria-label="Decisions"]'))).length, 0);
  await body.sendKeys('d');
  await find(driver, '[aria-label="Decisions"]');
  await (await named(driver, 'parts,')).click();
  await find(driver, '[aria-label="Parts"]');
  await eventually(
    address,
    (url) => /parts=shown&decisions=shown|decisions=shown&parts=shown/.test(url),
    'the address forgets them',
  );
  await body.sendKeys('d');
  await body.sendKeys('t');
  await eventually(
    async () => (await driver.findElements(By.css('[aria-label="Decisions"], [aria-label="Parts"]'))).length,
    (count) => count === 0,
    'they do not go away',
  );
  // A term of a tape leads to where it is decided, and shows it.
  await (await find(driver, '[data-view="front"] [data-dimension="inside-width"]')).click();
  await (await find(driver, '[data-tape] button')).click();
  assert.deepEqual(await consoleErrors(driver), []);
});

test('what is looked for by another word is found, and Enter goes where it is decided', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1');
  await driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
  const dialog = () => textOf(driver, '[role="dialog"]');
  await driver.actions().sendKeys('kick height').perform();
  await eventually(dialog, (text) => /Toe height[\s\S]*100 mm/.test(text), 'the toe is not found');
  assert.deepEqual(await accessProblems(driver), []);
  await driver.actions().sendKeys(Key.ENTER).perform();
  const focused = () =>
    driver.executeScript(
      'return document.activeElement?.closest("[data-path]")?.dataset.path ?? ""',
    ) as Promise<string>;
  await eventually(focused, (path) => path.endsWith('toe/height'), 'the cursor does not stand where it is decided');
  await driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
  await driver.actions().sendKeys('3 ').perform();
  await driver
    .actions()
    .keyDown(Key.CONTROL)
    .sendKeys('a')
    .keyUp(Key.CONTROL)
    .sendKeys('plan chest', Key.ENTER)
    .perform();
  await eventually(address, (url) => url.includes('cabinet=c9'), 'the cabinet does not come');
});

test('layers come and go by their keys and their menu, and are as they were left after a reload', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1&view=front');
  const body = () => driver.findElement(By.css('body'));
  const dimensions = async () => (await driver.findElements(By.css('[data-dimension]'))).length;
  const hardware = async () => (await driver.findElements(By.css('[data-hardware]'))).length;
  const all = await dimensions();
  assert.ok(all > 5 && (await hardware()) > 0);
  await (await body()).sendKeys('z');
  await eventually(dimensions, (count) => count === 0, 'the sizes stay');
  await (await body()).sendKeys('z');
  await eventually(dimensions, (count) => count > 0 && count < all, 'the sizes of the whole do not come');
  await (await body()).sendKeys('w');
  await eventually(hardware, (count) => count === 0, 'the hardware stays');
  await driver.navigate().refresh();
  await untilAlive(driver);
  await find(driver, '[data-dimension="width"]');
  assert.ok((await dimensions()) < all && (await hardware()) === 0, 'a reload forgets it');
  await (await named(driver, 'Layers')).click();
  await driver.findElement(By.xpath('//*[@role="menuitemradio"][contains(., "all")]')).click();
  await driver.findElement(By.xpath('//*[@role="menuitemcheckbox"][contains(., "Hardware")]')).click();
  assert.deepEqual(await accessProblems(driver), []);
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  await eventually(dimensions, (count) => count === all, 'not all sizes come back');
  assert.ok((await hardware()) > 0);
});

test('an open tape is kept by the address: a reload and another window open it at the same number, at the term that was followed', async () => {
  const { driver } = demo.browser;
  const tape = () => driver.executeScript('return document.querySelector("[data-tape]")?.dataset.tape ?? null');
  await open('cabinet=c1');
  // A number that stands on the drawing only, then one of a part with a term opened in it.
  await driver.executeScript(
    'document.querySelector("[data-dimension]").dispatchEvent(new MouseEvent("click", { bubbles: true }))',
  );
  const drawn = await eventually(tape, (label) => label !== null, 'no tape opens');
  await eventually(address, (url) => url.includes('tape='), 'the address does not say it');
  await driver.navigate().refresh();
  await untilAlive(driver);
  await eventually(tape, (label) => label === drawn, 'a reload forgets the number on the drawing');
  await open('cabinet=c1&part=side/left&parts=shown');
  await (await find(driver, '[data-size="bottom cutLength"]')).click();
  await eventually(tape, (label) => typeof label === 'string' && label !== drawn, 'the tape of the part does not open');
  await (await find(driver, '[data-tape] ol button')).click();
  await eventually(
    () => textOf(driver, '[data-tape]'),
    (text) => text.includes('back to'),
    'no term opens',
  );
  const term = await tape();
  const url = await eventually(address, (now) => /tape=[^&]*%7C[^&]*%7C/.test(now), 'the address has no trail');
  await driver.get(url);
  await untilAlive(driver);
  await eventually(tape, (label) => label === term, 'the term is not open again');
  // What nobody wrote opens nothing, and breaks nothing.
  await open('cabinet=c1&tape=aside|%25%25');
  assert.equal(await tape(), null);
  assert.deepEqual(await consoleErrors(driver), []);
});

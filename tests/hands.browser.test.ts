/** Work done on the drawing itself: by pointer, by keys alone, and looked back on. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { check, readJob, solve } from '../src/core/solve/index.js';
import { accessProblems, consoleErrors, eventually, find, named, textOf, untilAlive } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();
const saved = () =>
  eventually(
    () => textOf(demo.browser.driver, '[data-save]'),
    (text) => text === 'Saved',
    'the job is not saved',
  );
/** The job as the server has it, solved here. */
async function stored(id: string) {
  await saved();
  const response = await fetch(`${demo.server.url}/api/jobs/${id}`);
  const read = readJob(((await response.json()) as { document: unknown }).document);
  assert.ok(read.ok);
  return { job: read.value, solved: solve(read.value).cabinets };
}
const jobId = async () => /jobs\/([^?/]+)/.exec(await demo.browser.driver.getCurrentUrl())?.[1] ?? '';
const middleOf = async (element: WebElement) => {
  const { x, y, width, height } = await element.getRect();
  return { x: Math.round(x + width / 2), y: Math.round(y + height / 2), width, height };
};
const open = async (more: string) => {
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}?${more}`);
  await untilAlive(driver);
  await find(driver, 'main svg[role="group"]');
};
const press = async (css: string, keys: readonly string[] = []) => {
  const { driver } = demo.browser;
  const { x, y } = await middleOf(await find(driver, css));
  const actions = driver.actions();
  for (const key of keys) actions.keyDown(key);
  actions.move({ x, y }).press().release();
  for (const key of keys) actions.keyUp(key);
  await actions.perform();
};
const drag = async (css: string, by: { x?: number; y?: number }, at: { x?: number; y?: number } = {}) => {
  const { driver } = demo.browser;
  const middle = await middleOf(await find(driver, css));
  const [x, y] = [middle.x + (at.x ?? 0), middle.y + (at.y ?? 0)];
  await driver
    .actions({ async: true })
    .move({ x, y })
    .press()
    .move({ x: x + Math.round((by.x ?? 0) / 2), y: y + Math.round((by.y ?? 0) / 2), duration: 60 })
    .move({ x: x + (by.x ?? 0), y: y + (by.y ?? 0), duration: 60 })
    .pause(250)
    .release()
    .perform();
};

test('a base of four packet drawers from nothing, by pointer: begun from its sizes, made drawers, divided, dragged', async () => {
  const { driver } = demo.browser;
  await open('view=front');
  const before = (await stored(await jobId())).job.cabinets.length;
  await (await named(driver, 'From…')).click();
  const width = await find(driver, '[role="dialog"] input');
  assert.ok(width);
  await find(driver, '[data-preview]');
  await (await named(driver, 'Begin it')).click();
  await eventually(
    async () => (await stored(await jobId())).job.cabinets.length,
    (count) => count === before + 1,
    'nothing was begun',
  );
  // Its doors become a drawer from the menu at the thing, and that is divided in three by dragging its edge.
  await press('[data-view] [data-part^="door/"]');
  await (await named(driver, 'More')).click();
  await (await named(driver, 'Drawer')).click();
  await eventually(
    () => driver.findElements(By.css('[data-view] [data-part^="drawer/o2"]')),
    (all) => all.length > 0,
    'it has no drawer',
  );
  await press('[data-view] [data-part="drawer/o2"]');
  await drag('[data-divide="rows"]', { y: 60 });
  const divided = await stored(await jobId());
  const own = divided.solved.at(-1);
  assert.ok(own);
  assert.ok(own.fronts.length >= 4, `${own.fronts.length} fronts`);
  assert.ok(own.fronts.every(({ kind }) => kind === 'drawer'));
  assert.ok(
    own.fitted.runners.every(({ parts }) => parts.length > 0),
    'each has its box',
  );
  const top = own.fronts.find(({ openingId }) => openingId === 'o1')?.v.size.value ?? 0;
  await drag('[data-line="gap-o1"] [role="slider"]', { y: 30 }, { x: 90 });
  const dragged = (await stored(await jobId())).solved.at(-1);
  assert.ok(
    (dragged?.fronts.find(({ openingId }) => openingId === 'o1')?.v.size.value ?? 0) > top + 20,
    'the top drawer grew',
  );
  assert.deepEqual(
    (dragged ? check(dragged) : []).filter(({ severity }) => severity === 'stop'),
    [],
  );
  assert.deepEqual(await consoleErrors(driver), []);
});

test('the same by keyboard alone: an opening reached by Tab, divided by a number, made by a letter, a line moved by arrows', async () => {
  const { driver } = demo.browser;
  await open('view=front');
  const before = (await stored(await jobId())).job.cabinets.length;
  const active = () => driver.switchTo().activeElement();
  const tabTo = async (holds: (element: WebElement) => Promise<boolean>, what: string) => {
    for (let tries = 0; tries < 120; tries += 1) {
      await driver.actions().sendKeys(Key.TAB).perform();
      if (await holds(await active())) return active();
    }
    throw new Error(`Tab does not reach ${what}`);
  };
  await (await tabTo(async (element) => (await element.getText()).includes('Base cabinet'), 'a new cabinet')).sendKeys(
    Key.ENTER,
  );
  await eventually(
    async () => (await stored(await jobId())).job.cabinets.length,
    (count) => count === before + 1,
    'nothing was begun',
  );
  const tree = await tabTo(
    async (element) => (await element.getAttribute('role')) === 'treeitem',
    'the drawing as a tree',
  );
  await driver.sleep(200);
  await tree.sendKeys(Key.ARROW_DOWN);
  await driver.sleep(80);
  for (let down = 0; down < 12; down += 1) {
    if (/^Doors/.test(await (await active()).getText())) break;
    await driver.actions().sendKeys(Key.ARROW_DOWN).perform();
    await driver.sleep(80);
  }
  assert.match(await (await active()).getText(), /^Doors.*wide.*high/);
  await driver.actions().sendKeys(Key.ENTER).perform();
  await driver.actions().sendKeys('3', 'r').perform();
  await eventually(
    async () => (await stored(await jobId())).solved.at(-1)?.fronts.length ?? 0,
    (count) => count === 7,
    'it is not divided',
  );
  await driver.actions().sendKeys('m').perform();
  await find(driver, '[role="menu"]');
  await driver.actions().sendKeys('d').perform();
  const own = await eventually(
    async () => (await stored(await jobId())).solved.at(-1),
    (cabinet) => cabinet?.fronts.every(({ kind }) => kind === 'drawer') === true,
    'not all are drawers',
  );
  const size = (id: string, cabinet = own) =>
    cabinet?.fronts.find(({ openingId }) => openingId === id)?.v.size.value ?? 0;
  await (await tabTo(async (element) => (await element.getAttribute('role')) === 'slider', 'a line')).sendKeys(
    Key.chord(Key.SHIFT, Key.ARROW_DOWN),
  );
  const moved = await eventually(
    async () => (await stored(await jobId())).solved.at(-1),
    (cabinet) => Math.abs(size('o1', cabinet) - size('o1') - 10) < 0.01,
    'the line did not move by ten',
  );
  assert.ok(moved);
  assert.deepEqual(await accessProblems(driver), []);
});

test('sheet measured thin late: what it changed is read before and after, and walked back', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1&view=front&decisions=shown');
  const before = (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c1');
  await (await find(driver, 'details[data-fold="Materials"] summary')).click();
  const readings = await find(driver, 'input[aria-label="Birch plywood 18, readings"]');
  await readings.sendKeys(Key.chord(Key.CONTROL, 'a'), '17.1', Key.ENTER);
  await (await named(driver, 'What changed')).click();
  const table = await eventually(
    () => textOf(driver, '[data-differences]'),
    (text) => text.includes('Bottom'),
    'nothing is told',
  );
  const after = (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c1');
  const length = (cabinet: typeof before) => cabinet?.parts.find(({ key }) => key === 'bottom')?.cutLength.value ?? 0;
  assert.ok(length(after) > length(before));
  for (const cabinet of [before, after])
    assert.ok(table.includes(String(Math.round(length(cabinet) * 10) / 10)), 'both sizes stand there');
  await (await named(driver, 'Go back to before this')).click();
  const back = (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c1');
  assert.equal(length(back), length(before));
  await (await named(driver, 'Do up to here again')).click();
  await saved();
  await (await named(driver, 'Undo')).click();
  await (await named(driver, 'Compare')).click();
  await find(driver, 'select[aria-label="Compare with"]');
  await find(driver, '[data-differences]');
  assert.deepEqual(await accessProblems(driver), []);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('several openings are chosen with Shift and by a frame, and made one thing in one step', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c2&view=front');
  const fronts = await driver.findElements(By.css('[data-view] [data-part^="drawer/"]'));
  const keys = (await Promise.all(fronts.map((each) => each.getAttribute('data-part')))).filter((key) =>
    /^drawer\/[^/]+$/.test(key ?? ''),
  );
  assert.ok(keys.length >= 3);
  await press(`[data-view] [data-part="${keys[0]}"]`);
  await press(`[data-view] [data-part="${keys[1]}"]`, [Key.SHIFT]);
  await eventually(
    () => driver.findElements(By.css('[data-chosen]')),
    (all) => all.length === 2,
    'not two are chosen',
  );
  await driver.actions().sendKeys('m').perform();
  await find(driver, '[role="menu"]');
  await driver.actions().sendKeys('f').perform();
  const own = await eventually(
    async () => (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c2'),
    (cabinet) => cabinet?.fronts.filter(({ kind }) => kind === 'false').length === 2,
    'not both became false fronts',
  );
  assert.ok(own);
  await (await named(driver, 'Undo')).click();
  await eventually(
    async () => (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c2'),
    (cabinet) => cabinet?.fronts.every(({ kind }) => kind !== 'false') === true,
    'one undo does not take it back',
  );
});

test('a drag that would break a rule turns red with the reason and comes to rest at the last good place; Escape puts it back', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1&view=front');
  const size = async () =>
    (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c1')?.fronts[0]?.v.size.value ?? 0;
  const before = await size();
  const line = await find(driver, '[data-line="gap-o1"] [role="slider"]');
  const { x, y } = await middleOf(line);
  await driver
    .actions({ async: true })
    .move({ x: x + 90, y })
    .press()
    .move({ x: x + 90, y: y + 40, duration: 80 })
    .perform();
  await find(driver, '[data-line="gap-o1"] text');
  await driver.actions({ async: true }).sendKeys(Key.ESCAPE).release().perform();
  assert.equal(await size(), before, 'Escape puts it back');
  // No drawer runs behind so low a front.
  await driver
    .actions({ async: true })
    .move({ x: x + 90, y })
    .press()
    .move({ x: x + 90, y: y - 20, duration: 80 })
    .move({ x: x + 90, y: y - 200, duration: 80 })
    .perform();
  await eventually(
    () => driver.findElements(By.css('[data-line="gap-o1"] line[stroke="var(--color-finding)"]')),
    (all) => all.length > 0,
    'the line does not turn red',
  );
  await driver.actions({ async: true }).release().perform();
  assert.match(
    await eventually(
      () => textOf(driver, 'main [role="status"]'),
      (text) => text.includes('stopped at'),
      'it does not say where it stopped',
    ),
    /Drawer front and doors: stopped at drawer front [\d.]+; \S/,
  );
  const after = await size();
  assert.ok(after < before - 5 && after > 20, `${before} to ${after}`);
  const first = (await stored(await jobId())).solved.find(({ cabinet }) => cabinet.id === 'c1');
  const stops = first && check(first);
  assert.deepEqual(
    stops?.filter(({ severity }) => severity === 'stop'),
    [],
  );
  await (await named(driver, 'Undo')).click();
  assert.equal(await size(), before, 'one step');
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a cabinet is kept as a start with its picture and begins another in another job', async () => {
  const { driver } = demo.browser;
  await open('cabinet=c1&view=front');
  await (await named(driver, 'Keep as a start')).click();
  const name = await driver.switchTo().activeElement();
  await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Counter with a drawer', Key.ENTER);
  await eventually(
    () => textOf(driver, '[aria-label="Cabinet"]'),
    (text) => text.includes('Kept as'),
    'it is not kept',
  );
  await driver.get(`${demo.server.url}/jobs/${await demo.job('issue desk')}`);
  await untilAlive(driver);
  const id = await jobId();
  const before = (await stored(id)).job.cabinets.length;
  await (await named(driver, 'From…')).click();
  await (await named(driver, 'Kept by the shop')).click();
  await (await named(driver, 'Counter with a drawer')).click();
  await find(driver, '[data-preview]');
  await (await named(driver, 'Begin it')).click();
  const { job, solved } = await eventually(
    () => stored(id),
    ({ job: now }) => now.cabinets.length === before + 1,
    'it is not begun',
  );
  assert.equal(job.cabinets.at(-1)?.size.width, 900);
  const known = new Set(job.materials.map((material) => material.id));
  assert.ok(
    solved.at(-1)?.parts.every(({ material }) => known.has(material.id)),
    'of materials of this job',
  );
  assert.deepEqual(await consoleErrors(driver), []);
});

test('whatever can be selected on the drawing has an inspector of its own, with a number or a decision', async () => {
  const { driver } = demo.browser;
  const without: string[] = [];
  let tried = 0;
  for (let at = 1; at <= 9; at += 1) {
    for (const view of ['front', 'section', 'panel']) {
      await open(`cabinet=c${at}&view=${view}`);
      const found = (await driver.executeAsyncScript(
        `const done = arguments[arguments.length - 1];
         const keys = [...new Set([...document.querySelectorAll('main svg [data-part], main svg [data-hardware]')].map((each) => each.dataset.part ?? each.dataset.hardware))].filter(Boolean);
         const results = [];
         const drawn = () => new Promise((then) => setTimeout(then));
         (async () => {
           for (const key of keys) {
             const target = document.querySelector('main svg [data-part="' + CSS.escape(key) + '"], main svg [data-hardware="' + CSS.escape(key) + '"]');
             if (!target || getComputedStyle(target).pointerEvents === 'none') continue;
             target.dispatchEvent(new MouseEvent('click', { bubbles: true }));
             await drawn();
             const aside = document.querySelector('aside');
             const own = [...aside.querySelectorAll('section:not([aria-label="Findings"]):not([aria-label="Take care"]):not([aria-label="Cabinet"])')];
             const numbers = own.reduce((sum, each) => sum + [...each.querySelectorAll('button, input, select')].filter((one) => one.tagName !== 'BUTTON' || /[0-9]/.test(one.textContent)).length, 0);
             results.push([key, own.length, numbers, aside.querySelector('[data-thing]')?.dataset.thing ?? null]);
           }
           done(results);
         })();`,
      )) as [string, number, number, string | null][];
      for (const [key, panels, numbers, thing] of found) {
        tried += 1;
        const isPart = !/^(opening|gap|hinge|runner)\//.test(key);
        if (panels === 0 || numbers === 0 || (isPart && thing !== null && thing !== key))
          without.push(`c${at} ${view} ${key}`);
      }
    }
  }
  console.log(`${tried} things selected`);
  assert.ok(tried > 150, `${tried}`);
  assert.deepEqual(without, []);
});

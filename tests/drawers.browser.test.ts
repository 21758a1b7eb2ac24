import assert from 'node:assert/strict';
import { test } from 'node:test';
import { parse } from 'csv-parse/sync';
import { Key } from 'selenium-webdriver';
import { accessProblems, consoleErrors, eventually, find, named, textOf, untilAlive } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();

const PANEL = '[aria-label="Drawer behind this front"]';
const { bench, choose } = demo;

test('a drawer front tells the box behind it; other runners make another box, and each number opens its tape', async () => {
  const { driver } = demo.browser;
  await bench('reading room', 'c2');
  await (await find(driver, '[data-part="drawer/o2"]')).click();
  const first = await textOf(driver, PANEL);
  assert.match(first, /hidden runner/);
  // 564.4 less 42 inside; the sides of 12 stand outside that.
  assert.match(first, /Box width, inside\s*522.4/);
  assert.match(first, /Box width, outside\s*546.4/);
  await (await find(driver, `${PANEL} p:nth-of-type(4) button`)).click();
  const tape = await eventually(
    () => textOf(driver, '[aria-label="Tape and findings"]'),
    (text) => text.includes('box width, inside') && text.includes('42'),
    'the tape of the inside width does not open',
  );
  assert.match(tape, /Corvane/, 'it says whose sheet the deduction is from');
  await (await find(driver, 'details[data-fold="Drawers"] summary')).click();
  await choose('Runners', 'side mounted');
  await eventually(
    () => textOf(driver, PANEL),
    (text) => text.includes('ball-bearing') && /Box width, outside\s*538.2/.test(text),
    'the box does not follow the runners',
  );
  await (await find(driver, `${PANEL} [aria-label="Close the tape"]`)).click();
  await (await find(driver, `${PANEL} summary`)).click();
  assert.match(await textOf(driver, PANEL), /before it and .* behind it come to/);
  await (await named(driver, 'Undo')).click();
  await eventually(
    () => textOf(driver, PANEL),
    (text) => text.includes('hidden runner'),
    'undo does not bring the hidden runners back',
  );
  assert.deepEqual(await accessProblems(driver), []);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('sides too thick for hidden runners stop with the reason, and the fix settles it', async () => {
  const { driver } = demo.browser;
  await bench('reading room', 'c2');
  await (await find(driver, 'details[data-fold="Materials"] summary')).click();
  await choose('Drawer boxes material', 'Birch plywood 18');
  await eventually(
    () => textOf(driver, '[aria-label="Tape and findings"]'),
    (text) => text.includes('No runner in the library carries') && text.includes('takes sides up to 16 mm'),
    'no stop for sides too thick',
  );
  await (await named(driver, 'Take side-mounted runners')).click();
  await eventually(
    () => textOf(driver, '[aria-label="Tape and findings"]'),
    (text) => !text.includes('No runner in the library carries'),
    'the fix does nothing',
  );
});

test('a lift-up front tells its factor and what holds it; made of doors it has hinges instead', async () => {
  const { driver } = demo.browser;
  await bench('issue desk', 'c1');
  await (await find(driver, '[data-part="lift/o2"]')).click();
  assert.match(await textOf(driver, '[aria-label="What lifts this front"]'), /Lift factor\s*1[45]\d\d/);
  assert.match(await textOf(driver, '[aria-label="Tape and findings"]'), /Springs under tension/);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('what to buy is the same on screen and in the file, for one cabinet and for the whole job', async () => {
  const { driver } = demo.browser;
  await bench('reading room', 'c2');
  await (await named(driver, 'What to buy')).click();
  const own = await textOf(driver, '[aria-label="What to buy"]');
  assert.match(own, /4\s+Runners, pair: /);
  await (await find(driver, '[aria-label="What to buy"] label:nth-of-type(2) input')).click();
  const whole = await eventually(
    () => textOf(driver, '[aria-label="What to buy"]'),
    (text) => text.includes('cabinet 1'),
    'the whole job is not listed',
  );
  const csv = await (await fetch(`${demo.server.url}/api/jobs/${await demo.job('reading room')}/shopping.csv`)).text();
  const rows = parse(csv, { columns: true }) as Record<string, string>[];
  assert.ok(rows.length > 10);
  for (const { what } of rows) assert.ok(whole.includes(what ?? '?'), `${what} is not on screen`);
  assert.deepEqual(await accessProblems(driver), []);
});

test('a runner is raised by its line, from the front and on the section; its screws and the box are where it was put', async () => {
  const { driver } = demo.browser;
  const line = async (view: string) => {
    await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}?cabinet=c2&view=${view}`);
    await untilAlive(driver);
    return find(driver, '[data-line="runner/o2/right"] rect[role="slider"]');
  };
  const told = async () => (await line('front')).getAttribute('aria-valuetext');
  assert.match((await told()) ?? '', /raised 0$/);
  await (await line('front')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_UP));
  await eventually(
    () => textOf(driver, 'main [role="status"]'),
    (text) => /Runners of drawer 2 raised/.test(text),
    'nothing is told of it',
  );
  await eventually(
    () => textOf(driver, '[data-save]'),
    (text) => text === 'Saved',
    'not saved',
  );
  assert.match((await told()) ?? '', /raised 10$/);
  const onSection = await line('section');
  await driver
    .actions({ async: true })
    .move({ origin: onSection })
    .press()
    .move({ origin: onSection, y: -9 })
    .perform();
  await driver.actions().release().perform();
  await eventually(
    async () =>
      (await find(driver, '[data-line="runner/o2/right"] rect[role="slider"]')).getAttribute('aria-valuetext'),
    (text) => Number(/raised ([\d.]+)/.exec(text ?? '')?.[1]) > 12,
    'it was not dragged',
  );
  await (await find(driver, '[data-line="runner/o2/right"] rect[role="slider"]')).click();
  const panel = await eventually(
    () => textOf(driver, '[aria-label="Runner"]'),
    (text) => text.includes('Runners raised by'),
    'the runner does not say how far it is raised',
  );
  assert.match(panel, /Screw line above the underside/);
  assert.deepEqual(await accessProblems(driver), []);
  assert.deepEqual(await consoleErrors(driver), []);
});

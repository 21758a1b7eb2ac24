/** The sheets of a job on screen: laid out while one looks, each piece there, stopped and begun again. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { By, Key } from 'selenium-webdriver';
import { readJob, solve } from '../src/core/solve/index.js';
import { accessProblems, consoleErrors, eventually, find, named, textOf, untilAlive } from './support/browser.js';
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

/** Width and height (points) of the pages what is shown is printed on, A4 without margins. */
async function pagesPrinted(): Promise<number[][]> {
  const { driver } = demo.browser;
  const printed = (await driver.printPage({
    width: 21,
    height: 29.7,
    top: 0,
    bottom: 0,
    left: 0,
    right: 0,
    shrinkToFit: false,
  } as Parameters<typeof driver.printPage>[0])) as unknown as string;
  const pdf = Buffer.from(printed, 'base64').toString('latin1');
  return [...pdf.matchAll(/\/MediaBox\s*\[\s*0\s+0\s+([\d.]+)\s+([\d.]+)/g)].map(([, w, h]) => [Number(w), Number(h)]);
}

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
    /^\d+ sheets?( and \d+ offcuts?)?; (fewer than \d+ is impossible|\d+ might be possible)$/,
  );
  const piece = await find(driver, '[data-piece="1.A"]');
  await piece.sendKeys(' ');
  assert.match(await textOf(driver, '[data-selected]'), /1\.A .*of 1 Sorting counter/);
  assert.deepEqual(await accessProblems(driver), []);
  await (await named(driver, 'Show it on the bench')).click();
  await find(driver, 'main svg[role="group"]');
  assert.match(await driver.getCurrentUrl(), /cabinet=c1&part=/);
  // And back: what is selected on the bench is selected on its sheet.
  await untilAlive(driver);
  await (await named(driver, 'Sheets')).click();
  assert.match(await textOf(driver, '[data-selected]'), /1\.A /);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('printed, each sheet begins a page, and a list of cuts that is longer runs on to the next', async () => {
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}/sheets`);
  await finished();
  const [sheets, longest] = (await driver.executeScript(
    'return [document.querySelectorAll("li svg").length, Math.max(...[...document.querySelectorAll("li table")].map((each) => each.tBodies[0].rows.length))]',
  )) as [number, number];
  assert.ok(sheets > 10 && longest > 45, `${sheets} sheets, ${longest} cuts`);
  const pages = (await pagesPrinted()).length;
  // Some lists want a second page; each page holds a drawing or some forty cuts at least.
  assert.ok(pages > sheets && pages < sheets * 2, `${pages} pages for ${sheets} sheets`);
});

test('another way of cutting lays out anew; looking is stopped and begun again', async () => {
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/${await demo.job('reading room')}/sheets`);
  await finished();
  await chooseFrom('Cut', 'edge to edge');
  await find(driver, '[data-sheets]');
  await chooseFrom('in at most', '2 stages');
  await finished();
  await chooseFrom('look for', 'a minute');
  await chooseFrom('Cut', 'nested');
  await (await named(driver, 'Stop')).click();
  await finished();
  assert.deepEqual(await consoleErrors(driver), []);
});

test('accepted, locked, run again round it, set-up ticked, sheet cut, labels printed true to size; kept after a reload', async () => {
  const { driver } = demo.browser;
  const id = await demo.job('reading room');
  const stored = async () => {
    const { document } = (await (await fetch(`${demo.server.url}/api/jobs/${id}`)).json()) as { document: unknown };
    const read = readJob(document);
    assert.ok(read.ok);
    return read.value;
  };
  const saved = () =>
    eventually(
      () => driver.executeScript('return document.querySelector("[data-save]")?.dataset.save ?? null'),
      (state) => state === 'saved',
      'it is not saved',
    );
  const inMaterial = (material: string, words: string) =>
    driver.findElement(By.xpath(`//section[@data-material="${material}"]//button[contains(., "${words}")]`));
  await driver.get(`${demo.server.url}/jobs/${id}/sheets`);
  await finished();
  await (await inMaterial('birch12', 'Accept this layout')).click();
  await find(driver, '[data-material="birch12"] [data-accepted]');

  // A piece is locked where it lies; all others are laid out again round it.
  const piece = await driver.findElement(By.css('[data-material="birch12"] [data-piece]'));
  const mark = await piece.getAttribute('data-piece');
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', piece);
  await piece.click();
  await (await inMaterial('birch12', 'Lock here')).click();
  await saved();
  const locked = (job: Awaited<ReturnType<typeof stored>>) =>
    (job.layouts ?? []).flatMap(({ sheets }) =>
      sheets.flatMap(({ placements }) => placements.filter((each) => each.locked)),
    );
  const [before] = locked(await stored());
  assert.ok(before, `${mark} is not locked`);
  await (await inMaterial('birch12', 'Lay out again')).click();
  await (
    await eventually(
      () => inMaterial('birch12', 'Accept this layout'),
      (button) => button !== undefined,
      'no other layout is proposed',
    )
  ).isDisplayed();
  await finished();
  await (await inMaterial('birch12', 'Accept this layout')).click();
  await saved();
  assert.deepEqual(locked(await stored()), [before]);

  // Dragged until half of it hangs over the corner of its own sheet it says why not, and stays.
  const again = await find(driver, `[data-material="birch12"] [data-piece="${mark}"]`);
  await driver.executeScript('arguments[0].closest("svg").scrollIntoView({ block: "center" })', again);
  const by = (await driver.executeScript(
    `const piece = arguments[0].getBoundingClientRect();
     const sheet = arguments[0].closest("svg").getBoundingClientRect();
     return { x: Math.round(sheet.left + 2 - piece.left - piece.width / 2), y: Math.round(sheet.top + 2 - piece.top - piece.height / 2) }`,
    again,
  )) as { x: number; y: number };
  await driver.actions({ async: true }).dragAndDrop(again, by).perform();
  await find(driver, '[data-material="birch12"] [data-why]');
  assert.deepEqual(locked(await stored()), [before]);

  // Marked cut, its offcuts come into stock.
  const rows = (await stored()).stock.sheets.length;
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  await (await inMaterial('birch12', 'Mark cut')).click();
  await saved();
  const cut = await stored();
  assert.equal(cut.layouts?.find((layout) => layout.id === 'birch12')?.sheets.filter((sheet) => sheet.cut).length, 1);
  assert.ok(cut.stock.sheets.length >= rows);
  await driver.navigate().refresh();
  await find(driver, '[data-material="birch12"] [data-accepted]');

  // A set-up whose pieces lie on an accepted layout is ticked off; others say what to do first.
  await (await named(driver, 'Set-ups')).click();
  await find(driver, '[data-setups]');
  const ticks = await driver.findElements(By.css('[data-setup] input'));
  const only = (await driver.executeScript(
    `return [...document.querySelectorAll('[data-setup]')].findIndex((row) => [...row.querySelectorAll('b')].some((b) => b.textContent === arguments[0]))`,
    mark,
  )) as number;
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', ticks[only]);
  await ticks[only]?.click();
  await saved();
  assert.equal((await stored()).layouts?.find((layout) => layout.id === 'birch12')?.ticks.length, 1);
  assert.match(await textOf(driver, '[data-setups]'), /\d+ set-ups, [01] done/);
  assert.deepEqual(await accessProblems(driver), []);

  // Labels: as many as pieces, on pages as large as the sheets of labels, with a bar of 100 mm.
  await (await named(driver, 'Labels')).click();
  const made = solve(await stored()).cabinets.flatMap(({ parts }) => parts.filter(({ bought }) => !bought)).length;
  await eventually(
    () => driver.executeScript('return document.querySelectorAll("[data-label]").length'),
    (count) => count === made,
    `there are not ${made} labels`,
  );
  assert.deepEqual(await accessProblems(driver), []);
  const boxes = await pagesPrinted();
  assert.equal(boxes.length, 1 + Math.ceil(made / 14), 'pages printed');
  for (const [w, h] of boxes)
    assert.ok(Math.abs((w ?? 0) - 595.3) < 2 && Math.abs((h ?? 0) - 841.9) < 2, `${w} by ${h} points`);
  await (driver as unknown as { sendDevToolsCommand(command: string, of: object): Promise<void> }).sendDevToolsCommand(
    'Emulation.setEmulatedMedia',
    { media: 'print' },
  );
  const bar = (await driver.executeScript(
    'return document.querySelector("[data-check-bar] path").getBoundingClientRect().width',
  )) as number;
  assert.ok(Math.abs((bar / 96) * 25.4 - 100) < 0.3, `the bar is ${(bar / 96) * 25.4} mm long`);
  await (driver as unknown as { sendDevToolsCommand(command: string, of: object): Promise<void> }).sendDevToolsCommand(
    'Emulation.setEmulatedMedia',
    { media: '' },
  );
  assert.deepEqual(await consoleErrors(driver), []);
});

test('stock and costs: an offcut and a price are put in, kept, and change the cost; wrong ones are refused at the field', async () => {
  const { driver } = demo.browser;
  const id = await demo.job('issue desk');
  await driver.get(`${demo.server.url}/jobs/${id}/costs`);
  const total = async () => Number(await (await find(driver, '[data-total]')).getAttribute('data-total'));
  const before = await total();
  assert.ok(before > 0);
  await (await find(driver, '[data-total] button')).click();
  assert.match(await textOf(driver, '[data-working]'), /cabinet 1/);
  await driver.actions().sendKeys(Key.ESCAPE).perform();
  assert.deepEqual(await accessProblems(driver), []);
  await driver.get(`${demo.server.url}/jobs/${id}/stock`);
  const field = await find(driver, 'input[aria-label="Maple plywood 1/4, price of an ordered sheet"]');
  await field.clear();
  await field.sendKeys('-4\n');
  await find(driver, '[role="alert"]');
  assert.equal(await field.getAttribute('value'), '-4');
  await field.clear();
  await field.sendKeys('250\n');
  const rows = (await driver.findElements(By.css('[data-stock]'))).length;
  await (
    await driver.findElement(By.xpath('//section[@aria-label="Maple plywood 3/4"]//button[contains(., "Offcut")]'))
  ).click();
  await eventually(
    async () => (await driver.findElements(By.css('[data-stock]'))).length,
    (count) => count === rows + 1,
    'the offcut is not in stock',
  );
  assert.deepEqual(await accessProblems(driver), []);
  await (await named(driver, 'Cost and weight')).click();
  await eventually(total, (now) => now > before, 'a dearer sheet does not cost more');
  assert.deepEqual(await consoleErrors(driver), []);
});

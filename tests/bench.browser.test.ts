import assert from 'node:assert/strict';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import Database from 'better-sqlite3';
import { By, Key } from 'selenium-webdriver';
import { readJobText, solve } from '../src/core/solve/index.js';
import {
  accessProblems,
  consoleErrors,
  downloaded,
  eventually,
  find,
  named,
  textOf,
  untilAlive,
} from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();

const go = async (path: string) => {
  await demo.browser.driver.get(demo.server.url + path);
  await untilAlive(demo.browser.driver);
};
const saved = () =>
  eventually(
    () => textOf(demo.browser.driver, '[data-save]'),
    (text) => text === 'Saved',
    'the job is not saved',
  );

/** Types into a field found by its label. */
async function type(label: string, text: string) {
  const field = await find(demo.browser.driver, `input[aria-label="${label}"], input[id="${await idOfLabel(label)}"]`);
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
  return field;
}

async function idOfLabel(label: string): Promise<string> {
  return (await demo.browser.driver.executeScript(
    'return [...document.querySelectorAll("label")].find((each) => each.textContent === arguments[0])?.htmlFor ?? ""',
    label,
  )) as string;
}

/** Clicks a dimension on the drawing and types over it. */
async function typeOnDrawing(id: string, text: string) {
  await (await find(demo.browser.driver, `[data-dimension="${id}"]`)).click();
  const field = await demo.browser.driver.switchTo().activeElement();
  assert.equal(await field.getTagName(), 'input');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
}

/** What a maker reads in a cell: figures without the words for those who hear the page. */
const figures = (text: string) =>
  text
    .replace(/,[\s\S]*$/, '')
    .replace(/\s+/g, ' ')
    .replaceAll(' / ', '/')
    .trim();
/** Opens a fold of the decisions. */
async function unfold(title: string) {
  const fold = await find(demo.browser.driver, `details[data-fold="${title}"]`);
  if ((await fold.getAttribute('open')) === null) await (await fold.findElement(By.css('summary'))).click();
}

/** Chooses an option by its words among the small drawings of a setting. */
async function choose(path: string, words: string) {
  const option = await find(demo.browser.driver, `fieldset[data-path="${path}"]`);
  await (await option.findElement(By.xpath(`.//label[contains(., "${words}")]`))).click();
}

/** The front alone, its parts under it and all decisions beside it, by their keys. */
const beside = async () => {
  const body = await demo.browser.driver.findElement(By.css('body'));
  for (const key of ['f', 't', 'd']) await body.sendKeys(key);
};

const cell = (name: string, column: number) => async () =>
  (
    await demo.browser.driver.findElement(By.xpath(`//section[@aria-label="Parts"]//tr[td[2]="${name}"]/td[${column}]`))
  ).getText();
const shows = (name: string, column: number, wanted: string) =>
  eventually(cell(name, column), (text) => figures(text) === wanted, `${name} should show ${wanted}`);

test('a new inch job: begin, edit on the drawing, be refused with reasons, undo, come back, export, import', async () => {
  const { driver } = demo.browser;
  await go('/');
  await (await named(driver, 'Begin the job')).click();
  assert.match(await textOf(driver, 'form [role=alert]'), /name/);
  const name = await driver.findElement(By.xpath('//label[span="Job name"]/input'));
  await name.sendKeys('Potting shed');
  await (await driver.findElement(By.xpath('//label[span="Unit"]/select'))).sendKeys('Inches');
  await type('Overall width', `2' 8 1/4"`);
  await (await named(driver, 'Begin the job')).click();
  await eventually(
    () => driver.getCurrentUrl(),
    (url) => /\/jobs\/\w+/.test(url),
    'the bench did not open',
  );
  await untilAlive(driver);
  await beside();

  // 32 1/4 wide: the bottom is 32 1/4 − 2 × 3/4.
  await shows('Bottom', 4, '30 3/4');

  await typeOnDrawing('width', '30');
  await shows('Bottom', 4, '28 1/2');
  assert.match(await textOf(driver, 'main [role=status]'), /Overall width: \d+ parts changed size/);

  // Pinning the drawer beyond the face is refused with the amount; what was typed stays.
  await typeOnDrawing('face-o1', '40');
  const refusal = await textOf(driver, '[role=alert]');
  assert.match(refusal, /need .* in .*more than there is/);
  const field = await driver.switchTo().activeElement();
  assert.equal(await field.getAttribute('value'), '40');
  await field.sendKeys(Key.ESCAPE);
  await typeOnDrawing('face-o1', '7 1/2');
  await eventually(
    () => driver.findElement(By.css('[data-figures="face-o1"]')).getText(),
    (text) => text.startsWith('7'),
    'the drawer front did not change',
  );

  await (await named(driver, 'Undo')).click();
  await (await named(driver, 'Undo')).click();
  await shows('Bottom', 4, '30 3/4');
  await driver.findElement(By.css('body')).sendKeys(Key.chord(Key.CONTROL, 'y'));
  await shows('Bottom', 4, '28 1/2');
  await saved();

  await driver.navigate().refresh();
  await untilAlive(driver);
  await shows('Bottom', 4, '28 1/2');

  await (await named(driver, 'Export')).click();
  await (await named(driver, 'Cut list, CSV')).click();
  assert.match(await downloaded(demo.browser.downloads, '.csv'), /Bottom,1,Maple plywood 3\/4,0 3\/4,28 1\/2/);
  await (await named(driver, 'Export')).click();
  await (await named(driver, 'Job file')).click();
  const text = await downloaded(demo.browser.downloads, '.alcove.json');
  const read = readJobText(text);
  assert.ok(read.ok);

  await go('/');
  const file = join(demo.browser.downloads, 'again.json');
  writeFileSync(file, text);
  await (await driver.findElement(By.css('input[type=file]'))).sendKeys(file);
  await eventually(
    () => driver.getCurrentUrl(),
    (url) => /\/jobs\/\w+/.test(url),
    'the import did not open',
  );
  const id = /jobs\/(\w+)/.exec(await driver.getCurrentUrl())?.[1];
  const { document } = (await (await fetch(`${demo.server.url}/api/jobs/${id}`)).json()) as {
    document: typeof read.value;
  };
  const sizes = (job: typeof read.value) =>
    solve(job).cabinets.map((each) => each.parts.map((part) => [part.key, part.cutLength.value, part.cutWidth.value]));
  assert.deepEqual(sizes(document), sizes(read.value));
  assert.deepEqual(await consoleErrors(driver), []);
});

test('any number opens its tape down to the settings, and a term leads to where it is decided', async () => {
  const { driver } = demo.browser;
  await go('/');
  await (await named(driver, 'reading room')).click();
  await untilAlive(driver);
  await beside();
  await (await find(driver, '[data-size="back cutWidth"]')).click();
  assert.match(
    await textOf(driver, '[data-tape]'),
    /back width[\s\S]*inside width[\s\S]*held in each groove[\s\S]*879\.4/,
  );
  await (await named(driver, 'inside width')).click();
  assert.match(await textOf(driver, '[data-tape="inside width"]'), /overall width[\s\S]*Birch plywood 18 thickness/);
  await (await named(driver, 'Birch plywood 18 thickness')).click();
  assert.match(
    await textOf(driver, '[data-tape="Birch plywood 18 thickness"]'),
    /the mean of[\s\S]*reading 1[\s\S]*17\.8/,
  );
  await (await named(driver, 'reading 1')).click();
  assert.match(await textOf(driver, '[data-tape="reading 1"]'), /measured[\s\S]*spring, pallet 2/);
  await (await named(driver, 'Go to it')).click();
  await eventually(
    async () => (await driver.switchTo().activeElement()).getAttribute('aria-label'),
    (label) => label === 'Birch plywood 18, readings',
    'the cursor is not in the field',
  );
});

test('one selection lights the part on the drawing and in the table', async () => {
  const { driver } = demo.browser;
  const row = await driver.findElement(
    By.xpath('//section[@aria-label="Parts"]//tr[td[2]="Doors, left" or td[2]="Door, left"]//button'),
  );
  await row.click();
  const fill = await driver.executeScript(
    'return document.querySelector(\'[data-part="door/o2/left"] rect\').getAttribute("fill")',
  );
  assert.match(String(fill), /pencil/);
  await driver.findElement(By.css('[data-part="drawer/o1"] rect')).click();
  assert.equal(await driver.findElement(By.css('tr[aria-selected=true] td:nth-child(2)')).getText(), 'Drawer front');
});

test('materials, toe, top, stack and standards change the parts, and a decision made here goes back to the house', async () => {
  const { driver } = demo.browser;
  await unfold('Materials');
  await type('Birch plywood 18, readings', '18.2');
  await shows('Bottom', 4, '863.6');
  await unfold('Top and bottom');
  await choose('top/kind', 'full panel');
  await shows('Top', 4, '863.6');
  await unfold('Toe');
  await choose('toe/kind', 'none');
  await shows('Side, left', 4, '870');
  await (await find(driver, '[data-reset="Toe"]')).click();
  await shows('Side, left', 4, '770');
  await (await named(driver, 'Add below')).click();
  await eventually(
    () => driver.findElements(By.css('[aria-label$=" is"]')),
    (list) => list.length === 3,
    'no third opening',
  );
  await type('Doors 1, inside: how many shelves', '3');
  await shows('Adjustable shelf', 3, '4');
  await (await named(driver, 'All settings back to the standards')).click();
  await shows('Stretcher, rear', 4, '863.6');
  await saved();
});

test('the bench builds every school: compared, chosen by its picture, with joints, ends and a frame', async () => {
  const { driver } = demo.browser;
  await go('/');
  await (await named(driver, 'reading room')).click();
  await untilAlive(driver);
  await beside();
  await unfold('Construction');
  assert.match(await textOf(driver, '[data-fold="Construction"] table'), /Inside width[\s\S]*Parts[\s\S]*Stock/);
  await choose('school', 'face frame');
  await shows('Stile, left', 3, '1');
  await eventually(
    () => driver.findElements(By.css('[data-part^="frame/"]')),
    (list) => list.length >= 4,
    'no frame is drawn',
  );
  await unfold('Joints');
  await choose('joints/bottom', 'butt, dowels');
  await (await driver.findElement(By.xpath('//section[@aria-label="Parts"]//tr[td[2]="Bottom"]//button'))).click();
  await (await named(driver, 'Panel')).click();
  await eventually(
    () => textOf(driver, 'main'),
    (text) => /holes in the|edge holes/i.test(text) && /dowels: carries the bottom/.test(text),
    'no dowel holes in the bottom',
  );
  await unfold('Ends');
  await choose('ends/left', 'exposed');
  await (await named(driver, 'Section')).click();
  await find(driver, '[data-dimension="section-clear-depth"]');
  await choose('school', 'traditional');
  await shows('Top frame cross member', 3, '3');
  await (await named(driver, 'Front')).click();
  assert.deepEqual(await consoleErrors(driver), []);
});

test('openings divide again, and a dimension of the inner division is typed on the drawing', async () => {
  const { driver } = demo.browser;
  await (await named(driver, 'Open shelves')).click();
  await (await find(driver, 'select[aria-label="Open bay 1 is"]')).sendKeys('Divided in columns');
  await eventually(
    () => driver.findElements(By.css('[data-part^="divider/o-"]')),
    (list) => list.length > 0,
    'no partition is drawn',
  );
  const [column] = await driver.findElements(By.css('[data-dimension^="face-o-"]'));
  const id = (await column?.getAttribute('data-dimension')) ?? '';
  await typeOnDrawing(id, '200');
  await eventually(
    () => driver.findElement(By.css(`[data-figures="${id}"]`)).getText(),
    (text) => text === '200',
    'the column did not take its width',
  );
  await saved();
});

test('the whole bench works by keyboard and the check for accessibility finds nothing serious', async () => {
  const { driver } = demo.browser;
  await go('/');
  assert.deepEqual(await accessProblems(driver), []);
  await (await named(driver, 'issue desk')).click();
  await untilAlive(driver);
  await beside();
  for (const fold of await driver.findElements(By.css('details:not([open]) summary'))) await fold.click();
  assert.deepEqual(await accessProblems(driver), []);
  const dimension = await find(driver, '[data-dimension="width"]');
  await driver.executeScript('arguments[0].focus()', dimension);
  await driver.actions().sendKeys(Key.ENTER).perform();
  await driver.actions().sendKeys('30', Key.ENTER).perform();
  await eventually(cell('Bottom', 4), (text) => text.startsWith('28'), 'the width typed by keyboard was not taken');
  await driver.findElement(By.css('body')).sendKeys(']');
  await eventually(
    () => driver.getCurrentUrl(),
    (url) => url.includes('cabinet=c2'),
    'the next cabinet did not come',
  );
  await driver.findElement(By.css('body')).sendKeys('?');
  await find(driver, '[role=dialog]');
  assert.deepEqual(await accessProblems(driver), []);
  await driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
});

test('a door shows its hinges on door and case, a reveal can be tried, and another hinge chosen', async () => {
  const { driver } = demo.browser;
  // The browser has noted the refused save of the two windows; that was wanted.
  await consoleErrors(driver);
  await go('/');
  await (await named(driver, 'issue desk')).click();
  await untilAlive(driver);
  await beside();
  await driver.findElement(By.css('[data-part="door/o1/left"] rect')).click();
  const panel = '[aria-label="Hinges of this door"]';
  assert.match(await textOf(driver, panel), /full overlay[\s\S]*on the door[\s\S]*on the case/);
  await type('Reveal to try', '1/4');
  await named(driver, 'Back to this door');
  await (await named(driver, 'Back to this door')).click();
  const other = await driver.findElements(By.css(`${panel} ol button[aria-pressed="false"]`));
  const wanted = await other[1]?.getText();
  await other[1]?.click();
  await eventually(
    () => textOf(driver, `${panel} ol button[aria-pressed="true"]`),
    (text) => text === wanted,
    'the other hinge was not chosen',
  );
  await (await named(driver, 'Panel')).click();
  await eventually(
    () => textOf(driver, 'main'),
    (text) => /cup: hinge of door, left/.test(text),
    'the cups are not in the machining',
  );
  await (await named(driver, 'Front')).click();
  await saved();
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a job is deleted and brought back; a broken file is refused with its reason', async () => {
  const { driver } = demo.browser;
  await go('/');
  await (await named(driver, 'Delete Thistledown Seed Library: issue desk')).click();
  await (await named(driver, 'Bring it back')).click();
  await find(driver, 'article a[href^="/jobs/"]');
  await named(driver, 'Delete Thistledown Seed Library: issue desk');
  const file = join(demo.browser.downloads, 'broken.json');
  writeFileSync(file, '{"format":"alcove-job","version":1}');
  await (await driver.findElement(By.css('input[type=file]'))).sendKeys(file);
  const refused = await textOf(driver, '[role=alert]');
  assert.match(refused, /^broken\.json was not taken; \d+ things are wrong with it\./);
  assert.match(refused, /cabinets: "cabinets" is missing/);
  await driver.get(`${demo.server.url}/jobs/none`);
  assert.match(await textOf(driver, 'h1'), /no job here/);
});

/** Opens the one line cautions become once they were read in a job. */
async function unfoldCautions() {
  const line = await demo.browser.driver.findElements(
    By.xpath('//section[@aria-label="Cautions"]//button[contains(., "read in this job")]'),
  );
  await line[0]?.click();
}

test('a caution is put away for the shop, keeps its small sign, opens again and stands again', async () => {
  const { jobs } = (await (await fetch(`${demo.server.url}/api/jobs`)).json()) as {
    jobs: { id: string; name: string }[];
  };
  const room = jobs.find(({ name }) => name.includes('reading room'))?.id;
  const { driver } = demo.browser;
  // What tests before this one provoked is not its own.
  await consoleErrors(driver);
  const dust = '[data-caution="dust"]';
  const count = async (css: string) => (await driver.findElements(By.css(css))).length;
  await go(`/jobs/${room}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  // Cautions somebody has read in this job are one line; opened, they are as they were.
  await unfoldCautions();
  assert.match(await textOf(driver, dust), /Dust and fumes[\s\S]*wear a mask[\s\S]*go before this/);
  await (await find(driver, `${dust} button`)).click();
  await eventually(
    () => count('[data-caution-sign="dust"]'),
    (signs) => signs === 1,
    'no sign stays',
  );
  assert.equal(await count(dust), 0);
  // Another job of the same shop, and a reload, know it too.
  const desk = jobs.find(({ name }) => name.includes('issue desk'))?.id;
  await go(`/jobs/${desk}?view=front&parts=shown&decisions=shown`);
  assert.equal(await count(dust), 0);
  await (await find(driver, '[data-caution-sign="dust"] button')).click();
  assert.match(await textOf(driver, dust), /wear a mask/);
  await (await find(driver, `${dust} button`)).click();
  await eventually(
    () => count('[data-caution-sign="dust"]'),
    (signs) => signs === 0,
    'the sign stays',
  );
  assert.equal(await count(dust), 1);
  assert.deepEqual(await consoleErrors(driver), []);
});

test('a job figured by earlier rules says what comes out otherwise, once, and can say it again', async () => {
  const { driver } = demo.browser;
  const { jobs } = (await (await fetch(`${demo.server.url}/api/jobs`)).json()) as {
    jobs: { id: string; name: string }[];
  };
  const job = jobs.find(({ name }) => name.includes('reading room'));
  assert.ok(job);
  const db = new Database(join(demo.server.data, 'alcove.db'));
  const row = db
    .prepare<[string], { id: string; built: string }>(
      "SELECT cabinet_id AS id, parts AS built FROM built WHERE job_id = ? AND cabinet_id = 'c1'",
    )
    .get(job.id);
  assert.ok(row);
  const built = JSON.parse(row.built) as { parts: { key: string; size: number[] }[] };
  const bottom = built.parts.find(({ key }) => key === 'bottom');
  assert.ok(bottom);
  bottom.size[0] = 700.5;
  db.prepare('UPDATE built SET edition = 1, parts = ? WHERE job_id = ? AND cabinet_id = ?').run(
    JSON.stringify(built),
    job.id,
    row.id,
  );
  db.prepare('UPDATE job SET seen_edition = 1 WHERE id = ?').run(job.id);
  db.close();
  await go(`/jobs/${job.id}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  const panel = '[aria-label="What the rules changed"]';
  assert.match(await textOf(driver, `${panel} [data-change="size"]`), /Bottom: 700\.5 × /);
  await (await find(driver, `${panel} p:last-child button`)).click();
  await eventually(
    () => driver.findElements(By.css(panel)),
    (found) => found.length === 0,
    'it is not put away',
  );
  await go(`/jobs/${job.id}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  assert.equal((await driver.findElements(By.css(panel))).length, 0);
  await driver.findElement(By.xpath("//button[contains(., 'What the rules changed')]")).click();
  assert.match(await textOf(driver, `${panel} [data-change="size"]`), /700\.5/);
  assert.deepEqual(await consoleErrors(driver), []);
});

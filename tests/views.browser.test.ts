/** Every view there is but the picture (that has a file of its own), opened by its address: open to everyone, under the page's own policy, and asking nobody else. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { accessProblems, consoleErrors, eventually } from './support/browser.js';
import { withDemo } from './support/demo.js';

const demo = withDemo();
const BENCH = ['all', 'front', 'section', 'plan', 'panel', 'hinge'] as const;
const CUTTING = ['sheets', 'setups', 'labels', 'stock', 'costs'] as const;

/** What was asked for of anybody but the server the page is from; what is made in the page itself is nobody's. */
async function elsewhere(): Promise<string[]> {
  const asked = (await demo.browser.driver.executeScript(
    'return performance.getEntriesByType("resource").map(({ name }) => name)',
  )) as string[];
  return asked.filter((name) => !name.startsWith(demo.server.url) && !/^(blob|data):/.test(name));
}

async function look(path: string): Promise<void> {
  const { driver } = demo.browser;
  await driver.get(demo.server.url + path);
  await eventually(
    () => driver.executeScript<string>('return document.querySelector("h1")?.textContent ?? ""'),
    (heading) => heading.trim() !== '',
    `${path} has no heading`,
  );
  // What is figured after the page is there has its place as well.
  await driver.sleep(400);
  assert.deepEqual(await accessProblems(driver), [], path);
  assert.deepEqual(await elsewhere(), [], path);
  assert.deepEqual(await consoleErrors(driver), [], path);
}

test('every view of the bench has nothing against it, beside all that can stand beside it', async () => {
  const room = await demo.job('reading room');
  for (const view of BENCH) await look(`/jobs/${room}?cabinet=c1&view=${view}`);
  for (const part of ['side/left', 'opening/o1', 'door/o2/left'])
    await look(`/jobs/${room}?cabinet=c1&part=${encodeURIComponent(part)}&parts=shown&decisions=shown`);
  const desk = await demo.job('issue desk');
  await look(`/jobs/${desk}?view=all&parts=shown`);
});

test('from parts to the saw, the list of jobs and an address that leads nowhere have nothing against them', async () => {
  const room = await demo.job('reading room');
  for (const view of CUTTING) await look(`/jobs/${room}/${view}`);
  await look('/');
  const { driver } = demo.browser;
  await driver.get(`${demo.server.url}/jobs/nowhere`);
  assert.deepEqual(await accessProblems(driver), []);
  // The browser itself notes that there is nothing.
  assert.match((await consoleErrors(driver)).join(), /status of 404/);
});

test('a job without a cabinet says what to do, and its history opens there', async () => {
  const { driver } = demo.browser;
  const made = await fetch(`${demo.server.url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: demo.server.url },
    body: JSON.stringify({ name: 'Empty', unit: 'mm', cabinet: { from: 'base', width: 600, height: 800, depth: 560 } }),
  });
  const { id, version } = (await made.json()) as { id: string; version: number };
  const { document } = (await (await fetch(`${demo.server.url}/api/jobs/${id}`)).json()) as {
    document: { cabinets: { id: string }[] };
  };
  const [cabinet] = document.cabinets;
  const taken = await fetch(`${demo.server.url}/api/jobs/${id}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json', origin: demo.server.url },
    body: JSON.stringify({ version, label: 'Cabinet taken away', edits: [{ path: `cabinets/${cabinet?.id}` }] }),
  });
  assert.equal(taken.status, 200);
  await look(`/jobs/${id}`);
  await driver.executeScript(
    'return [...document.querySelectorAll("button")].find((each) => each.textContent.includes("History"))?.click()',
  );
  const first = await eventually(
    () =>
      driver.executeScript<string>(
        'return [...document.querySelectorAll(\'[aria-label="Saves"] button\')].map((each) => each.textContent).join(" | ")',
      ),
    (text) => text.includes('Cabinet taken away'),
    'what was saved is not listed',
  );
  assert.match(first, /1.*2/);
  assert.deepEqual(await accessProblems(driver), []);
  await driver.executeScript('document.querySelector(\'[aria-label="Saves"] button\').click()');
  await eventually(
    () => driver.executeScript<string>('return document.querySelector("main").textContent'),
    (text) => text.includes('Bring it back'),
    'the first state is not shown',
  );
  await driver.executeScript(
    'return [...document.querySelectorAll("button")].find((each) => each.textContent === "Bring it back").click()',
  );
  await eventually(
    () => driver.executeScript<number>('return document.querySelectorAll("[data-view]").length'),
    (count) => count > 0,
    'the cabinet is not back',
  );
  assert.deepEqual(await consoleErrors(driver), []);
});

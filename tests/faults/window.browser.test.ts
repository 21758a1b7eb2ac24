/** A window whose server goes away, whose page is reloaded at the worst moment, or that is closed: nothing typed is lost. */
import { after, before, test } from 'node:test';
import { Key } from 'selenium-webdriver';
import { eventually, find, named, openBrowser, type TestBrowser, textOf, untilAlive } from '../support/browser.js';
import { ended, startServer, type TestServer, temporaryFolder } from '../support/server.js';

const data = temporaryFolder();
let server: TestServer;
let browser: TestBrowser;
let job = '';
before(async () => {
  server = await startServer({ data, seed: true });
  browser = await openBrowser();
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
  job = jobs.find(({ name }) => name.includes('reading room'))?.id ?? '';
});
after(async () => {
  await browser?.close();
  await server?.close();
});

const bench = async () => {
  await browser.driver.get(`${server.url}/jobs/${job}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  await untilAlive(browser.driver);
};
const stored = async () => {
  const { document } = (await (await fetch(`${server.url}/api/jobs/${job}`)).json()) as {
    document: { cabinets: { id: string; size: { width: number } }[] };
  };
  return document.cabinets.find(({ id }) => id === 'c1')?.size.width;
};
const field = async () => {
  const id = await browser.driver.executeScript(
    'return [...document.querySelectorAll("label")].find((each) => each.textContent === "Overall width")?.htmlFor ?? ""',
  );
  return find(browser.driver, `input[id="${id}"]`);
};
const type = async (width: number) => {
  const entry = await field();
  await entry.sendKeys(Key.chord(Key.CONTROL, 'a'), String(width), Key.ENTER);
};
const word = () => textOf(browser.driver, '[data-save]');
const onBench = async () => (await field()).getAttribute('value');
const until = (width: number) =>
  eventually(stored, (now) => now === width, `the server has not got a width of ${width}`);

test('reloaded at once after typing, before anything was sent: it is there and is saved', async () => {
  await bench();
  await type(911);
  await browser.driver.navigate().refresh();
  await untilAlive(browser.driver);
  await until(911);
  await eventually(onBench, (value) => value === '911', 'the bench does not show it');
});

test('the server goes away amid work: it says so, keeps it, and sends it when the server is back', async () => {
  await bench();
  const port = new URL(server.url).port;
  server.process.kill('SIGKILL');
  await ended(server.process);
  await type(922);
  await eventually(word, (text) => text.includes('Kept in this browser'), 'it does not say where the work is');
  await type(923);
  server = await startServer({ data, port });
  await until(923);
  await eventually(word, (text) => text === 'Saved', 'it does not say that all is well');
});

test('the server goes away, the window is closed, and another window brings the work back', async () => {
  const { driver } = browser;
  await bench();
  const port = new URL(server.url).port;
  const first = await driver.getWindowHandle();
  server.process.kill('SIGKILL');
  await ended(server.process);
  await type(933);
  await eventually(word, (text) => text.includes('Kept in this browser'), 'it is not kept');
  await driver.switchTo().newWindow('tab');
  const second = await driver.getWindowHandle();
  await driver.switchTo().window(first);
  await driver.close();
  await driver.switchTo().window(second);
  server = await startServer({ data, port });
  await bench();
  await until(933);
});

test('a file given out while something could not be saved says that it is older', async () => {
  const { driver } = browser;
  await bench();
  await driver.executeScript(
    "window.realFetch = window.fetch; window.fetch = (url, options) => options?.method === 'PATCH' ? Promise.resolve(new Response(JSON.stringify({ error: { code: 'disk-full', message: 'The disk is full.' } }), { status: 503 })) : window.realFetch(url, options);",
  );
  await type(944);
  await eventually(word, (text) => text.includes('Kept in this browser'), 'it is not kept');
  await (await named(driver, 'Export')).click();
  await (await named(driver, 'Cut list, CSV')).click();
  await eventually(
    () => textOf(driver, 'header'),
    (text) => /older than what is on the bench/.test(text),
    'it is not said',
  );
  await driver.executeScript('window.fetch = window.realFetch');
  await until(944);
});

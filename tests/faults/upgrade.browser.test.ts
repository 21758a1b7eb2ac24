/** Alcove is renewed under an open window: what the window has not saved reaches the new program, and nothing is lost. */
import assert from 'node:assert/strict';
import { rmSync } from 'node:fs';
import { after, before, test } from 'node:test';
import { eventually, named, openBrowser, type TestBrowser, untilAlive } from '../support/browser.js';
import { NEXT_VERSION, nextProgram } from '../support/program.js';
import { ended, startServer, type TestServer, temporaryFolder } from '../support/server.js';
import { benchWindow } from '../support/window.js';

const data = temporaryFolder();
const program = nextProgram();
let server: TestServer;
let browser: TestBrowser;
before(async () => {
  server = await startServer({ data, seed: true });
  browser = await openBrowser();
});
after(async () => {
  await browser?.close();
  await server?.close();
  for (const folder of [data, program]) rmSync(folder, { recursive: true, force: true });
});

const stored = async (job: string) => {
  const { document, version } = (await (await fetch(`${server.url}/api/jobs/${job}`)).json()) as {
    version: number;
    document: { version: number; cabinets: { id: string; name: string; size: { width: number } }[] };
  };
  return { version, form: document.version, cabinet: document.cabinets.find(({ id }) => id === 'c1') };
};

test('a window from before an upgrade is told to load its page again, keeps its steps, and loses none', async () => {
  const { driver } = browser;
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
  const job = jobs.find(({ name }) => name.includes('reading room'))?.id ?? '';
  const open = async () => {
    await driver.get(`${server.url}/jobs/${job}?cabinet=c1&view=front&parts=shown&decisions=shown`);
    await untilAlive(driver);
  };
  const { type, word } = benchWindow(driver);
  await open();
  await type('Overall width', 811);
  await eventually(word, (text) => text === 'Saved', 'it is not saved');
  const port = new URL(server.url).port;
  server.process.kill('SIGTERM');
  await ended(server.process);
  await type('Overall width', 822);
  await eventually(word, (text) => text.includes('Kept in this browser'), 'it is not kept');
  server = await startServer({ data, port, program });
  await eventually(word, (text) => /Alcove was renewed while this page was open/.test(text), 'it is not told');
  // What is done before the page is loaded again is kept as well.
  await type('Overall depth', 555);
  const before = await stored(job);
  assert.equal(before.cabinet?.size.width, 811, 'nothing was taken in words of before');
  await (await named(driver, 'Load the page again')).click();
  await untilAlive(driver);
  await eventually(
    () => stored(job),
    ({ cabinet }) => cabinet?.size.width === 822,
    'the width did not arrive',
  );
  const now = await eventually(
    () => stored(job),
    ({ cabinet }) => (cabinet?.size as { depth?: number } | undefined)?.depth === 555,
    'the depth did not arrive',
  );
  assert.equal(now.form, NEXT_VERSION);
  assert.equal(now.version, before.version + 2, 'both, once each');
  await eventually(word, (text) => text === 'Saved', 'it does not say that all is well');
  await type('Overall width', 833);
  await eventually(
    () => stored(job),
    ({ cabinet }) => cabinet?.size.width === 833,
    'the new page does not save',
  );
});

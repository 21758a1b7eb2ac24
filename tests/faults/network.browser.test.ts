/** Alcove as tablets in a shop reach it: plain http, by a name that is not this machine's, where a browser gives a page less. */
import assert from 'node:assert/strict';
import { rmSync } from 'node:fs';
import { after, before, test } from 'node:test';
import { Key } from 'selenium-webdriver';
import { setCode } from '../../src/host/code.js';
import { workOverANetwork } from '../ordeal/network.js';
import {
  accessProblems,
  consoleErrors,
  eventually,
  find,
  named,
  openBrowser,
  type TestBrowser,
  textOf,
  untilAlive,
} from '../support/browser.js';
import { ended, startServer, type TestServer, temporaryFolder } from '../support/server.js';
import { benchWindow } from '../support/window.js';

const NAME = 'alcove.shop';
const data = temporaryFolder();
let server: TestServer;
let browser: TestBrowser;
let port = '';
let job = '';
const start = (more: Record<string, string> = {}) =>
  startServer({
    data,
    ...(port ? { port } : { seed: true }),
    env: { ALCOVE_NAMES: NAME, ...more },
    runs: ({ status }) => status === 200 || status === 401,
  });
before(async () => {
  server = await start();
  ({ port } = new URL(server.url));
  browser = await openBrowser(1280, 800, { names: [NAME] });
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
  job = jobs.find(({ name }) => name.includes('reading room'))?.id ?? '';
});
after(async () => {
  await browser?.close();
  await server?.close();
  rmSync(data, { recursive: true, force: true });
});

const bench = async () => {
  await browser.driver.get(`http://${NAME}:${port}/jobs/${job}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  await untilAlive(browser.driver);
};
const type = (label: string, size: number) => benchWindow(browser.driver).type(label, size);
const reads = (label: string, size: number) => benchWindow(browser.driver).reads(label, size);
const word = () => benchWindow(browser.driver).word();
const isSaved = () => benchWindow(browser.driver).isSaved();
let cookie = '';
const stored = async (): Promise<readonly [number | undefined, number | undefined]> => {
  const answer = await fetch(`http://127.0.0.1:${port}/api/jobs/${job}`, { headers: { cookie } });
  const { document } = (await answer.json()) as {
    document: { cabinets: { id: string; size: { width: number; depth: number } }[] };
  };
  const size = document.cabinets.find(({ id }) => id === 'c1')?.size;
  return [size?.width, size?.depth];
};
const until = (width: number) =>
  eventually(stored, ([now]) => now === width, `the server has not got a width of ${width}`);

test('the page is one that a browser does not trust, and what is typed is saved all the same', async () => {
  await bench();
  const has = (what: string) => browser.driver.executeScript(`return ${what}`);
  assert.equal(await has('isSecureContext'), false);
  assert.equal(await has('location.hostname'), NAME);
  assert.equal(await has('navigator.locks === undefined && crypto.randomUUID === undefined'), true);
  await type('Overall width', 911);
  await isSaved();
  await until(911);
});

test('every view opens there as it does on the machine itself, without a word in the console', async () => {
  const { driver } = browser;
  await consoleErrors(driver);
  const views = ['?view=all', '?view=section', '?view=plan&parts=shown', '?view=hinge', '?view=panel&part=side%2Fleft'];
  for (const path of ['', ...views]
    .map((view) => `/jobs/${job}${view}`)
    .concat(
      ['sheets', 'setups', 'labels', 'stock', 'costs'].map((view) => `/jobs/${job}/${view}`),
      '/',
    )) {
    await driver.get(`http://${NAME}:${port}${path}`);
    await untilAlive(driver);
    await driver.sleep(300);
    assert.deepEqual(await consoleErrors(driver), [], path);
  }
});

test('reloaded at once after typing, before anything was sent: it is there and is saved', async () => {
  await bench();
  await type('Overall width', 912);
  await browser.driver.navigate().refresh();
  await untilAlive(browser.driver);
  await until(912);
  await reads('Overall width', 912);
  await isSaved();
});

test('typed in the first moment and reloaded in the same breath: it is there and is saved', async () => {
  const { driver } = browser;
  for (const width of [921, 922]) {
    await driver.get(`http://${NAME}:${port}/jobs/${job}?cabinet=c1&view=front&parts=shown&decisions=shown`);
    // In the page itself, so that nothing lies between the moment it is alive and the moment it goes.
    await driver.executeScript(
      `const [width] = arguments;
       window.waits = true;
       const look = () => {
         if (document.querySelector('astro-island[ssr], [data-opening]')) return setTimeout(look, 5);
         const { htmlFor } = [...document.querySelectorAll('label')].find((each) => each.textContent === 'Overall width');
         const input = document.getElementById(htmlFor);
         input.focus();
         Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, String(width));
         input.dispatchEvent(new Event('input', { bubbles: true }));
         input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
         input.blur();
         location.reload();
       };
       setTimeout(look, 0);`,
      width,
    );
    await eventually(
      () => driver.executeScript('return window.waits !== true'),
      (gone) => gone === true,
      'the page is not loaded again',
    );
    await untilAlive(driver);
    await until(width);
    await reads('Overall width', width);
    await isSaved();
  }
});

test('two windows: what each types reaches the other, and a copy of a tab is a window of its own', async () => {
  const { driver } = browser;
  const first = await driver.getWindowHandle();
  await bench();
  const tab = await driver.executeScript('return sessionStorage.getItem("alcove-tab")');
  await driver.switchTo().newWindow('tab');
  const second = await driver.getWindowHandle();
  await driver.get(`http://${NAME}:${port}/enter`);
  // As a browser does when a tab is copied.
  await driver.executeScript('sessionStorage.setItem("alcove-tab", arguments[0])', tab);
  await bench();
  await eventually(
    () => driver.executeScript('return sessionStorage.getItem("alcove-tab")'),
    (own) => own !== tab,
    'both go by one name',
  );
  await type('Overall depth', 571);
  await isSaved();
  await driver.switchTo().window(first);
  await reads('Overall depth', 571);
  await type('Overall width', 913);
  await isSaved();
  await driver.switchTo().window(second);
  await reads('Overall width', 913);
  assert.deepEqual(await stored(), [913, 571]);
  await driver.close();
  await driver.switchTo().window(first);
});

test('the server goes away amid work and comes back; a window closed meanwhile leaves nothing behind unsaved', async () => {
  const { driver } = browser;
  await bench();
  const first = await driver.getWindowHandle();
  server.process.kill('SIGKILL');
  await ended(server.process);
  await type('Overall width', 922);
  await eventually(word, (text) => text.includes('Kept in this browser'), 'it does not say where the work is');
  await type('Overall width', 923);
  server = await start();
  await until(923);
  await isSaved();
  server.process.kill('SIGKILL');
  await ended(server.process);
  await type('Overall width', 933);
  await eventually(word, (text) => text.includes('Kept in this browser'), 'it is not kept');
  await driver.switchTo().newWindow('tab');
  const second = await driver.getWindowHandle();
  await driver.switchTo().window(first);
  await driver.close();
  await driver.switchTo().window(second);
  server = await start();
  await bench();
  await until(933);
});

test('a window that crashed, whose lease nobody gave back, is taken over once it is seen to be gone', async () => {
  const { driver } = browser;
  await bench();
  const width = (await stored())[0] ?? 0;
  // What a crash leaves: a lease that is not renewed, and a save on the shelf.
  await driver.executeAsyncScript(
    `const [job, version, epoch, done] = arguments;
     const put = (name, store, key, value) => new Promise((ok, no) => {
       const open = indexedDB.open(name);
       open.onupgradeneeded = () => open.result.createObjectStore(store);
       open.onerror = no;
       open.onsuccess = () => { const tx = open.result.transaction(store, 'readwrite'); tx.objectStore(store).put(value, key); tx.oncomplete = () => { open.result.close(); ok(); }; };
     });
     put('alcove-open-tabs', 'leases', 'tab-crashed', { holder: 'page-crashed', beat: 7 })
       .then(() => put('alcove-unsent-saves', 'saves', job + '/tab-crashed', { saves: [{ id: 'save-crashed', version, epoch, label: 'x', edits: [{ path: 'cabinets/c1/size/width', value: 944 }] }] }))
       .then(() => done(), (error) => done(String(error)));`,
    job,
    ...(await (async () => {
      const { version, epoch } = (await (await fetch(`http://127.0.0.1:${port}/api/jobs/${job}`)).json()) as {
        version: number;
        epoch: string;
      };
      return [version, epoch] as const;
    })()),
  );
  assert.notEqual(width, 944);
  await driver.navigate().refresh();
  await untilAlive(driver);
  await until(944);
  await reads('Overall width', 944);
});

test('a page whose saver fails says so, whatever failed, and saves once it no longer does', async () => {
  const { driver } = browser;
  await bench();
  await driver.executeScript(
    'window.realRandom = crypto.getRandomValues.bind(crypto); crypto.getRandomValues = () => { throw new TypeError("no random numbers today"); };',
  );
  await type('Overall width', 951);
  await eventually(
    word,
    (text) => /^Not saved: .*no random numbers today/.test(text),
    'it does not say that it failed',
  );
  assert.notEqual((await stored())[0], 951);
  await driver.executeScript('crypto.getRandomValues = window.realRandom');
  await until(951);
  await isSaved();
});

test('a deleted job that is brought back is saved again at once', async () => {
  await bench();
  assert.equal((await fetch(`${server.url}/api/jobs/${job}`, { method: 'DELETE' })).status, 200);
  await type('Overall width', 961);
  await eventually(
    word,
    (text) => /Not saved: There is no job here/.test(text),
    'it does not say that the job is gone',
  );
  assert.equal((await fetch(`${server.url}/api/jobs/${job}/restore`, { method: 'POST' })).status, 200);
  const begun = performance.now();
  await until(961);
  assert.ok(performance.now() - begun < 3000);
  await isSaved();
  // The refusals above are what this test brought about.
  const errors = await consoleErrors(browser.driver);
  assert.deepEqual(
    errors.filter((message) => !/status of 404|ERR_|Failed to load/.test(message)),
    [],
  );
});

test('two windows amid reloads, a killed server and cut lines: what each typed last is there', async () => {
  const seen = await workOverANetwork(14, 4);
  assert.ok(seen.reloads > 0 && seen.killed > 0 && seen.offline > 0, JSON.stringify(seen));
});

test('a code that is changed under an open window leads to the door and back, with what was not saved', async () => {
  const { driver } = browser;
  await server.close();
  server = await start({ ALCOVE_CODE: 'walnut-plinth-7' });
  await bench();
  const enter = async (code: string) => {
    await (await find(driver, 'input[name="code"]')).sendKeys(code, Key.ENTER);
    await untilAlive(driver);
    cookie = (await driver.manage().getCookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
  };
  assert.deepEqual(await accessProblems(driver), []);
  await enter('walnut-plinth-7');
  await type('Overall width', 971);
  await until(971);
  const code = await setCode(data);
  await type('Overall width', 972);
  await eventually(
    word,
    (text) => /the access of this window has ended.*kept in this browser/.test(text),
    'it is not told',
  );
  assert.deepEqual(await accessProblems(driver), []);
  await (await named(driver, 'Give the code')).click();
  await enter(code);
  assert.match(await driver.getCurrentUrl(), new RegExp(`/jobs/${job}`));
  await until(972);
  await isSaved();
  await driver.get(`http://${NAME}:${port}/access`);
  assert.deepEqual(await accessProblems(driver), []);
  await (await named(driver, 'Leave with this browser')).click();
  await eventually(
    () => textOf(driver, 'main'),
    (text) => /You have left/.test(text),
    'it has not left',
  );
});

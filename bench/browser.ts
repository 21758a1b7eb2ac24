/** npm run bench:browser: how the bench feels in Chromium, beside what it may take. Nothing is asserted. */
import { gzipSync } from 'node:zlib';
import type { WebDriver } from 'selenium-webdriver';
import { type Job, writeJob } from '../src/core/decisions/index.js';
import { eventually, openBrowser, untilAlive } from '../tests/support/browser.js';
import { startServer } from '../tests/support/server.js';
import { manyCabinets } from './jobs.js';

interface Figures {
  readonly median: number;
  readonly p99: number;
  readonly worst: number;
}

function figuresOf(times: readonly number[]): Figures {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN;
  return { median: at(0.5), p99: at(0.99), worst: sorted.at(-1) ?? Number.NaN };
}

const ms = (value: number) => `${value.toFixed(1)} ms`;

function print(name: string, figures: Figures | number, target: string): void {
  const said =
    typeof figures === 'number'
      ? ms(figures)
      : `median ${ms(figures.median)}, p99 ${ms(figures.p99)}, worst ${ms(figures.worst)}`;
  console.log(`${name.padEnd(48)} ${said.padEnd(52)} may be ${target}`);
}

/** Notes when the sheet is first drawn, from the beginning of the page. */
const FIRST_SHEET = `
  new MutationObserver((_, all) => {
    if (!document.querySelector('main svg[role="group"] [data-part]')) return;
    all.disconnect();
    requestAnimationFrame(() => setTimeout(() => { window.firstSheet = performance.now(); }));
  }).observe(document, { childList: true, subtree: true });`;

/** From each move of the pointer to the frame that shows it. */
const WATCH_MOVES = `
  window.frames_ = [];
  const after = new MessageChannel();
  const waiting = [];
  after.port1.onmessage = () => { const now = performance.now(); for (const at of waiting.splice(0)) window.frames_.push(now - at); };
  window.addEventListener('pointermove', (event) => {
    waiting.push(event.timeStamp);
    if (waiting.length === 1) requestAnimationFrame(() => after.port2.postMessage(0));
  }, true);`;

function commandTo(driver: WebDriver, name: string, args: object): Promise<void> {
  return (driver as WebDriver & { sendDevToolsCommand(name: string, args: object): Promise<void> }).sendDevToolsCommand(
    name,
    args,
  );
}

async function dragged(driver: WebDriver, css: string, along: 'x' | 'y'): Promise<Figures> {
  const place = await driver.executeScript<[number, number] | null>(
    `const box = document.querySelector(${JSON.stringify(css)})?.getBoundingClientRect();
     return box ? [Math.round(box.x + Math.min(box.width / 2, 40)), Math.round(box.y + box.height / 2)] : null;`,
  );
  if (!place) throw new Error(`nothing matches ${css}`);
  const [x, y] = place;
  await driver.executeScript('window.frames_ = [];');
  const mouse = (type: string, dx: number, dy: number) =>
    commandTo(driver, 'Input.dispatchMouseEvent', {
      type,
      x: x + dx,
      y: y + dy,
      button: 'left',
      buttons: type === 'mouseMoved' || type === 'mousePressed' ? 1 : 0,
      clickCount: 1,
    });
  await mouse('mousePressed', 0, 0);
  for (let step = 0; step < 400; step += 1) {
    const off = Math.round(34 * Math.sin(step / 12));
    await mouse('mouseMoved', along === 'x' ? off : 0, along === 'y' ? off : 0);
  }
  await mouse('mouseReleased', 0, 0);
  await driver.executeScript(
    'document.body.dispatchEvent(new KeyboardEvent("keydown", { key: "Escape", bubbles: true }))',
  );
  return figuresOf(await driver.executeScript<number[]>('return window.frames_'));
}

async function stored(url: string, job: Job): Promise<string> {
  const response = await fetch(`${url}/api/jobs/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: writeJob(job),
  });
  const { id } = (await response.json()) as { id: string };
  return id;
}

/** The picture, drawn without a graphics card. */
async function inTheRound(driver: WebDriver): Promise<void> {
  await driver.get(`${address}?view=front`);
  await untilAlive(driver);
  const shown = await driver.executeAsyncScript<[number, number]>(
    `const done = arguments[arguments.length - 1];
     const begun = performance.now();
     let first = 0;
     document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'o', bubbles: true }));
     const look = () => {
       const picture = document.querySelector('[data-picture]');
       if (picture?.querySelector('canvas') && !first) first = performance.now() - begun;
       if (picture?.dataset.picture === 'done') done([first, performance.now() - begun]);
       else requestAnimationFrame(look);
     };
     look();`,
  );
  print('picture: first frame, plain parts', shown[0], '1500 ms');
  print('picture: every cut made', shown[1], '(first frame 1500 ms)');
  await driver.executeScript(WATCH_MOVES);
  print(
    'turning the picture (drawn without a graphics card)',
    await dragged(driver, '[data-picture] canvas', 'x'),
    '16.7 ms with one',
  );
}

const server = await startServer({});
const address = `${server.url}/jobs/${await stored(server.url, manyCabinets(60))}`;
const browser = await openBrowser();
const { driver } = browser;
const command = (name: string, args: object = {}) => commandTo(driver, name, args);
try {
  await command('Page.addScriptToEvaluateOnNewDocument', { source: FIRST_SHEET });
  const paints: number[] = [];
  for (let time = 0; time < 6; time += 1) {
    await driver.get(`${address}?time=${time}`);
    const at = await eventually(
      () => driver.executeScript<number | null>('return window.firstSheet ?? null'),
      (value) => value !== null,
      'the sheet is not drawn',
    );
    if (time > 0) paints.push(at ?? Number.NaN);
  }
  print('first useful paint of 60 cabinets, warm', figuresOf(paints), '1000 ms');
  const scripts = await driver.executeScript<string[]>(
    'return performance.getEntriesByType("resource").filter(({ name }) => new URL(name).pathname.endsWith(".js")).map(({ name }) => name)',
  );
  const sizes = await Promise.all(
    [...new Set(scripts)].map(
      async (script) => gzipSync(Buffer.from(await (await fetch(script)).arrayBuffer())).length,
    ),
  );
  console.log(
    `scripts before the picture, gzipped${' '.repeat(14)} ${(sizes.reduce((sum, size) => sum + size, 0) / 1000).toFixed(0)} kB in ${sizes.length} files${' '.repeat(30)} may be 300 kB`,
  );

  // What the machine does by itself: the same moves over a page on which nothing moves.
  await driver.get(`${server.url}/enter`);
  await driver.executeScript(WATCH_MOVES);
  await driver.sleep(1000);
  print('moving over a page at rest (this machine)', await dragged(driver, 'body', 'y'), 'the reference');
  for (const view of ['all', 'front']) {
    await driver.get(`${address}?view=${view}`);
    await untilAlive(driver);
    await driver.executeScript(WATCH_MOVES);
    print(
      `dragging a divider, view ${view}`,
      await dragged(driver, '[data-line^="gap-"] [role="slider"]', 'y'),
      'median 16.7, p99 33 ms',
    );
    print(
      `dragging a shelf, view ${view}`,
      await dragged(driver, '[data-handle^="shelf"]', 'y'),
      'median 16.7, p99 33 ms',
    );
    print(
      `dragging a hinge, view ${view}`,
      await dragged(driver, '[data-handle*="hinge"]', 'y'),
      'median 16.7, p99 33 ms',
    );
  }

  const heap = async () => {
    await command('HeapProfiler.collectGarbage');
    return driver.executeScript<number>('return performance.memory.usedJSHeapSize');
  };
  const edit = (times: number) =>
    driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1];
       let left = ${times};
       const next = () => {
         if (left === 0) return done();
         left -= 1;
         document.querySelector('[data-line^="gap-"] [role="slider"]').dispatchEvent(new KeyboardEvent('keydown', { key: left % 2 ? 'ArrowUp' : 'ArrowDown', bubbles: true }));
         setTimeout(next, 4);
       };
       next();`,
    );
  await driver.manage().setTimeouts({ script: 240_000 });
  await edit(220);
  const before = await heap();
  await edit(500);
  const after = await heap();
  console.log(
    `memory before and after 500 edits${' '.repeat(16)} ${(before / 1e6).toFixed(1)} and ${(after / 1e6).toFixed(1)} MB, ${((after / before - 1) * 100).toFixed(1)} % more${' '.repeat(15)} may be 10 %`,
  );
} finally {
  await browser.close();
}

const round = await openBrowser(1280, 800, { inTheRound: true });
try {
  await inTheRound(round.driver);
} finally {
  await round.close();
  await server.close();
}

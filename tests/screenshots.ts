/**
 * Takes the pictures in docs/screenshots from the demo data, or one page into a file: `screenshots.ts PATH FILE`. In the
 * path a job may be named by words of its name in braces: `/jobs/{reading room}?cabinet=c2`.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { consoleErrors, find, named, openBrowser, untilAlive } from './support/browser.js';
import { startServer } from './support/server.js';

const FOLDER = 'docs/screenshots';
const server = await startServer({ seed: true });
const browser = await openBrowser(1280, 800, { inTheRound: true });
const { driver } = browser;

/** Another window saves while this one's save is held up: the choice, and what the history says of it. */
async function twoWindows(room: string): Promise<void> {
  await driver.get(`${server.url}/jobs/${room}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  await untilAlive(driver);
  await driver.executeScript(
    "window.realFetch = window.fetch; window.fetch = (url, options) => options?.method === 'PATCH' ? new Promise((go) => setTimeout(() => go(window.realFetch(url, options)), 2500)) : window.realFetch(url, options);",
  );
  const type = async (label: string, value: string) => {
    const id = await driver.executeScript(
      `return [...document.querySelectorAll("label")].find((each) => each.textContent === ${JSON.stringify(label)})?.htmlFor`,
    );
    await (await find(driver, `input[id="${id}"]`)).sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER);
  };
  await type('Overall width', '933');
  await type('Overall depth', '570');
  const { version } = (await (await fetch(`${server.url}/api/jobs/${room}`)).json()) as { version: number };
  await fetch(`${server.url}/api/jobs/${room}`, {
    method: 'PATCH',
    body: JSON.stringify({
      version,
      label: 'Cabinet 1, width 944 mm and 1 more',
      edits: [
        { path: 'cabinets/c1/size/width', value: 944 },
        { path: 'cabinets/c1/settings/fronts/gap', value: 4 },
      ],
    }),
  });
  await find(driver, '[role="dialog"]');
  await driver.executeScript('window.fetch = window.realFetch');
  await picture('two-windows');
}

async function picture(name: string): Promise<void> {
  await new Promise((resolve) => setTimeout(resolve, 500));
  mkdirSync(FOLDER, { recursive: true });
  writeFileSync(join(FOLDER, `${name}.png`), await driver.takeScreenshot(), 'base64');
}

try {
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
  const job = (words: string) => jobs.find((each) => each.name.includes(words))?.id;
  const open = async (path: string) => {
    await driver.get(server.url + path);
    await untilAlive(driver);
  };
  const click = async (css: string) => (await find(driver, css)).click();
  const fold = (title: string) => click(`details[data-fold="${title}"] summary`);
  const [, , path, file] = process.argv;
  if (path && file) {
    await open(path.replace(/\{([^}]*)\}/, (_, words: string) => job(words) ?? ''));
    await new Promise((resolve) => setTimeout(resolve, 800));
    writeFileSync(file, await driver.takeScreenshot(), 'base64');
    await browser.close();
    await server.close();
    process.exit();
  }
  const room = job('reading room');
  // The small elevations are figured after the first look.
  await open('/');
  for (;;) {
    const { jobs: now } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { pending: number }[] };
    if (now.every(({ pending }) => pending === 0)) break;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  // A job that was copied and deleted again lies in the bin.
  const copied = await fetch(`${server.url}/api/jobs/${job('issue desk')}/duplicate`, { method: 'POST' });
  await fetch(`${server.url}/api/jobs/${((await copied.json()) as { id: string }).id}`, { method: 'DELETE' });
  await open('/');
  await (await named(driver, 'Bin, 1 job')).click();
  await picture('jobs');
  await open(`/jobs/${room}?cabinet=c1`);
  await picture('sheet');
  await open(`/jobs/${room}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  await click('[data-size="back cutWidth"]');
  await picture('bench');
  await open(`/jobs/${room}?cabinet=c8&view=front&parts=shown&decisions=shown`);
  await fold('Construction');
  await picture('bench-face-frame');
  await open(`/jobs/${room}?cabinet=c8&view=front&parts=shown&decisions=shown`);
  await (await named(driver, 'Select 8.A')).click();
  await (await named(driver, 'Panel')).click();
  await picture('panel');
  await open(`/jobs/${room}?cabinet=c5&view=front&parts=shown&decisions=shown`);
  await click('[data-handle="hinge-door/o1/left-1"]');
  await picture('hinges');
  await open(`/jobs/${room}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  await (await named(driver, 'Hinge corner')).click();
  await picture('hinge-corner');
  await (await named(driver, 'Hardware')).click();
  await picture('hardware');
  await open(`/jobs/${room}?cabinet=c9&view=front&parts=shown&decisions=shown`);
  await picture('bench-plan-chest');
  await open(`/jobs/${room}?cabinet=c2&view=front&parts=shown&decisions=shown`);
  await click('[data-part="drawer/o2"]');
  await (await named(driver, 'Section')).click();
  await (await named(driver, 'What to buy')).click();
  await picture('drawers');
  await open(`/jobs/${room}?cabinet=c7&view=front&parts=shown&decisions=shown`);
  const tray = await find(driver, 'button[aria-label*="Tray 1 behind doors 2 box: left side"]');
  await driver.executeScript('arguments[0].click()', tray);
  await (await named(driver, 'Plan')).click();
  await (await named(driver, 'Open it')).click();
  await picture('plan');
  await open(`/jobs/${room}?cabinet=c1&view=picture`);
  await find(driver, '[data-picture="done"]');
  await driver.executeScript(
    `const slider = document.querySelector('main input[type=range]');
     Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(slider, 0.75);
     slider.dispatchEvent(new Event('input', { bubbles: true }));`,
  );
  await picture('picture');
  await open(`/jobs/${room}/sheets`);
  await find(driver, '[data-sheets]');
  const press = async (words: string) => {
    const button = await driver.findElement(By.xpath(`//button[contains(., "${words}")]`));
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
    await button.click();
  };
  await press('Accept this layout');
  await find(driver, '[data-accepted]');
  await (await find(driver, '[data-piece]')).click();
  await driver.executeScript('window.scrollTo(0, 0)');
  await picture('sheets');
  await open(`/jobs/${room}/stock`);
  await find(driver, '[data-stock]');
  await picture('stock');
  await open(`/jobs/${room}/setups`);
  await find(driver, '[data-setups]');
  await driver.executeScript(
    `document.querySelector('[aria-label="Grooves, dadoes, rabbets"]').scrollIntoView({ block: 'start' })`,
  );
  await picture('setups');
  await open(`/jobs/${room}/labels`);
  await find(driver, '[data-label]');
  await picture('labels');
  await open(`/jobs/${room}/costs`);
  await (await find(driver, '[data-cabinet="1"] button')).click();
  await find(driver, '[data-working]');
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await picture('costs');
  await open(`/jobs/${room}?cabinet=c1&view=front&parts=shown&decisions=shown`);
  await (await named(driver, 'Standing')).click();
  await (await named(driver, 'A cabinet')).click();
  const measured = async (label: string, text: string) => {
    const field = await driver.findElement(By.xpath(`//label[contains(., "${label}")]/following-sibling::input`));
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
  };
  await measured('Stands out at the left', '21');
  await measured('Stands out at the right', '21');
  await measured('Height for the trays', '620');
  await (await find(driver, 'input[aria-label="Trays"]')).sendKeys(Key.chord(Key.CONTROL, 'a'), '2', Key.ENTER);
  await picture('standing');
  await twoWindows(room ?? '');
  // The save another window came before is answered with 409, which the browser notes by itself.
  const errors = (await consoleErrors(driver)).filter((message) => !message.includes('status of 409'));
  if (errors.length > 0) console.error(errors.join('\n'));
} finally {
  await browser.close();
  await server.close();
}

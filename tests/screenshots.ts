/** Takes the pictures in docs/screenshots from the demo data, or one page into a file: `screenshots.ts PATH FILE`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { consoleErrors, find, named, openBrowser, untilAlive } from './support/browser.js';
import { startServer } from './support/server.js';

const FOLDER = 'docs/screenshots';
const server = await startServer({ seed: true });
const browser = await openBrowser();
const { driver } = browser;
try {
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
  const job = (words: string) => jobs.find((each) => each.name.includes(words))?.id;
  const shot = async (name: string) => {
    await new Promise((resolve) => setTimeout(resolve, 500));
    mkdirSync(FOLDER, { recursive: true });
    writeFileSync(join(FOLDER, `${name}.png`), await driver.takeScreenshot(), 'base64');
  };
  const open = async (path: string) => {
    await driver.get(server.url + path);
    await untilAlive(driver);
  };
  const click = async (css: string) => (await find(driver, css)).click();
  const fold = (title: string) => click(`details[data-fold="${title}"] summary`);
  const room = job('reading room');
  await open('/');
  await shot('jobs');
  await open(`/jobs/${room}?cabinet=c1`);
  await click('[data-size="back cutWidth"]');
  await shot('bench');
  await open(`/jobs/${room}?cabinet=c8`);
  await fold('Construction');
  await shot('bench-face-frame');
  await open(`/jobs/${room}?cabinet=c1`);
  await (await named(driver, 'Section')).click();
  await fold('Face and openings');
  await fold('Joints');
  await fold('Back and nailers');
  await shot('section');
  await open(`/jobs/${room}?cabinet=c8`);
  await (await named(driver, 'Select 8.A')).click();
  await (await named(driver, 'Panel')).click();
  await shot('panel');
  await open(`/jobs/${room}?cabinet=c5`);
  await click('[data-handle="hinge-door/o1/left-1"]');
  await shot('hinges');
  await open(`/jobs/${room}?cabinet=c1`);
  await (await named(driver, 'Hinge corner')).click();
  await shot('hinge-corner');
  await (await named(driver, 'Hardware')).click();
  await shot('hardware');
  await open(`/jobs/${room}?cabinet=c9`);
  await shot('bench-plan-chest');
  await open(`/jobs/${room}?cabinet=c2`);
  await click('[data-part="drawer/o2"]');
  await (await named(driver, 'Section')).click();
  await (await named(driver, 'What to buy')).click();
  await shot('drawers');
  await open(`/jobs/${room}?cabinet=c7`);
  const tray = await find(driver, 'button[aria-label*="Tray 1 behind doors 2 box: left side"]');
  await driver.executeScript('arguments[0].click()', tray);
  await (await named(driver, 'Plan')).click();
  await (await named(driver, 'Open it')).click();
  await shot('plan');
  await open(`/jobs/${room}?cabinet=c1`);
  await (await named(driver, 'Select 1.A')).click();
  await click('details[aria-label="This part alone"] summary');
  await click('input[aria-label^="Band the rear edge"]');
  const rear = await driver.findElement(
    By.xpath('//details[@aria-label="This part alone"]//label[. = "rear"]/following-sibling::input'),
  );
  await rear.sendKeys(Key.chord(Key.CONTROL, 'a'), '30', Key.ENTER);
  await (await named(driver, 'Panel')).click();
  await shot('part-alone');
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
  await shot('standing');
  await open(`/jobs/${job('issue desk')}?cabinet=c1`);
  await click('[data-part="lift/o2"]');
  await shot('lift');
  await open(`/jobs/${job('issue desk')}?cabinet=c2`);
  await shot('bench-inches');
  // Last, since it leaves the cabinet with a finding.
  await open(`/jobs/${room}?cabinet=c1`);
  await fold('Face and openings');
  await fold('Hinges');
  const type = async (path: string, text: string) => {
    const field = await find(driver, `[data-path="${path}"]`);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
  };
  const choose = async (label: string, words: string) => {
    const list = await find(driver, `select[aria-label="${label}"]`);
    await (await list.findElement(By.xpath(`.//option[contains(., "${words}")]`))).click();
  };
  await choose('Concealed hinges stand', 'where they fall');
  await type('hinges/endDistance', '115');
  await fold('Hinges');
  await fold('Shelf pin holes');
  await choose('Pin holes are bored', 'whole opening');
  await type('pins/ends', '20');
  await (await named(driver, 'Select 1.A')).click();
  await (await named(driver, 'Panel')).click();
  await shot('pins');
  const errors = await consoleErrors(driver);
  if (errors.length > 0) console.error(errors.join('\n'));
} finally {
  await browser.close();
  await server.close();
}

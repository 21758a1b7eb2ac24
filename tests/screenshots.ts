/** Takes the pictures in docs/screenshots from the demo data, or one page into a file: `screenshots.ts PATH FILE`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { consoleErrors, find, openBrowser, untilAlive } from './support/browser.js';
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
  await open('/');
  await shot('jobs');
  await open(`/jobs/${job('reading room')}?cabinet=c1`);
  await (await find(driver, '[data-size="back cutWidth"]')).click();
  await shot('bench');
  await open(`/jobs/${job('issue desk')}?cabinet=c2`);
  await shot('bench-inches');
  const errors = await consoleErrors(driver);
  if (errors.length > 0) console.error(errors.join('\n'));
} finally {
  await browser.close();
  await server.close();
}

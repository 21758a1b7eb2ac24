import { writeFileSync } from 'node:fs';
import { By } from 'selenium-webdriver';
import { openBrowser } from './support/browser.js';
import { startServer } from './support/server.js';

const want = process.argv.slice(2);
const server = await startServer({ seed: true });
const browser = await openBrowser(1280, 800);
const { driver } = browser;
const sleep = (ms: number) => new Promise((go) => setTimeout(go, ms));
const shot = async (name: string) => writeFileSync(`/tmp/look-${name}.png`, await driver.takeScreenshot(), 'base64');
try {
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
  const words = process.env.JOB ?? 'reading room';
  const job = `${server.url}/jobs/${jobs.find(({ name }) => name.includes(words))?.id}`;
  for (const view of want) {
    const [page, ...acts] = view.split(':');
    await driver.get(`${job}/${page}`);
    await sleep(4500);
    for (const act of acts) {
      if (act.startsWith('scroll')) await driver.executeScript(`window.scrollBy(0, ${act.slice(6)})`);
      else if (act.startsWith('press=')) {
        const found = await driver.findElements(By.xpath(`//button[contains(normalize-space(.), "${act.slice(6)}")]`));
        await found[0]?.click();
      } else if (act.startsWith('piece')) {
        const found = await driver.findElements(By.css('[data-piece]'));
        await found[Number(act.slice(5))]?.click();
      }
      await sleep(900);
    }
    await shot(view.replaceAll(/[^a-z0-9]+/gi, '_'));
  }
  const logs = await driver.manage().logs().get('browser');
  for (const log of logs) console.log(log.level.name, log.message.slice(0, 400));
} finally {
  await browser.close();
  await server.close();
}

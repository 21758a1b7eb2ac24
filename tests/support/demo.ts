/** The app with its demo data and a browser before it, for the tests of one file. */
import { after, before } from 'node:test';
import { By } from 'selenium-webdriver';
import { find, openBrowser, type TestBrowser, untilAlive } from './browser.js';
import { startServer, type TestServer } from './server.js';

export interface Demo {
  server: TestServer;
  browser: TestBrowser;
  /** Id of the demo job whose name has these words. */
  job(words: string): Promise<string>;
  /** Opens a cabinet of such a job on the bench. */
  bench(words: string, cabinet: string): Promise<void>;
  /** Chooses what reads so in a list. */
  choose(label: string, words: string): Promise<void>;
}

/** `inTheRound` for pictures in three dimensions, which make everything else slower. */
export function withDemo({ inTheRound = false }: { readonly inTheRound?: boolean } = {}): Demo {
  const demo = {
    async job(words) {
      const response = await fetch(`${demo.server.url}/api/jobs`);
      const { jobs } = (await response.json()) as { jobs: { id: string; name: string }[] };
      return jobs.find(({ name }) => name.includes(words))?.id ?? '';
    },
    async bench(words, cabinet) {
      await demo.browser.driver.get(
        `${demo.server.url}/jobs/${await demo.job(words)}?cabinet=${cabinet}&view=front&parts=shown&decisions=shown`,
      );
      await untilAlive(demo.browser.driver);
    },
    async choose(label, words) {
      const list = await find(demo.browser.driver, `select[aria-label="${label}"]`);
      await (await list.findElement(By.xpath(`.//option[contains(., "${words}")]`))).click();
    },
  } as Demo;
  before(async () => {
    demo.server = await startServer({ seed: true });
    demo.browser = await openBrowser(1280, 800, { inTheRound });
  });
  after(async () => {
    await demo.browser?.close();
    await demo.server?.close();
  });
  return demo;
}

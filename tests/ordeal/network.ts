import assert from 'node:assert/strict';
import { rmSync } from 'node:fs';
import { Random } from '../generator/random.js';
import { eventually, openBrowser, untilAlive } from '../support/browser.js';
import { ended, startServer, temporaryFolder } from '../support/server.js';
import { benchWindow } from '../support/window.js';

export interface NetworkSeen {
  readonly acts: number;
  readonly typed: number;
  readonly reloads: number;
  readonly killed: number;
  readonly offline: number;
}

const NAME = 'alcove.shop';
const FIELDS = ['Overall width', 'Overall depth'] as const;

/**
 * Two windows over plain http, by a name that is not this machine's: one types widths, the other depths, amid reloads, a
 * server that is killed and comes back, and lines that are cut. In the end the server has what each typed last, and both
 * windows show it.
 */
export async function workOverANetwork(acts: number, seed = 8): Promise<NetworkSeen> {
  const random = new Random(seed);
  const data = temporaryFolder();
  let server = await startServer({ data, seed: true, env: { ALCOVE_NAMES: NAME } });
  const { port } = new URL(server.url);
  const browser = await openBrowser(1280, 800, { names: [NAME] });
  const { driver } = browser;
  const { type, reads, isSaved } = benchWindow(driver);
  const seen = { acts, typed: 0, reloads: 0, killed: 0, offline: 0 };
  const last: Partial<Record<(typeof FIELDS)[number], number>> = {};
  let away: Promise<void> = Promise.resolve();
  const done: string[] = [];
  try {
    const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; name: string }[] };
    const job = jobs.find(({ name }) => name.includes('reading room'))?.id ?? '';
    const open = async () => {
      await driver.get(`http://${NAME}:${port}/jobs/${job}?cabinet=c1&view=front&parts=shown&decisions=shown`);
      await untilAlive(driver);
    };
    const windows = [await driver.getWindowHandle()];
    await open();
    assert.equal(await driver.executeScript('return isSecureContext'), false);
    await driver.switchTo().newWindow('tab');
    windows.push(await driver.getWindowHandle());
    await open();
    for (let act = 0; act < acts; act += 1) {
      const at = random.whole(0, 1);
      const label = FIELDS[at as 0 | 1];
      await driver.switchTo().window(windows[at] as string);
      const size = 400 + random.whole(0, 400);
      done.push(`${label} ${size}`);
      await type(label, size);
      last[label] = size;
      seen.typed += 1;
      const what = random.between(0, 1);
      if (what < 0.25) {
        // A page cannot be loaded again while there is nobody to send it.
        await away;
        await driver.navigate().refresh();
        await untilAlive(driver);
        seen.reloads += 1;
        done.push('reload');
      } else if (what < 0.34) {
        await away;
        server.process.kill('SIGKILL');
        await ended(server.process);
        seen.killed += 1;
        done.push('kill');
        away = new Promise<void>((back) => setTimeout(back, random.between(0, 3000))).then(async () => {
          server = await startServer({ data, port, env: { ALCOVE_NAMES: NAME } });
        });
      } else if (what < 0.43) {
        const cut = (offline: boolean) =>
          // biome-ignore lint/suspicious/noExplicitAny: the driver has it for this browser, its types do not
          (driver as any).setNetworkConditions({ offline, latency: 0, download_throughput: -1, upload_throughput: -1 });
        done.push(`cut, ${label}`);
        await cut(true);
        const meanwhile = 400 + random.whole(0, 400);
        await type(label, meanwhile);
        last[label] = meanwhile;
        done.push(String(meanwhile));
        await new Promise((done) => setTimeout(done, random.between(0, 1500)));
        await cut(false);
        seen.offline += 1;
      } else await new Promise((done) => setTimeout(done, random.between(0, 700)));
    }
    await away;
    const stored = async () => {
      const { document } = (await (await fetch(`${server.url}/api/jobs/${job}`)).json()) as {
        document: { cabinets: { id: string; size: { width: number; depth: number } }[] };
      };
      const size = document.cabinets.find(({ id }) => id === 'c1')?.size;
      return { 'Overall width': size?.width, 'Overall depth': size?.depth };
    };
    for (const window of windows) {
      await driver.switchTo().window(window);
      // A save that was not answered is tried again within half a minute.
      await eventually(isSaved, () => true, 'it is never saved');
    }
    await eventually(
      stored,
      (now) => FIELDS.every((label) => last[label] === undefined || now[label] === last[label]),
      `the server has not got ${JSON.stringify(last)}`,
    );
    for (const window of windows) {
      await driver.switchTo().window(window);
      for (const label of FIELDS) if (last[label] !== undefined) await reads(label, last[label]);
    }
    return seen;
  } catch (error) {
    // What the window showed says more than what was looked for in it.
    const shown = await driver
      .executeScript('return (document.querySelector("[role=dialog]") ?? document.body).innerText')
      .catch(() => '');
    throw new Error(`${error} after ${done.slice(-12).join(', ')}; the window shows: ${String(shown).slice(0, 1000)}`, {
      cause: error,
    });
  } finally {
    await away.catch(() => {});
    await browser.close();
    await server.close();
    rmSync(data, { recursive: true, force: true });
  }
}

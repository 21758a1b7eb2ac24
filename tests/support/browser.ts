/** Headless Chromium driven as a maker would drive it. */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Browser, Builder, By, logging, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';

export interface TestBrowser {
  readonly driver: WebDriver;
  readonly downloads: string;
  close(): Promise<void>;
}

/** Long enough for a slow machine that runs two test files at once. */
const WAIT_MS = 20_000;

/**
 * A browser; one that draws in the round draws everything slower, since there is no graphics card. It finds this machine
 * by `names` as it would find another on a network, and trusts no certificate less for who signed it.
 */
export async function openBrowser(
  width = 1280,
  height = 800,
  { inTheRound = false, names = [] }: { readonly inTheRound?: boolean; readonly names?: readonly string[] } = {},
): Promise<TestBrowser> {
  const profile = mkdtempSync(join(tmpdir(), 'alcove-browser-'));
  const downloads = mkdtempSync(join(tmpdir(), 'alcove-downloads-'));
  const options = new Options();
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--hide-scrollbars',
    ...(inTheRound ? [] : ['--disable-gpu', '--disable-software-rasterizer']),
    '--force-device-scale-factor=1',
    ...(inTheRound ? ['--use-angle=swiftshader', '--enable-unsafe-swiftshader'] : []),
    ...(names.length > 0
      ? [
          `--host-resolver-rules=${names.map((name) => `MAP ${name} 127.0.0.1`).join(',')}`,
          '--ignore-certificate-errors',
        ]
      : []),
    `--user-data-dir=${profile}`,
    `--window-size=${width},${height}`,
  );
  options.setUserPreferences({ 'download.default_directory': downloads, 'download.prompt_for_download': false });
  const prefs = new logging.Preferences();
  prefs.setLevel(logging.Type.BROWSER, logging.Level.ALL);
  options.setLoggingPrefs(prefs);
  if (process.env.CHROMIUM_PATH) options.setBinaryPath(process.env.CHROMIUM_PATH);
  const driver = await new Builder()
    .forBrowser(Browser.CHROME)
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder(process.env.CHROMEDRIVER_PATH ?? '/usr/bin/chromedriver'))
    .build();
  // The window has no frame in headless mode only on some versions; make the page itself the wanted size.
  const inner = (await driver.executeScript('return [window.innerWidth, window.innerHeight]')) as [number, number];
  await driver
    .manage()
    .window()
    .setRect({ width: width + (width - inner[0]), height: height + (height - inner[1]) });
  return {
    driver,
    downloads,
    async close() {
      await driver.quit();
      for (const folder of [profile, downloads]) rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
    },
  };
}

/** Waits for an element by CSS and returns it once it is shown. */
export async function find(driver: WebDriver, css: string): Promise<WebElement> {
  const element = await driver.wait(until.elementLocated(By.css(css)), WAIT_MS, `nothing matches ${css}`);
  return driver.wait(until.elementIsVisible(element), WAIT_MS, `${css} is not shown`);
}

/** Waits for a button, link or tab whose name contains the words. */
export async function named(driver: WebDriver, words: string): Promise<WebElement> {
  const quoted = JSON.stringify(words);
  const path = `//*[self::button or self::a or @role="button" or @role="menuitem" or @role="tab"][contains(normalize-space(.), ${quoted}) or contains(@aria-label, ${quoted})]`;
  const element = await driver.wait(until.elementLocated(By.xpath(path)), WAIT_MS, `nothing is called "${words}"`);
  return driver.wait(until.elementIsVisible(element), WAIT_MS, `"${words}" is not shown`);
}

/** Waits until a reading of the page satisfies the test; fails with what was read last. */
export async function eventually<T>(read: () => Promise<T>, holds: (value: T) => boolean, what: string): Promise<T> {
  const deadline = Date.now() + WAIT_MS;
  let last: T | undefined;
  let problem: unknown;
  while (Date.now() < deadline) {
    try {
      last = await read();
      if (holds(last)) return last;
      problem = undefined;
    } catch (error) {
      problem = error;
    }
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  throw new Error(`${what}: last read ${JSON.stringify(last)}${problem ? `, ${problem}` : ''}`);
}

export const textOf = async (driver: WebDriver, css: string) => (await find(driver, css)).getText();

/** Waits until the bench's island is alive: until then a click would do nothing. */
export async function untilAlive(driver: WebDriver): Promise<void> {
  await eventually(
    () =>
      driver.executeScript(
        'return document.querySelectorAll("astro-island[ssr], [data-opening]").length',
      ) as Promise<number>,
    (count) => count === 0,
    'islands still asleep',
  );
}

/** What the browser's console said that should not have been said. */
export async function consoleErrors(driver: WebDriver): Promise<string[]> {
  const entries = await driver.manage().logs().get(logging.Type.BROWSER);
  return entries
    .filter((entry) => entry.level.value >= logging.Level.WARNING.value)
    .map((entry) => entry.message)
    .filter((message) => !NO_GESTURE.test(message));
}

/** A page that warns before it is left is not asked where only scripts have clicked; a maker's own click would be. */
const NO_GESTURE = /Blocked attempt to show a 'beforeunload' confirmation/;

/** Waits for a downloaded file and returns its text. */
export async function downloaded(folder: string, ending: string): Promise<string> {
  const name = await eventually(
    async () => readdirSync(folder).find((file) => file.endsWith(ending)),
    (file) => file !== undefined,
    `no file *${ending} was downloaded`,
  );
  return readFileSync(join(folder, name as string), 'utf8');
}

/** All that the accessibility check finds, however small. */
export async function accessProblems(driver: WebDriver): Promise<string[]> {
  await driver.executeScript(readFileSync('node_modules/axe-core/axe.min.js', 'utf8'));
  const result = (await driver.executeAsyncScript(
    'const done = arguments[arguments.length - 1]; axe.run().then((r) => done(r.violations), (e) => done([{ id: String(e), impact: "critical", nodes: [] }]))',
  )) as { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[];
  return result.map(
    ({ id, impact, nodes }) =>
      `${id} (${impact}): ${nodes.map((node) => `${node.html} ${node.failureSummary}`).join('\n')}`,
  );
}

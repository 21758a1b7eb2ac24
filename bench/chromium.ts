import { readFileSync } from 'node:fs';
import { openBrowser } from '../tests/support/browser.js';

/** Built by `start.mjs` for the browser: `solving` returns times of solving one cabinet after an edit (ms). */
const PROGRAM = 'node_modules/.cache/alcove/bench-inBrowser.js';

/** One cabinet after an edit as Chromium does it, in a sentence. */
export async function inChromium(): Promise<string> {
  const browser = await openBrowser(800, 600).catch(() => undefined);
  if (!browser) return 'in Chromium: not measured, since it is not installed here';
  try {
    await browser.driver.get('about:blank');
    await browser.driver.executeScript(readFileSync(PROGRAM, 'utf8'));
    const times = await browser.driver.executeScript<number[]>('return window.solving(1500)');
    const sorted = times.sort((a, b) => a - b);
    const at = (share: number) => (sorted[Math.floor(sorted.length * share)] ?? Number.NaN).toFixed(2);
    return `in Chromium: one cabinet after an edit, median ${at(0.5)} ms, p99 ${at(0.99)} ms (target: about 1 ms, p99 at most 4 times that)`;
  } finally {
    await browser.close();
  }
}

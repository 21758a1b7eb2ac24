/** npm run ordeal: the long proofs that nothing is lost and nothing stops the shop; npm run ordeal -- --share 0.1 for a tenth. */
import { spawnSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { bundle } from '../../scripts/bundle.mjs';
import { YOUNG } from '../../src/server/compute/young.js';
import { askOddly, handInLarge, serveMany } from './asked.js';
import { setClocks } from './clock.js';
import { crowdTheDoor } from './door.js';
import { killAmidSaves, startTogether } from './killed.js';
import { sendLarge } from './large.js';
import { workOverANetwork } from './network.js';
import { restoreShops } from './restored.js';

const { values } = parseArgs({
  options: {
    share: { type: 'string', default: '1' },
    only: { type: 'string' },
    seed: { type: 'string', default: '1' },
  },
});
const share = Number(values.share);
if (!(share > 0)) throw new Error('--share should be a number above 0.');
const seed = Number(values.seed);
const many = (count: number) => Math.max(1, Math.round(count * share));

/** What only figures runs built, in a process of its own. */
async function figured(...args: readonly string[]): Promise<unknown> {
  const program = await bundle('tests/ordeal/figured.ts', 'node_modules/.cache/alcove/ordeal.mjs');
  const { status, stdout } = spawnSync(process.execPath, [YOUNG, program, ...args], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  if (status !== 0) throw new Error(`${args.join(' ')} ended with ${status}`);
  return JSON.parse(stdout);
}

const proofs: readonly (readonly [string, string, () => unknown])[] = [
  ['kills', 'killed amid its saves', () => killAmidSaves(many(1000), seed)],
  ['starts', 'two starts at once on an old shop, one killed', () => startTogether(many(200), seed)],
  ['requests', 'odd requests', () => askOddly(many(5000), seed)],
  ['network', 'acts of two windows over plain http on a network', () => workOverANetwork(many(300), seed)],
  ['clock', 'shops whose clock is set', () => setClocks(many(100), seed)],
  ['restore', 'shops restored from any state', () => restoreShops(many(300), seed)],
  ['door', 'strangers at the door', () => crowdTheDoor(many(5000), seed)],
  ['large', 'bodies as large as can be', () => sendLarge(many(300), seed)],
  ['documents', 'odd documents', () => figured('documents', String(many(20_000)))],
  ['largest', 'the largest there may be', () => figured('largest')],
  ['thousand', 'a job of a thousand cabinets on the server', () => handInLarge(many(1000))],
  ['clients', 'fifty clients', () => serveMany(50, many(10_000))],
];
for (const [id, what, prove] of proofs) {
  if (values.only && values.only !== id) continue;
  const start = performance.now();
  const seen = await prove();
  console.log(`${what}: ${JSON.stringify(seen)} in ${Math.round((performance.now() - start) / 1000)} s`);
}

/** npm run ordeal: the long proofs that nothing is lost and nothing stops the shop; npm run ordeal -- --share 0.1 for a tenth. */
import { parseArgs } from 'node:util';
import { askOddly, serveMany } from './asked.js';
import { readOddDocuments, solveTheLargest } from './documents.js';
import { killAmidSaves, startTogether } from './killed.js';

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

const proofs: readonly (readonly [string, string, () => unknown])[] = [
  ['kills', 'killed amid its saves', () => killAmidSaves(many(1000), seed)],
  ['starts', 'two starts at once on an old shop, one killed', () => startTogether(many(200), seed)],
  ['requests', 'odd requests', () => askOddly(many(5000), seed)],
  ['documents', 'odd documents', () => readOddDocuments(many(20_000))],
  ['largest', 'the largest there may be', () => solveTheLargest()],
  ['clients', 'fifty clients', () => serveMany(50, many(10_000))],
];
for (const [id, what, prove] of proofs) {
  if (values.only && values.only !== id) continue;
  const start = performance.now();
  const seen = await prove();
  console.log(`${what}: ${JSON.stringify(seen)} in ${Math.round((performance.now() - start) / 1000)} s`);
}

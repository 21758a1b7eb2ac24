/**
 * npm run frozen: solves every frozen cabinet and says what differs from the day they were frozen, per aspect, with the
 * first names.
 *   --count N     only the first N cabinets
 *   --dump NAME   prints everything of one (`demo/reading-room`, `17`), to be compared with what another commit prints
 *   --write       freezes what comes out now; the note of that commit names each difference
 */
import { writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { ASPECTS, type Aspect, fingerprint, frozenJobs, readCorpus, readResults, solveFrozen } from './corpus.js';

const option = (name: string) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : (process.argv[at + 1] ?? '');
};
const write = process.argv.includes('--write');
const dump = option('dump');
const count = Number(option('count') ?? Number.POSITIVE_INFINITY);

const corpus = readCorpus();
const known = write ? {} : readResults();
const now: Record<string, string[]> = {};
const differing = new Map<Aspect, string[]>();
for (const { name, job } of frozenJobs(corpus, count)) {
  if (dump !== undefined && name !== dump) continue;
  const result = solveFrozen(job);
  if (dump !== undefined) {
    for (const aspect of ASPECTS) console.log(`## ${aspect}\n${result[aspect].join('\n')}`);
    continue;
  }
  const prints = ASPECTS.map((aspect) => fingerprint(result[aspect]));
  now[name] = prints;
  ASPECTS.forEach((aspect, at) => {
    if (!write && known[name]?.[at] !== prints[at]) differing.set(aspect, [...(differing.get(aspect) ?? []), name]);
  });
}
if (write) writeFileSync(new URL('results.json.gz', import.meta.url), gzipSync(JSON.stringify(now), { level: 9 }));
if (dump === undefined) {
  const total = Object.keys(now).length;
  console.log(write ? `${total} jobs frozen` : `${total} jobs compared`);
  for (const aspect of ASPECTS) {
    const names = differing.get(aspect) ?? [];
    if (names.length > 0) console.log(`${aspect}: ${names.length} differ, first ${names.slice(0, 8).join(', ')}`);
  }
  if (differing.size > 0) process.exitCode = 1;
}

// A program that saves into a shop without end, and says each save that was answered: it is there to be killed.
import { type Edit, pathTo } from '../../src/core/decisions/index.js';
import { openDatabase } from '../../src/server/database.js';
import { readStoredJob } from '../../src/server/jobs.js';
import { saveEdits } from '../../src/server/save.js';

const [data = '', id = ''] = process.argv.slice(2);
const db = openDatabase(data);
const { version: from, document } = readStoredJob(db, id);
const [cabinet] = document.cabinets;
if (!cabinet) throw new Error('a job with a cabinet was expected');
process.stdout.write('ready\n');
for (let version = from; ; version += 1) {
  const edits: Edit[] = [
    { path: pathTo.cabinetField(cabinet.id, 'size/width'), value: 300 + (version % 600) },
    version % 3
      ? { path: pathTo.head('note'), value: `saved ${version}` }
      : { path: pathTo.standard('all', 'fronts/gap'), value: 1 + (version % 4) },
  ];
  const saved = saveEdits(db, id, { version, label: `width ${300 + (version % 600)}`, edits });
  process.stdout.write(`${saved.version}\n`);
  // The answer is on its way before the next is begun.
  await new Promise((resolve) => setImmediate(resolve));
}

// A program that saves into a shop without end, and says each save that was answered: it is there to be killed.
import { register } from 'tsx/esm/api';

register();
const { openDatabase } = await import('../../src/server/database.ts');
const { readStoredJob } = await import('../../src/server/jobs.ts');
const { saveEdits } = await import('../../src/server/save.ts');

const [data, id] = process.argv.slice(2);
const db = openDatabase(data);
const { version: from, document } = readStoredJob(db, id);
const [cabinet] = document.cabinets;
process.stdout.write('ready\n');
for (let version = from; ; version += 1) {
  const edits = [
    { path: `cabinets/${cabinet.id}/size/width`, value: 300 + (version % 600) },
    {
      path: version % 3 ? 'note' : 'standards/all/fronts/gap',
      value: version % 3 ? `saved ${version}` : 1 + (version % 4),
    },
  ];
  const saved = saveEdits(db, id, { version, label: `width ${300 + (version % 600)}`, edits });
  process.stdout.write(`${saved.version}\n`);
  // The answer is on its way before the next is begun.
  await new Promise((resolve) => setImmediate(resolve));
}

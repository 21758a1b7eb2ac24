// Opens a shop once it is told to, so that two can do it in one moment; says how many jobs it found.
import { register } from 'tsx/esm/api';

register();
const { openDatabase } = await import('../../src/server/database.ts');
const { listJobs } = await import('../../src/server/list.ts');

const [data] = process.argv.slice(2);
process.stdout.write('ready\n');
process.stdin.once('data', () => {
  const db = openDatabase(data);
  process.stdout.write(`${listJobs(db).length} jobs\n`);
  db.close();
  process.exit(0);
});

// Opens a shop once it is told to, so that two can do it in one moment; says how many jobs it found.
import { openDatabase } from '../../src/server/database.js';
import { listJobs } from '../../src/server/list.js';

const [data = ''] = process.argv.slice(2);
process.stdout.write('ready\n');
process.stdin.once('data', () => {
  const db = openDatabase(data);
  process.stdout.write(`${listJobs(db).length} jobs\n`);
  db.close();
  process.exit(0);
});

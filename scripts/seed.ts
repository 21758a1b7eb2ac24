/** Puts the demo jobs into a database that has none yet. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { readJobText } from '../src/core/solve/index.js';
import { dataFolder, openDatabase } from '../src/server/database.js';
import { createJob } from '../src/server/jobs.js';
import { listJobs } from '../src/server/list.js';

const db = openDatabase(dataFolder());
if (listJobs(db).length === 0) {
  const folder = resolve('demo');
  for (const name of readdirSync(folder)
    .filter((file) => file.endsWith('.alcove.json'))
    .sort()) {
    const read = readJobText(readFileSync(join(folder, name), 'utf8'));
    if (!read.ok) throw new Error(`demo/${name}: ${JSON.stringify(read.errors)}`);
    createJob(db, read.value, 'demo data');
    console.log(`alcove: demo job "${read.value.name}"`);
  }
}
db.close();

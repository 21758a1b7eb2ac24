// npm run restore: lists the copies there are; npm run restore -- NAME puts one in the place of the database.
import { backupsIn, restore } from '../src/server/backup.js';
import { dataFolder } from '../src/server/database.js';

const data = dataFolder();
const [name] = process.argv.slice(2);
if (!name) {
  const all = backupsIn(data);
  if (all.length === 0) console.log(`There are no copies in ${data} yet; one is made each day Alcove is used.`);
  for (const backup of all)
    console.log(`${backup.name}   ${Math.round(backup.bytes / 1024)} kB, made ${backup.madeAt.toISOString()}`);
  if (all.length > 0) console.log('npm run restore -- NAME puts one in the place of the database.');
} else {
  const done = restore(data, name);
  if (done.ok) {
    console.log(`The copy "${name}" stands in the place of the database: ${done.jobs} jobs.`);
    if (done.kept) console.log(`What stood there is kept as ${done.kept}.`);
  } else {
    console.error(done.message);
    process.exitCode = 1;
  }
}

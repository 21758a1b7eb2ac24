// npm run restore: lists the copies there are; npm run restore -- NAME puts one in the place of the database;
// npm run restore -- --try opens the newest beside the shop and reads all of it; npm run restore -- --log makes the
// database anew from its log, where that is what is left.
import { backupsIn } from '../src/server/copies.js';
import { dataFolder } from '../src/server/folder.js';
import { type Read, type Restored, restore, restoreFromLog, tryNewest } from '../src/server/restore.js';

const data = dataFolder();
const [name] = process.argv.slice(2);
if (!name) list();
else if (name === '--try') tryOut();
else if (name === '--log') tell('The database was made anew from its log', restoreFromLog(data));
else tell(`The copy "${name}" stands in the place of the database`, restore(data, name));

function list(): void {
  const all = backupsIn(data);
  if (all.length === 0) console.log(`There are no copies in ${data} yet; one is made each day Alcove is used.`);
  for (const backup of all)
    console.log(`${backup.name}   ${Math.round(backup.bytes / 1024)} kB, made ${backup.madeAt.toISOString()}`);
  if (all.length > 0)
    console.log(
      'npm run restore -- NAME puts one in the place of the database; npm run restore -- --try reads the newest.',
    );
}

function tryOut(): void {
  const tried = tryNewest(data);
  if (tried.ok) console.log(`The copy "${tried.name}" is whole: ${counted(tried)}. Nothing was changed.`);
  else refuse(tried.message);
}

function tell(done: string, restored: Restored): void {
  if (!restored.ok) {
    refuse(restored.message);
    return;
  }
  console.log(`${done}: ${counted(restored)}.`);
  for (const file of restored.kept) console.log(`What stood there is kept as ${file}.`);
}

function counted({ jobs, unreadable }: Read): string {
  const names = unreadable.map((job) => `"${job.name}" (${job.why})`).join(', ');
  return unreadable.length === 0
    ? `${jobs} jobs, every one was read`
    : `${jobs} jobs, of which ${unreadable.length} cannot be read: ${names}`;
}

function refuse(message: string): void {
  console.error(message);
  process.exitCode = 1;
}

import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** A copy of the database, by the day it was made or what it was made before. */
export interface Backup {
  /** `2026-11-28`, or `2026-11-28-before-003-editions` */
  readonly name: string;
  readonly file: string;
  readonly madeAt: Date;
  readonly bytes: number;
}

const folderOf = (data: string) => join(data, 'backups');
const ENDING = '.db';

/** All copies there are, the latest first. */
export function backupsIn(data: string): Backup[] {
  const folder = folderOf(data);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => name.endsWith(ENDING))
    .map((name): Backup => {
      const file = join(folder, name);
      const { mtime, size } = statSync(file);
      return { name: name.slice(0, -ENDING.length), file, madeAt: mtime, bytes: size };
    })
    .sort((a, b) => b.madeAt.getTime() - a.madeAt.getTime());
}

/** The file of a copy of this name, in a folder for its owner alone. */
export function placeOfCopy(data: string, name: string): string {
  const folder = folderOf(data);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return join(folder, name + ENDING);
}

/** What a shop whose database cannot be used can do. */
export function lastCopy(data: string): string {
  const [last] = backupsIn(data);
  return last
    ? `Nothing was changed in it. The last copy is of ${last.madeAt.toISOString().slice(0, 10)}: npm run restore -- ${last.name} puts it in its place.`
    : 'Nothing was changed in it, and there is no copy of it.';
}

// The terminal's programs start at once when they are built; while anything they are made of is younger, they run from it.
import { readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
/** Folders the terminal's programs are made of. */
const MADE_OF = ['cli', 'src/core', 'src/formats'];

/** Address of a program of the terminal as it was built; undefined where it was not, or is older than what it is made of. */
export function builtProgram(name) {
  const file = join(root, 'dist', 'cli', `${name}.mjs`);
  const made = statSync(file, { throwIfNoEntry: false })?.mtimeMs;
  if (made === undefined) return undefined;
  const younger = MADE_OF.some((folder) =>
    readdirSync(join(root, folder), { recursive: true, withFileTypes: true }).some(
      (entry) =>
        entry.isFile() &&
        !entry.name.endsWith('.test.ts') &&
        statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs > made,
    ),
  );
  return younger ? undefined : pathToFileURL(file).href;
}

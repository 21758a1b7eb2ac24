import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root.js';

/**
 * The program that runs, by its version and what it was built of. A page is told which one made it and says so with each
 * save, so that one from before an upgrade is known. What was not built is `source`.
 */
export const PROGRAM = programOf(join(root, 'dist', 'server', 'entry.mjs'));

function programOf(entry: string): string {
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { version: string };
  // The entry names every file of the pages by what is in it.
  const built = existsSync(entry)
    ? createHash('sha256').update(readFileSync(entry)).digest('hex').slice(0, 10)
    : 'source';
  return `${version}-${built}`;
}

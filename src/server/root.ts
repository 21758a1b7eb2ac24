import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the program, wherever it was started from and whether it was built or not. */
export const root = rootFrom(dirname(fileURLToPath(import.meta.url)));

function rootFrom(folder: string): string {
  const file = join(folder, 'package.json');
  if (existsSync(file) && (JSON.parse(readFileSync(file, 'utf8')) as { name?: string }).name === 'alcove')
    return folder;
  const above = dirname(folder);
  if (above === folder) throw new Error('The folder of Alcove was not found.');
  return rootFrom(above);
}

import { readFileSync } from 'node:fs';
import type { Job } from '../src/core/decisions/index.js';
import { readJobText } from '../src/core/solve/index.js';
import { Misuse } from './misuse.js';

/** A job by the name of its file, or everything that is wrong with it. */
export function readFile(file: string): Job {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new Misuse(`the file ${file} cannot be read.`);
  }
  const read = readJobText(text);
  if (!read.ok) {
    const lines = read.errors.map(({ path, where = path, message }) =>
      where ? `  ${where}: ${message}` : `  ${message}`,
    );
    throw new Misuse(`${file} is not a job this program can solve:\n${lines.join('\n')}`);
  }
  return read.value;
}

/** A later program, made of the one that was built: its document is one version further, and all its files have other names. */
import assert from 'node:assert/strict';
import { cpSync, mkdirSync, readdirSync, readFileSync, renameSync, symlinkSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { JOB_VERSION } from '../../src/core/solve/index.js';
import { temporaryFolder } from './server.js';

export const NEXT_VERSION = JOB_VERSION + 1;

/** What the version of the document is figured from, in what was built and in what was also made small. */
const VERSION = /Math\.max\(\s*(?=[\w$]+,\s*\.\.\.\[\s*\.\.\.Object\.values\()/g;

/** The folder of the later program. */
export function nextProgram(): string {
  const root = temporaryFolder();
  for (const name of ['package.json', 'dist', 'src/host/start.mjs', 'src/server/migrations']) {
    mkdirSync(dirname(join(root, name)), { recursive: true });
    cpSync(name, join(root, name), { recursive: true });
  }
  symlinkSync(resolve('node_modules'), join(root, 'node_modules'));
  // Browsers keep files by their names: those of another program have others.
  renameSync(join(root, 'dist/client/_astro'), join(root, 'dist/client/_next'));
  let changed = 0;
  for (const name of readdirSync(join(root, 'dist'), { recursive: true, encoding: 'utf8' })) {
    if (!/\.(mjs|js|css|html)$/.test(name)) continue;
    const file = join(root, 'dist', name);
    const before = readFileSync(file, 'utf8');
    const after = before.replaceAll('_astro/', '_next/').replace(VERSION, (found) => {
      changed += 1;
      return `${found}${NEXT_VERSION},`;
    });
    if (after !== before) writeFileSync(file, after);
  }
  assert.ok(changed >= 6, `${changed} places say the version of the document`);
  writeFileSync(
    join(root, 'dist/server/entry.mjs'),
    `${readFileSync(join(root, 'dist/server/entry.mjs'), 'utf8')}\n// next\n`,
  );
  return root;
}

// Which tests there are, and how they are run: unit tests several in a program, each program on a core of its own.
import { mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './prepare.mjs';

const BROWSER = '.browser.test.ts';

/** The test files of a folder, by name. */
export function testsIn(folder) {
  return readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .sort();
}

/** True for a test that tries hundreds of cabinets, and takes its time. */
export const isSweep = (file) => file.endsWith('.sweep.test.ts');

/** True for a test that drives the browser, or talks to a built server. */
export const wantsBuild = (file) => file.endsWith(BROWSER) || (file.startsWith('tests/') && !QUICK.test(file));
/** Of the proofs beside the code, those that solve and look, and ask for no server. */
const QUICK = /^tests\/(everyday|frozen|generator|sheets|solids|stands|typed|openings|corrections)/;

/**
 * Tests in so many programs instead of one each: loading the core and warming it up takes longer than most of them run.
 * The largest files are dealt out first.
 */
export function together(files, programs, name = 'units') {
  const groups = Array.from({ length: Math.min(programs, files.length) }, () => []);
  const bySize = [...files].sort((a, b) => statSync(join(root, b)).size - statSync(join(root, a)).size);
  for (const [at, file] of bySize.entries()) groups[at % groups.length].push(file);
  const folder = join(root, 'node_modules', '.cache', 'alcove');
  mkdirSync(folder, { recursive: true });
  return groups.map((group, at) => {
    const program = join(folder, `${name}-${at + 1}.mjs`);
    writeFileSync(program, group.map((file) => `import '${pathToFileURL(join(root, file))}';\n`).join(''));
    return program;
  });
}

/** The check of types as a program among the tests: by itself it leaves one core idle. */
export function typeCheck() {
  const folder = join(root, 'node_modules', '.cache', 'alcove');
  mkdirSync(folder, { recursive: true });
  const program = join(folder, 'types.mjs');
  writeFileSync(
    program,
    `import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { test } from 'node:test';

test('types, of code and pages', () => {
  const args = ['node_modules/astro/astro.js', 'check', '--minimumFailingSeverity', 'error'];
  const { status, stdout } = spawnSync(process.execPath, args, { cwd: ${JSON.stringify(root)}, encoding: 'utf8' });
  assert.equal(status, 0, stdout);
});
`,
  );
  return program;
}

/** What Node's test runner is called with: one file a core. A browser is busy while it is driven; more at a time take longer. */
export const runnerArgs = (files, { reporter = 'spec', watch = false } = {}) => [
  '--import',
  'tsx',
  '--import',
  './tests/support/seed.ts',
  '--test',
  ...(watch ? ['--watch'] : []),
  `--test-concurrency=${Math.max(1, Math.min(4, availableParallelism()))}`,
  '--test-reporter',
  reporter,
  ...files,
];

// npm run test:near FILE…: the tests that matter for some files, nearest first, in seconds. With --watch again at every change.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { build } from 'esbuild';
import { installPackages, root, run, say } from './prepare.mjs';
import { isSweep, runnerArgs, testsIn, together, wantsBuild } from './tests.mjs';

/** So many test files are run; what is further away is counted. */
const MOST = 8;

const watch = process.argv.includes('--watch');
const files = process.argv
  .slice(2)
  .filter((each) => !each.startsWith('--'))
  .map((each) => relative(root, join(process.cwd(), each)));
if (files.length === 0) {
  say('test:near wants the files that were changed: npm run test:near src/core/build/layout/box.ts');
  process.exit(2);
}
for (const file of files)
  if (!existsSync(join(root, file))) {
    say(`there is no file ${file}`);
    process.exit(2);
  }
installPackages();

const tests = [...testsIn('src'), ...testsIn('cli'), ...testsIn('tests')];
const ranked = await nearest();
if (ranked.length === 0) {
  say(`no test imports ${files.join(', ')}: what it is seen in is driven by the browser tests of npm test`);
  process.exit(0);
}
const built = ranked.filter(({ test }) => wantsBuild(test));
const quick = ranked.filter(({ test }) => !wantsBuild(test) && (!isSweep(test) || files.includes(test)));
const chosen = quick.slice(0, MOST).map(({ test }) => test);
const further = quick.length - chosen.length;
for (const test of chosen) say(test);
if (further > 0) say(`${further} more reach it from further away: npm run test:core`);
if (built.length > 0) say(`${built.length} that want a built server as well: npm test`);
if (chosen.length > 0) run(process.execPath, runnerArgs(together(chosen, 2, 'near'), { reporter: 'dot', watch }));

/** How often each file was changed together with one of those looked at: in a commit of many files it says little. */
function changedTogether() {
  const { stdout, status } = spawnSync('git', ['log', '--format=%x00', '--name-only', '-n', '800'], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  const score = new Map();
  if (status !== 0) return score;
  for (const commit of stdout.split('\0')) {
    const changed = commit.split('\n').filter(Boolean);
    if (!files.some((file) => changed.includes(file))) continue;
    for (const each of changed) score.set(each, (score.get(each) ?? 0) + 1 / changed.length);
  }
  return score;
}

/**
 * The tests that load any of the files: those of its own folder first, then those that were changed with it before, then
 * by how many imports lie between.
 */
async function nearest() {
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: tests,
    outdir: 'node_modules/.cache/alcove/near',
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    packages: 'external',
    write: false,
    metafile: true,
    loader: { '.sql': 'text' },
    logLevel: 'error',
  });
  const importers = new Map();
  for (const [file, { imports }] of Object.entries(metafile.inputs))
    for (const { path, external } of imports)
      if (!external) importers.set(path, [...(importers.get(path) ?? []), file]);
  const steps = new Map(files.map((file) => [file, 0]));
  const next = [...files];
  for (const file of next)
    for (const importer of importers.get(file) ?? [])
      if (!steps.has(importer)) {
        steps.set(importer, steps.get(file) + 1);
        next.push(importer);
      }
  const beside = new Set(files.map((file) => dirname(file)));
  const score = changedTogether();
  return tests
    .filter((test) => steps.has(test))
    .map((test) => ({
      test,
      own: files.includes(test) ? 2 : beside.has(dirname(test)) ? 1 : 0,
      with: score.get(test) ?? 0,
      far: steps.get(test),
    }))
    .sort((a, b) => b.own - a.own || b.with - a.with || a.far - b.far || (a.test < b.test ? -1 : 1));
}

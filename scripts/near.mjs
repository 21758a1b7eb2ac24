// npm run test:near FILE…: the tests that matter for some files, nearest first, in seconds. With --watch again at every change.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join, relative } from 'node:path';
import { installPackages, root, run, say } from './prepare.mjs';
import { isSweep, runnerArgs, testsIn, together, wantsBuild } from './tests.mjs';

/** So many test files are run; what is further away is counted. */
const MOST = 8;

/** What a module takes from another by name, and what it only loads. */
const IMPORT =
  /(?:import|export)\s+(type\s)?(?:[\w$]+\s*,\s*)?(?:\{([^}]*)\}|(\*)(?:\s+as\s+[\w$]+)?|[\w$]+)\s+from\s+'(\.[^']+)'/g;
const LOADED = /(?:import\s+|import\()'(\.[^']+)'/g;
/** What modules make and export, once they were looked into. */
const exported = new Map();

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
const ranked = nearest();
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

/**
 * How often each file was changed together with one of those looked at: in a commit of many files it says little. A file
 * that was moved goes by where it lies now.
 */
function changedTogether() {
  const { stdout, status } = spawnSync('git', ['log', '--format=%x00', '--name-status', '-M', '-n', '800'], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  const score = new Map();
  if (status !== 0) return score;
  const movedTo = new Map();
  const now = (name) => movedTo.get(name) ?? name;
  for (const commit of stdout.split('\0')) {
    const lines = commit.split('\n').filter(Boolean);
    const changed = lines.map((line) => now(line.split('\t').at(-1)));
    // Each commit is older than the one before: what it moved had its old name in all that come.
    for (const [sort, from, to] of lines.map((line) => line.split('\t')))
      if (sort.startsWith('R')) movedTo.set(from, now(to));
    if (!files.some((file) => changed.includes(file))) continue;
    for (const each of changed) score.set(each, (score.get(each) ?? 0) + 1 / changed.length);
  }
  return score;
}

/** The modules of this program and what each of them takes from which other; names that are types only are left out. */
function modules() {
  const all = ['src', 'cli', 'tests', 'bench'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true })
      .filter((name) => /\.tsx?$/.test(name))
      .map((name) => join(folder, name)),
  );
  const known = new Set(all);
  const fileOf = (from, to) => {
    const path = join(dirname(from), to).replace(/\.js$/, '');
    return [`${path}.ts`, `${path}.tsx`, join(dirname(from), to)].find((each) => known.has(each));
  };
  return new Map(
    all.map((file) => {
      const text = readFileSync(join(root, file), 'utf8');
      const named = [...text.matchAll(IMPORT)].flatMap(([, type, names, star, from]) => {
        const wanted = (names ?? '')
          .split(',')
          .map((name) => name.trim())
          .filter((name) => name && !name.startsWith('type '));
        const to = fileOf(file, from);
        return to && !type
          ? [{ to, names: star || !names ? undefined : wanted.map((name) => name.split(' as ')[0]) }]
          : [];
      });
      const loaded = [...text.matchAll(LOADED)].flatMap(([, from]) => fileOf(file, from) ?? []);
      return [file, [...named, ...loaded.map((to) => ({ to, names: undefined }))]];
    }),
  );
}

/** Where a name comes from that an index hands on; the index itself where it makes it. */
function sourceOf(all, file, name) {
  if (basename(file) !== 'index.ts') return file;
  for (const { to, names } of all.get(file) ?? []) {
    if (names?.includes(name)) return sourceOf(all, to, name);
    if (names === undefined && basename(to) === 'index.ts') {
      const found = sourceOf(all, to, name);
      if (found !== to || exportsOf(to).has(name)) return found;
    }
  }
  return file;
}

function exportsOf(file) {
  let names = exported.get(file);
  if (!names) {
    const text = readFileSync(join(root, file), 'utf8');
    names = new Set([...text.matchAll(/export (?:const|function|class) (\w+)/g)].map(([, name]) => name));
    exported.set(file, names);
  }
  return names;
}

/**
 * The tests that load any of the files: those of its own folder first, then those that were changed with it before, then
 * by how many imports lie between. What comes through an index counts by where it is made.
 */
function nearest() {
  const all = modules();
  const importers = new Map();
  const add = (to, from) => importers.set(to, [...(importers.get(to) ?? []), from]);
  for (const [file, taken] of all)
    for (const { to, names } of taken) {
      if (basename(file) === 'index.ts' && basename(to) === 'index.ts' && names === undefined) continue;
      for (const source of names ? new Set(names.map((name) => sourceOf(all, to, name))) : [to]) add(source, file);
    }
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

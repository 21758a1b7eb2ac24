/**
 * npm run mutants -- --count 200 --seed 1: changes one place of the core at a time and asks the tests that matter whether
 * they notice. Works on two copies of the tree side by side; prints the score and what survived.
 */
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { type Mutant, mutantsOf, mutated, sample } from './mutate.js';

const option = (name: string, otherwise: number) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};
const COUNT = option('count', 200);
const SEED = option('seed', 1);
const FOLDERS = [
  'build/joints',
  'build/layout',
  'build/carcass',
  'build/frame',
  'build/fronts',
  'kinds/hinges',
  'part/machining',
  'part/parts',
];
/** Asked before the tests beside the file: it notices most. */
const FIRST = 'tests/frozen/frozen.test.ts';
/** Asked after them, most telling first. */
const LAST = [
  'tests/stands.test.ts',
  'tests/openings.test.ts',
  'tests/solids/solids.test.ts',
  'src/core/solve/solve.test.ts',
  'tests/typed.test.ts',
];
/** What is tested elsewhere than beside the file: rules of a kind with the other findings, its symbols with the drawings. */
const ELSEWHERE: readonly [files: RegExp, tests: readonly string[]][] = [
  [
    /rules|neighbours|swings|apart/,
    ['src/core/check/findings/findings.test.ts', 'src/core/check/findings/neighbours.test.ts'],
  ],
  [/shapes|families|handles|keys/, ['src/core/present/views/hardware.test.ts']],
  [
    /joints\//,
    [
      'src/core/build/carcass/carcass.test.ts',
      'src/core/build/carcass/screwLines.test.ts',
      'src/core/build/carcass/stopped.test.ts',
    ],
  ],
  [/fronts\/|layout\//, ['src/core/build/layout/reveals.test.ts', 'src/core/build/fronts/fronts.test.ts']],
];
/** A test run longer than this has not come to an end, and so has noticed (ms). */
const PATIENCE = 240_000;
const COPIES = 2;

const files = FOLDERS.flatMap((folder) => listed(`src/core/${folder}`)).filter(
  (file) => !file.endsWith('.test.ts') && !file.endsWith('index.ts') && !/catalogue|settings|corner|profile/.test(file),
);
const all = files.flatMap((file) => mutantsOf(file, readFileSync(file, 'utf8')));
const chosen = sample(all, COUNT, SEED);
console.log(`${all.length} mutants in ${files.length} files; ${chosen.length} of them, seed ${SEED}`);

function listed(folder: string): string[] {
  return readdirSync(folder, { recursive: true })
    .map((name) => join(folder, String(name)))
    .filter((name) => name.endsWith('.ts'))
    .sort();
}

function copyTree(): string {
  const copy = mkdtempSync(join(tmpdir(), 'mutants-'));
  for (const name of ['src', 'tests', 'demo', 'cli', 'package.json', 'tsconfig.json'])
    cpSync(name, join(copy, name), { recursive: true });
  symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
  return copy;
}

/** True when a test fails, or does not end. */
function fails(copy: string, tests: readonly string[], patience = PATIENCE): Promise<boolean> {
  return new Promise((resolve) => {
    const run = spawn(
      process.execPath,
      [
        ...['--import', 'tsx', '--import', './tests/support/seed.ts', '--test-reporter=tap'],
        ...['tests/mutants/together.ts', ...tests],
      ],
      { cwd: copy, stdio: ['ignore', 'pipe', 'ignore'], detached: true, env: { ...process.env, TYPED_SEEDS: '40' } },
    );
    const stop = () => {
      try {
        process.kill(-(run.pid as number), 'SIGKILL');
      } catch {
        // It has ended by itself.
      }
    };
    const timer = setTimeout(stop, patience);
    // The first failure is enough.
    run.stdout.on('data', (text: Buffer) => {
      if (/^not ok/m.test(text.toString())) stop();
    });
    run.on('exit', (code) => {
      clearTimeout(timer);
      resolve(code !== 0);
    });
  });
}

/** The tests in the folder of a file, or in the one above where it has none. */
function testsBeside(file: string): string[] {
  const folder = dirname(file);
  const tests = readdirSync(folder).filter((name) => name.endsWith('.test.ts'));
  return tests.length > 0 || folder === 'src/core' ? tests.map((name) => join(folder, name)) : testsBeside(folder);
}

async function judge(copy: string, mutant: Mutant): Promise<boolean> {
  const path = join(copy, mutant.file);
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, mutated(text, mutant));
  const beside = testsBeside(mutant.file);
  try {
    const elsewhere = ELSEWHERE.flatMap(([files, tests]) => (files.test(mutant.file) ? tests : []));
    const tests = [FIRST, ...beside, ...elsewhere, ...LAST];
    return await fails(copy, [...new Set(tests)]);
  } finally {
    writeFileSync(path, text);
  }
}

/** Tests that fail anyway notice nothing. */
async function refuseFailing(): Promise<void> {
  const copy = copyTree();
  const tests = new Set([FIRST, ...chosen.flatMap(({ file }) => testsBeside(file)), ...LAST]);
  for (const [, more] of ELSEWHERE) for (const test of more) tests.add(test);
  // All of them together take as long as many do by themselves.
  if (await fails(copy, [...tests], 5 * PATIENCE))
    throw new Error('the tests fail without any mutant; nothing can be said');
  rmSync(copy, { recursive: true, force: true });
}

await refuseFailing();
const started = performance.now();
const waiting = [...chosen];
const survived: Mutant[] = [];
let judged = 0;
await Promise.all(
  Array.from({ length: COPIES }, async () => {
    const copy = copyTree();
    for (let mutant = waiting.pop(); mutant; mutant = waiting.pop()) {
      const killed = await judge(copy, mutant);
      judged += 1;
      if (judged % 25 === 0) console.log(`${judged} judged, ${judged - survived.length} noticed`);
      if (!killed) {
        survived.push(mutant);
        console.log(
          `survived: ${mutant.file}:${mutant.line}  ${mutant.was.slice(0, 60)}  ->  ${mutant.becomes.slice(0, 60)}`,
        );
      }
    }
    rmSync(copy, { recursive: true, force: true });
  }),
);
const minutes = (performance.now() - started) / 60_000;
console.log(
  `${judged - survived.length} of ${judged} noticed, ${((100 * (judged - survived.length)) / judged).toFixed(1)} %, in ${minutes.toFixed(1)} min`,
);

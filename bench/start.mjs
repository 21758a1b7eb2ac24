// A measurement as what it measures runs when built: in one file, with the room for what is new that the server's threads have.
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { register } from 'tsx/esm/api';
import { bundle } from '../scripts/bundle.mjs';
import { root } from '../scripts/prepare.mjs';

register();
const { YOUNG } = await import('../src/server/compute/young.ts');

const CACHE = 'node_modules/.cache/alcove';
const [name, ...rest] = process.argv.slice(2);
const program = await bundle(`bench/${name}.ts`, `${CACHE}/bench-${name}.mjs`);
const commit = rest[rest.indexOf('--against') + 1];
const env = { ...process.env };
if (name === 'run') {
  await build({
    absWorkingDir: root,
    entryPoints: ['bench/inBrowser.ts'],
    outfile: `${CACHE}/bench-inBrowser.js`,
    bundle: true,
    platform: 'browser',
    format: 'iife',
    external: ['node:module'],
    target: 'es2022',
    logLevel: 'error',
  });
  if (rest.includes('--against')) env.ALCOVE_BENCH_AGAINST = await workOfCommit(commit);
}
const { status } = spawnSync(process.execPath, [YOUNG, '--expose-gc', program, ...rest], { stdio: 'inherit', env });
process.exitCode = status ?? 1;

/** The work of today measured on the core of another commit, as one file. */
async function workOfCommit(wanted) {
  const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' }).trim();
  let sha;
  try {
    sha = git('rev-parse', '--verify', '--short', `${wanted}^{commit}`);
  } catch {
    console.error(`bench: there is no commit "${wanted}" here.`);
    process.exit(2);
  }
  const tree = join(root, CACHE, `against-${sha}`);
  rmSync(tree, { recursive: true, force: true });
  mkdirSync(tree, { recursive: true });
  const archive = execFileSync('git', ['archive', sha, 'src', 'bench', 'demo', 'tsconfig.json', 'package.json'], {
    cwd: root,
    maxBuffer: 1 << 30,
  });
  spawnSync('tar', ['-x', '-C', tree], { input: archive });
  if (!existsSync(join(tree, 'node_modules'))) symlinkSync(join(root, 'node_modules'), join(tree, 'node_modules'));
  const outfile = join(root, CACHE, `bench-work-${sha}.mjs`);
  const built = (logLevel) =>
    build({
      absWorkingDir: tree,
      entryPoints: ['bench/work.ts'],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      packages: 'external',
      logLevel,
    });
  // What is measured is said once, by today's bench; where the rooms of that core lie elsewhere, by its own.
  const own = join(tree, 'bench');
  const kept = `${own}-own`;
  cpSync(own, kept, { recursive: true });
  for (const file of ['work.ts', 'jobs.ts']) cpSync(join(root, 'bench', file), join(own, file));
  try {
    await built('silent');
  } catch {
    console.error(`bench: the core of ${sha} lies in other rooms: it is measured by its own work, by the same names.`);
    rmSync(own, { recursive: true, force: true });
    cpSync(kept, own, { recursive: true });
    try {
      await built('error');
    } catch {
      console.error(`bench: the core of ${sha} has not got what is measured today; see above.`);
      process.exit(2);
    }
  }
  return outfile;
}

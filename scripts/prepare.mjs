// What the commands need before they can run: packages, the native database module, a built server. Only Node's own
// modules are used here, since nothing may be installed yet.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
process.env.ASTRO_TELEMETRY_DISABLED = '1';

export const say = (text) => console.log(`alcove: ${text}`);

/** Runs a program with its output shown; ends this one when it fails. */
export function run(program, args, options = {}) {
  const { status, error } = spawnSync(program, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) throw error;
  if (status !== 0) {
    say(`${[program, ...args].join(' ')} failed`);
    process.exit(status ?? 1);
  }
}

/** Runs programs one after the other with their output kept; what they said and how it ended. */
async function quietly(steps) {
  let said = '';
  for (const [what, program, args] of steps) {
    const status = await new Promise((resolve, reject) => {
      const child = spawn(program, args, { cwd: root });
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
      child.on('error', reject);
      child.on('close', resolve);
    });
    if (status !== 0) return { failed: what, said };
  }
  return { said };
}

/**
 * Runs rows of programs beside each other, each row one after the other; each step is its words, a program and what it is
 * called with. Ends this one when a step fails, with what it said.
 */
export async function beside(...rows) {
  const all = rows.filter((steps) => steps.length > 0);
  for (const steps of all) say(steps.map(([what]) => what).join(', then '));
  for (const { failed, said } of await Promise.all(all.map(quietly))) {
    if (failed === undefined) continue;
    console.log(said);
    say(`${failed} failed`);
    process.exit(1);
  }
}

/** Installs packages when they are missing or the lock file has changed since. */
export function installPackages() {
  const mark = join(root, 'node_modules', '.alcove-installed');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const present = existsSync(mark) && readFileSync(mark, 'utf8') === wanted;
  if (present) return;
  say(
    'installing packages. The database module is compiled here, which takes two to four minutes without a word of its own.',
  );
  const started = Date.now();
  // npm is silent while it compiles; a line every 20 seconds shows that it is still at work.
  const ticker = spawnTicker();
  process.once('exit', () => ticker.kill());
  run('npm', ['ci', '--no-fund', '--no-audit', '--include=dev']);
  ticker.kill();
  writeFileSync(mark, wanted);
  say(`packages installed in ${Math.round((Date.now() - started) / 1000)} s`);
}

function spawnTicker() {
  const code = "let s=0;setInterval(()=>console.log('alcove: still installing, '+(s+=20)+' s'),20000)";
  return spawn(process.execPath, ['-e', code], { stdio: 'inherit' });
}

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Building the server, where a source is newer than the last build: the steps of it. */
export function buildSteps() {
  const entry = join(root, 'dist', 'server', 'entry.mjs');
  const sources = ['src', 'public', 'astro.config.mjs', 'package-lock.json', 'tsconfig.json'].map((name) =>
    newest(join(root, name)),
  );
  if (existsSync(entry) && statSync(entry).mtimeMs > Math.max(...sources)) return [];
  const astro = join(root, 'node_modules', 'astro', 'astro.js');
  return [['building the app', process.execPath, [astro, 'build', '--silent']]];
}

/** Builds the server when a source is newer than the last build. */
export function build() {
  for (const [what, program, args] of buildSteps()) {
    say(what);
    run(program, args);
  }
}

/** The address a server started with this environment answers at. */
export function address(env = process.env) {
  return `http://${env.HOST ?? '127.0.0.1'}:${env.PORT ?? 4417}`;
}

/** True when something answers at an address already. */
function isTaken(host, port) {
  return new Promise((resolve) => {
    const probe = connect({ host, port, timeout: 1000 });
    const settle = (taken) => {
      probe.destroy();
      resolve(taken);
    };
    probe.once('connect', () => settle(true));
    probe.once('error', () => settle(false));
    probe.once('timeout', () => settle(false));
  });
}

/** Starts the built server and stays until it ends. */
export async function serve(env = {}) {
  const all = { ...process.env, ...env };
  all.HOST ||= '127.0.0.1';
  all.PORT ||= '4417';
  if (await isTaken(all.HOST, Number(all.PORT))) {
    say(`port ${all.PORT} is taken: another Alcove may be running. Stop it, or choose another with PORT=4418.`);
    process.exit(1);
  }
  say(`running at ${address(all)} (Ctrl C stops it)`);
  const server = spawn(process.execPath, [join(root, 'src', 'host', 'start.mjs')], {
    cwd: root,
    stdio: 'inherit',
    env: all,
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}

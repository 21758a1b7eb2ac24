// npm test: installs what is missing, then every check in the order in which they are cheapest to fail.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, installPackages, root, run, say } from './prepare.mjs';

installPackages();
installBrowser();

const bin = (name) => join(root, 'node_modules', '.bin', name);
say('format and lint');
run(bin('biome'), ['check', '.']);
say('types');
run(process.execPath, [join(root, 'node_modules', 'astro', 'astro.js'), 'check', '--minimumFailingSeverity', 'error']);
say('arrows between modules');
run(bin('depcruise'), ['src', 'cli', '--config', '.dependency-cruiser.cjs']);
say('nothing unused');
run(bin('knip'), ['--no-progress']);
build();
const units = testsIn('src');
const others = [...testsIn('cli'), ...testsIn('tests')];
say(`unit, endpoint and browser tests: ${units.length + others.length} files`);
run(process.execPath, [
  '--import',
  'tsx',
  '--import',
  './tests/support/seed.ts',
  '--test',
  // One file a core: by itself the runner leaves one core idle.
  `--test-concurrency=${Math.max(1, Math.min(4, availableParallelism()))}`,
  '--test-reporter',
  'spec',
  ...together(units),
  ...others,
]);

/**
 * Unit tests in a few programs instead of one each: loading the core and warming it up takes longer than most of them run.
 * The largest files are dealt out first.
 */
function together(files) {
  const groups = Array.from({ length: 4 }, () => []);
  const bySize = [...files].sort((a, b) => statSync(join(root, b)).size - statSync(join(root, a)).size);
  for (const [at, file] of bySize.entries()) groups[at % groups.length].push(file);
  const folder = join(root, 'node_modules', '.cache', 'alcove');
  mkdirSync(folder, { recursive: true });
  return groups.map((group, at) => {
    const program = join(folder, `units-${at + 1}.mjs`);
    writeFileSync(program, group.map((file) => `import '${pathToFileURL(join(root, file))}';\n`).join(''));
    return program;
  });
}

function testsIn(folder) {
  return readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .sort();
}

/** Browser tests need Chromium and its driver, those of https a certificate; from Debian's packages where this machine has them. */
function installBrowser() {
  const driver = process.env.CHROMEDRIVER_PATH ?? '/usr/bin/chromedriver';
  if (existsSync(driver) && spawnSync('openssl', ['version']).status === 0) return;
  const root = process.getuid?.() === 0;
  const apt = spawnSync('apt-get', ['--version']).status === 0;
  if (!root || !apt) {
    say(
      'the tests need Chromium, ChromeDriver and OpenSSL. Install the packages chromium, chromium-driver and openssl, or',
    );
    say('set CHROMIUM_PATH and CHROMEDRIVER_PATH to where the first two are, and call npm test again.');
    process.exit(1);
  }
  say('installing chromium, chromium-driver and openssl');
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'chromium-driver', 'openssl'], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
}

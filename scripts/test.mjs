// npm test: installs what is missing, then every check in the order in which they are cheapest to fail.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
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
const files = [...testsIn('src'), ...testsIn('cli'), ...testsIn('tests')];
say(`unit, endpoint and browser tests: ${files.length} files`);
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
  ...files,
]);

function testsIn(folder) {
  return readdirSync(join(root, folder), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name))
    .sort();
}

/** Browser tests need Chromium and its driver, from Debian's packages where this machine has them. */
function installBrowser() {
  const driver = process.env.CHROMEDRIVER_PATH ?? '/usr/bin/chromedriver';
  if (existsSync(driver)) return;
  const root = process.getuid?.() === 0;
  const apt = spawnSync('apt-get', ['--version']).status === 0;
  if (!root || !apt) {
    say('the browser tests need Chromium and ChromeDriver. Install the packages chromium and chromium-driver, or set');
    say('CHROMIUM_PATH and CHROMEDRIVER_PATH to where they are, and call npm test again.');
    process.exit(1);
  }
  say('installing chromium and chromium-driver');
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'chromium-driver'], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
}

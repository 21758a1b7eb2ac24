// npm test: installs what is missing, then every check: what is quick beside the build, the types among the tests.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { beside, buildSteps, installPackages, root, run, say } from './prepare.mjs';
import { runnerArgs, testsIn, together, typeCheck } from './tests.mjs';

installPackages();
installBrowser();

const bin = (name) => join(root, 'node_modules', '.bin', name);
const started = Date.now();
const seconds = () => Math.round((Date.now() - started) / 1000);
await beside(
  [
    ['format and lint', bin('biome'), ['check', '.']],
    ['arrows between modules', bin('depcruise'), ['src', 'cli', '--config', '.dependency-cruiser.cjs']],
    ['nothing unused', bin('knip'), ['--no-progress']],
  ],
  buildSteps(),
);
const units = testsIn('src');
const others = [...testsIn('cli'), ...testsIn('tests')];
say(`after ${seconds()} s: types, and unit, endpoint and browser tests: ${units.length + others.length} files`);
process.once('exit', () => say(`${seconds()} s in all, what had to be installed aside`));
run(process.execPath, runnerArgs([typeCheck(), ...together(units, 4), ...others]));

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

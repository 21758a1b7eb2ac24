import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, openSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';

const alcove = (...args: string[]) =>
  spawnSync(process.execPath, ['cli/alcove.mjs', ...args], { encoding: 'utf8', maxBuffer: 1 << 26 });
const DEMO = 'demo/reading-room.alcove.json';

test('solve prints the whole result, with --tape every derivation', () => {
  const { status, stdout } = alcove('solve', DEMO);
  assert.equal(status, 0);
  const result = JSON.parse(stdout);
  assert.equal(result.cabinets.length, 9);
  const back = result.cabinets[0].parts.find((part: { name: string }) => part.name === 'Back');
  assert.equal(back.width, 879.4);
  const taped = JSON.parse(alcove('solve', DEMO, '--tape').stdout);
  const { width } = taped.cabinets[0].parts.find((part: { name: string }) => part.name === 'Back');
  assert.equal(width.mm, 879.4);
  assert.equal(taped.derivations[width.tape].says, 'inside width 864.4 + held in each groove 7.5 × 2');
});

test('cutlist prints text or CSV in either unit', () => {
  assert.match(alcove('cutlist', DEMO).stdout, /cut list in millimetres/);
  assert.match(alcove('cutlist', DEMO, '--csv', '--unit', 'in').stdout, /cut length \(in\)/);
});

test('new prints a job that solves, settings lists them, and a file by hand is told all that is wrong with it', () => {
  const folder = mkdtempSync(join(tmpdir(), 'alcove-cli-'));
  const file = join(folder, 'new.json');
  for (const args of [[], ['--unit', 'in', '--from', 'wall'], ['--from', 'tall']]) {
    writeFileSync(file, alcove('new', ...args).stdout);
    const { status, stdout } = alcove('solve', file);
    assert.equal(status, 0, args.join(' '));
    const { findings } = JSON.parse(stdout);
    assert.deepEqual(
      findings.filter(({ severity }: { severity: string }) => severity === 'stop'),
      [],
    );
  }
  assert.match(alcove('settings', '--unit', 'in').stdout, /toe\/height = 4 1\/2 in/);
  assert.match(alcove('settings', '--page').stdout, /^# Settings/);
  const job = JSON.parse(alcove('new').stdout);
  job.cabinets[0].number = '12';
  job.cabinets[0].size.width = 'broad';
  job.cabinets[0].kind = 'low';
  writeFileSync(file, JSON.stringify(job));
  const { status, stderr } = alcove('cutlist', file);
  assert.equal(status, 2);
  assert.match(stderr, /cabinet 12, size\/width: "broad" is not a length/);
  assert.match(stderr, /cabinet 12, kind: This should be one of: base, wall, tall/);
});

test('a bad call or a bad file ends with code 2 and a plain sentence', () => {
  const folder = mkdtempSync(join(tmpdir(), 'alcove-cli-'));
  const bad = join(folder, 'bad.json');
  writeFileSync(bad, '{"format":"alcove-job","version":1,"colour":"red"}');
  const table: [string[], RegExp][] = [
    [['solve', join(folder, 'nothing.json')], /cannot be read/],
    [['solve', bad], /colour: "colour" is not a field/],
    [['solve'], /needs the name of a job file/],
    [['fly', DEMO], /not a command/],
    [['cutlist', DEMO, '--unit', 'ell'], /mm or in/],
    [['cutlist', DEMO, '--csv', '--text'], /one of/],
    [['solve', DEMO, '--louder'], /louder/],
    [['new', '--from', 'shed'], /one of base, wall, tall, open/],
    [['new', '--from', 'toString'], /one of base, wall, tall, open/],
    [['new', DEMO], /takes no file/],
    [['settings', '--unit', 'ell'], /mm or in/],
  ];
  for (const [args, words] of table) {
    const { status, stderr, stdout } = alcove(...args);
    assert.equal(status, 2, args.join(' '));
    assert.match(stderr, words);
    assert.equal(stdout, '');
    assert.doesNotMatch(stderr, /\bat .*\.ts:\d+/, 'no stack trace');
  }
});

test('a reader that leaves and a full disk end it quietly with a code', async () => {
  const reader = spawn(process.execPath, ['cli/alcove.mjs', 'solve', DEMO, '--tape'], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  reader.stderr.on('data', (chunk: Buffer) => {
    said += chunk.toString('utf8');
  });
  reader.stdout.once('data', () => reader.stdout.destroy());
  const code = await new Promise((ended) => reader.once('exit', ended));
  assert.deepEqual([code, said], [141, '']);
  const full = spawnSync(process.execPath, ['cli/alcove.mjs', 'cutlist', DEMO], {
    encoding: 'utf8',
    stdio: ['ignore', openSync('/dev/full', 'w'), 'pipe'],
  });
  assert.equal(full.status, 1);
  assert.match(full.stderr, /^alcove: the output could not be written: the disk is full\.\n$/);
});

test('built or from its source, the terminal says the same', () => {
  const source = "const { run } = await import('./cli/main.ts'); process.exitCode = await run(process.argv.slice(1));";
  for (const args of [
    ['solve', DEMO],
    ['cutlist', DEMO],
    ['solve', 'nowhere.json'],
  ]) {
    const fromSource = spawnSync(
      process.execPath,
      ['--import', 'tsx', '--input-type=module', '-e', source, '--', ...args],
      { encoding: 'utf8', maxBuffer: 1 << 26 },
    );
    const { stdout, stderr, status } = alcove(...args);
    assert.deepEqual(
      [fromSource.stdout, fromSource.stderr, fromSource.status],
      [stdout, stderr, status],
      args.join(' '),
    );
  }
});

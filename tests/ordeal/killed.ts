import assert from 'node:assert/strict';
import { type ChildProcess, spawn } from 'node:child_process';
import { copyFileSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { bundle } from '../../scripts/bundle.mjs';
import { migrate, openDatabase } from '../../src/server/database.js';
import { stateAt } from '../../src/server/history.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { listJobs } from '../../src/server/list.js';
import { Random } from '../generator/random.js';
import { temporaryFolder } from '../support/server.js';
import { jobNamed } from '../support/shop.js';

/** A program of this folder, with the lines it says. */
class Program {
  readonly process: ChildProcess;
  readonly said: string[] = [];
  /** What it complained of. */
  complaint = '';
  /** Settled once it has ended and all it said was heard. */
  readonly over: Promise<void>;
  private rest = '';
  private wake: () => void = () => {};

  constructor(script: string, args: readonly string[]) {
    this.process = spawn(process.execPath, [script, ...args], {
      stdio: ['pipe', 'pipe', 'pipe'],
    });
    this.process.stdout?.on('data', (chunk: Buffer) => {
      const lines = (this.rest + chunk.toString('utf8')).split('\n');
      this.rest = lines.pop() ?? '';
      this.said.push(...lines);
      this.wake();
    });
    this.process.stderr?.on('data', (chunk: Buffer) => {
      this.complaint += chunk.toString('utf8');
    });
    this.over = new Promise((heard) => this.process.once('close', () => heard()));
    this.process.once('exit', () => this.wake());
    this.process.stdin?.on('error', () => {});
  }

  /** Waits until so many lines were said, or it has ended. */
  async says(count: number): Promise<void> {
    while (this.said.length < count && this.process.exitCode === null && this.process.signalCode === null)
      await new Promise<void>((wake) => {
        this.wake = wake;
      });
  }
}

/** A program of this folder in one file: it starts in a moment. */
const built = (name: 'writer' | 'starter') =>
  bundle(`tests/ordeal/${name}.ts`, `node_modules/.cache/alcove/${name}.mjs`);

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/**
 * Kills a program amid its saves, again and again on one shop, at moments that differ. Every save that was answered must
 * be there, as it was answered; the database must be whole each time. Returns what was seen.
 */
export async function killAmidSaves(kills: number, seed = 1): Promise<{ kills: number; answered: number }> {
  const random = new Random(seed);
  const data = temporaryFolder();
  const first = openDatabase(data);
  const { id } = createJob(first, jobNamed('Killed'));
  first.close();
  const writer = await built('writer');
  let answered = 0;
  let last = 1;
  for (let kill = 0; kill < kills; kill += 1) {
    const program = new Program(writer, [data, id]);
    await program.says(1 + random.whole(1, 6));
    await pause(random.between(0, 40));
    program.process.kill('SIGKILL');
    await program.over;
    const versions = program.said.slice(1).map(Number).filter(Number.isFinite);
    answered += versions.length;
    last = Math.max(last, ...versions);
    const db = openDatabase(data);
    assert.equal(db.pragma('integrity_check', { simple: true }), 'ok', `kill ${kill}`);
    assert.deepEqual(db.pragma('foreign_key_check'), []);
    const { version, document } = readStoredJob(db, id);
    assert.ok(version === last || version === last + 1, `kill ${kill}: ${last} was answered, ${version} is there`);
    assert.equal(document.cabinets[0]?.size.width, 300 + ((version - 1) % 600));
    const some = versions[random.whole(0, Math.max(0, versions.length - 1))];
    if (some) assert.equal(stateAt(db, id, some).cabinets[0]?.size.width, 300 + ((some - 1) % 600));
    last = version;
    db.close();
  }
  rmSync(data, { recursive: true });
  return { kills, answered };
}

/** A shop of before, which is migrated as it is opened. */
function oldShop(): { data: string; jobs: number } {
  const data = temporaryFolder();
  const old = join(data, 'old');
  mkdirSync(old);
  for (const name of readdirSync('src/server/migrations').filter((file) => file < '003'))
    copyFileSync(join('src/server/migrations', name), join(old, name));
  const db = new Database(join(data, 'alcove.db'));
  migrate(db, old);
  const jobs = 40;
  const { cabinets, ...head } = jobNamed('Old');
  for (let at = 0; at < jobs; at += 1) {
    db.prepare(
      "INSERT INTO job (id, name, unit, version, head, created_at, updated_at) VALUES (?, 'Old', 'mm', 1, ?, '', '')",
    ).run(`j${at}`, JSON.stringify(head));
    for (const cabinet of cabinets)
      db.prepare('INSERT INTO cabinet (job_id, id, position, document) VALUES (?, ?, 0, ?)').run(
        `j${at}`,
        cabinet.id,
        JSON.stringify(cabinet),
      );
  }
  db.close();
  return { data, jobs };
}

/**
 * Two programs open one old shop in one moment, and one of them is killed while it migrates, or neither is. The other has
 * all jobs, and so has whoever opens the shop afterwards.
 */
export async function startTogether(tries: number, seed = 2): Promise<{ tries: number; killed: number }> {
  const random = new Random(seed);
  const starter = await built('starter');
  let killed = 0;
  for (let attempt = 0; attempt < tries; attempt += 1) {
    const { data, jobs } = oldShop();
    const programs = [new Program(starter, [data]), new Program(starter, [data])] as const;
    await Promise.all(programs.map((program) => program.says(1)));
    for (const { process: child } of programs) child.stdin?.write('go\n');
    const [victim, other] = programs;
    const kills = random.chance(0.8);
    if (kills) {
      await pause(random.between(0, 60));
      victim.process.kill('SIGKILL');
    }
    await Promise.all(programs.map((program) => program.over));
    if (victim.process.signalCode !== null) killed += 1;
    for (const program of kills ? [other] : programs)
      assert.equal(program.said[1], `${jobs} jobs`, `try ${attempt}: ${program.said.join()} ${program.complaint}`);
    const db = openDatabase(data);
    assert.equal(db.pragma('integrity_check', { simple: true }), 'ok');
    assert.equal(listJobs(db).length, jobs, `try ${attempt}`);
    assert.equal(readStoredJob(db, 'j0').document.name, 'Old');
    db.close();
    rmSync(data, { recursive: true });
  }
  return { tries, killed };
}

import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { countedIds, newCabinet, writeJob } from '../../src/core/decisions/index.js';
import { newJob } from '../../src/core/solve/index.js';
import { Random } from '../generator/random.js';
import { ask } from '../support/asking.js';
import { startServer } from '../support/server.js';

const MB = 1024 * 1024;

export interface LargeSeen {
  readonly large: number;
  readonly taken: number;
  readonly refused: number;
  readonly asked: number;
  readonly 'median ms': number;
  readonly 'slowest ms': number;
  readonly 'most memory MB': number;
}

const jobOf = (cabinets: number) => {
  const job = newJob('Large', 'metric');
  const ids = countedIds();
  for (let at = 0; at < cabinets; at += 1) job.cabinets.push(newCabinet(job, at % 3 ? 'base' : 'wall', ids));
  return job;
};

/** A body as large as it may be at its address, or larger, good or not. */
function largeBody(random: Random, id: string, version: number): { path: string; method: string; body: string } {
  const fill = (bytes: number) => 'x'.repeat(Math.floor(bytes));
  return random.pick([
    () => {
      const edits = Array.from({ length: 20_000 }, (_, at) => ({ path: 'note', value: `note ${at} ${fill(140)}` }));
      return { path: `/api/jobs/${id}`, method: 'PATCH', body: JSON.stringify({ version, edits }) };
    },
    () => {
      const edits = Array.from({ length: 12_000 }, (_, at) => ({
        path: `cabinets/c${1 + (at % 40)}/size/width`,
        value: 300 + (at % 500),
      }));
      return { path: `/api/jobs/${id}`, method: 'PATCH', body: JSON.stringify({ version, edits }) };
    },
    () => ({
      path: `/api/jobs/${id}`,
      method: 'PATCH',
      body: `{"version":1,"edits":[{"path":"note","value":"${fill(3.9 * MB)}"}]}`,
    }),
    () => ({ path: `/api/jobs/${id}`, method: 'PATCH', body: `{"version":1,"edits":"${fill(31 * MB)}"}` }),
    () => ({ path: '/api/shop/starts', method: 'POST', body: `{"name":"x","document":{"a":"${fill(1.9 * MB)}"}}` }),
    () => ({ path: '/api/shop/starts', method: 'POST', body: `{"name":"x","document":"${fill(30 * MB)}"}` }),
    () => ({
      path: '/api/jobs/import',
      method: 'POST',
      body: `{"format":"alcove-job","version":1,"a":[${'[1],'.repeat(6 * MB)}0]}`,
    }),
    () => ({ path: '/api/jobs/import', method: 'POST', body: fill(31 * MB) }),
    () => ({ path: '/api/jobs/import', method: 'POST', body: writeJob(jobOf(300)) }),
    () => ({ path: '/api/jobs', method: 'POST', body: `{"name":"${fill(3 * MB)}"}` }),
  ])();
}

/** Memory a program holds (MB). */
const memoryOf = (pid: number | undefined): number =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024);

/**
 * Sends bodies as large as can be, four at a time, while somebody reads and saves a job of an ordinary size without a
 * break. Every one is answered in words; nobody else waits long; memory stays within bounds.
 */
export async function sendLarge(count: number, seed = 5): Promise<LargeSeen> {
  const random = new Random(seed);
  const server = await startServer();
  let [taken, refused, memory] = [0, 0, 0];
  const waited: number[] = [];
  let going = true;
  const begin = async (cabinets: number) => {
    const { status, body } = await ask(`${server.url}/api/jobs/import`, {
      method: 'POST',
      body: writeJob(jobOf(cabinets)),
      within: 60_000,
    });
    assert.equal(status, 201, body.slice(0, 200));
    return JSON.parse(body) as { id: string; version: number };
  };
  try {
    const own = await begin(8);
    const large = await begin(60);
    const ordinary = async () => {
      let { version } = own;
      while (going) {
        const start = performance.now();
        const saved = await ask(`${server.url}/api/jobs/${own.id}`, {
          method: 'PATCH',
          body: JSON.stringify({ version, edits: [{ path: 'cabinets/c1/size/width', value: 300 + (version % 500) }] }),
          within: 60_000,
        });
        assert.equal(saved.status, 200, saved.body.slice(0, 300));
        ({ version } = JSON.parse(saved.body) as { version: number });
        assert.equal((await ask(`${server.url}/api/jobs/${own.id}`, { within: 60_000 })).status, 200);
        waited.push((performance.now() - start) / 2);
        memory = Math.max(memory, memoryOf(server.process.pid));
        await new Promise((done) => setTimeout(done, 20));
      }
    };
    const meanwhile = ordinary();
    let left = count;
    let { version } = large;
    const lane = async () => {
      while (left > 0) {
        left -= 1;
        const { path, method, body } = largeBody(random, large.id, version);
        const answer = await ask(server.url + path, { method, body, within: 90_000 }).catch((error: Error) => {
          // What is refused for its size may be hung up on while it is still being sent.
          assert.match(
            String((error as { code?: unknown }).code),
            /EPIPE|ECONNRESET/,
            `${method} ${path}: ${error.message}`,
          );
          return undefined;
        });
        if (!answer || answer.status >= 400) refused += 1;
        else taken += 1;
        if (!answer) continue;
        const said = JSON.parse(answer.body) as {
          version?: number;
          current?: { version: number };
          error?: { message?: string };
        };
        assert.ok(
          answer.status < 500 || answer.status === 503,
          `${method} ${path}: ${answer.status} ${answer.body.slice(0, 200)}`,
        );
        if (answer.status >= 400) assert.match(said.error?.message ?? '', /[.)]$/, answer.body.slice(0, 300));
        if (path.endsWith(large.id)) version = said.version ?? said.current?.version ?? version;
      }
    };
    await Promise.all(Array.from({ length: 4 }, lane));
    going = false;
    await meanwhile;
  } finally {
    going = false;
    await server.close();
  }
  waited.sort((a, b) => a - b);
  return {
    large: count,
    taken,
    refused,
    asked: waited.length * 2,
    'median ms': Math.round(waited[Math.floor(waited.length / 2)] ?? 0),
    'slowest ms': Math.round(waited.at(-1) ?? 0),
    'most memory MB': memory,
  };
}

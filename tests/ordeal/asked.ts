import assert from 'node:assert/strict';
import { request as httpRequest } from 'node:http';
import { countedIds, newCabinet, writeJob } from '../../src/core/decisions/index.js';
import { newJob } from '../../src/core/solve/index.js';
import { Random } from '../generator/random.js';
import { startServer } from '../support/server.js';

interface Answer {
  readonly status: number;
  readonly type: string;
  readonly body: string;
}

/** Asks as no browser would: any method, any path, any header. */
function ask(
  url: string,
  method: string,
  path: string,
  body?: string | Buffer,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const { hostname, port } = new URL(url);
  return new Promise((resolve, reject) => {
    const length = body === undefined ? {} : { 'content-length': String(Buffer.byteLength(body)) };
    const asked = httpRequest(
      { hostname, port, method, path, headers: { ...headers, ...length }, agent: false },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () =>
          resolve({
            status: response.statusCode ?? 0,
            type: String(response.headers['content-type'] ?? ''),
            body: Buffer.concat(chunks).toString('utf8'),
          }),
        );
      },
    );
    asked.on('error', reject);
    asked.setTimeout(PATIENCE, () => asked.destroy(new Error(`no answer to ${method} ${path.slice(0, 200)}`)));
    asked.end(body);
  });
}

/** Nobody waits longer for an answer (ms). */
const PATIENCE = 20_000;

const beginning = JSON.stringify({
  name: 'Ordeal',
  unit: 'mm',
  cabinet: { from: 'base', width: 600, height: 720, depth: 560 },
});

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS', 'TRACE', 'LINK'];
const ODD = [
  '',
  '%',
  '%00',
  '..',
  '%2e%2e',
  'x'.repeat(3000),
  '\u00e9',
  '__proto__',
  '-1',
  '1e9',
  "';--",
  '{}',
  'null',
];

/** A value that belongs nowhere. */
function oddValue(random: Random): unknown {
  return random.pick<unknown>([
    null,
    '',
    -1,
    1e308,
    [],
    {},
    true,
    'x'.repeat(500),
    [[[[]]]],
    { __proto__: { x: 1 } },
    { id: 'c1' },
    '\u0000',
    '\ud800',
    Number.MAX_SAFE_INTEGER,
  ]);
}

/**
 * Asks a running server so many things it should not be asked. Every answer must be one: no failure of the program, each
 * refusal in JSON with a sentence; and afterwards the shop must be as sound as it was.
 */
export async function askOddly(times: number, seed = 3): Promise<Readonly<Record<string, number>>> {
  const server = await startServer();
  const random = new Random(seed);
  const counts: Record<string, number> = {};
  try {
    const begun = await ask(server.url, 'POST', '/api/jobs', beginning);
    const { id } = JSON.parse(begun.body) as { id: string };
    const rooms = [
      '/api/jobs',
      `/api/jobs/${id}`,
      `/api/jobs/${id}/history`,
      `/api/jobs/${id}/history/1`,
      `/api/jobs/${id}/cutlist.csv`,
      `/api/jobs/${id}/job.json`,
      `/api/jobs/${id}/corrections`,
      `/api/jobs/${id}/duplicate`,
      '/api/jobs/import',
      '/api/shop/cautions',
      '/api/shop/cautions/dust',
      `/jobs/${id}`,
      '/',
      '/enter',
      '/_astro/x.js',
    ];
    const paths = [
      'cabinets/c1/size/width',
      'name',
      'cabinets',
      'cabinets/c1/face',
      'materials',
      'standards/all',
      'house',
      'x/y',
      'cabinets/c1/face/parts/o1',
    ];
    let version = 1;
    for (let time = 0; time < times; time += 1) {
      // Saves are what most can go wrong with.
      const saves = random.chance(0.4);
      const room = saves ? `/api/jobs/${id}` : random.pick(rooms);
      const path = saves
        ? room
        : random.chance(0.3)
          ? encodeURI(`${room}/${random.pick(ODD)}`).replaceAll('%25', '%')
          : random.chance(0.2)
            ? `${room}?${random.pick(['before', 'unit', 'cabinet', 'wrong'])}=${encodeURIComponent(random.pick(ODD))}`
            : room;
      let method = saves ? 'PATCH' : random.pick(METHODS);
      // The job is to stay, so that what follows meets something.
      if (method === 'DELETE' && room === `/api/jobs/${id}`) method = 'PATCH';
      const edit = random.pick<object>([
        { path: random.pick(paths), value: oddValue(random) },
        { path: random.pick(paths), insert: oddValue(random), before: 'c1' },
        { path: random.pick(paths), moveBefore: random.pick(['c1', 'nobody', null]) },
        { path: `${random.pick(paths)}/${random.pick(ODD)}`, value: 1 },
      ]);
      const whole = random.pick<string | Buffer>([
        JSON.stringify({ version, edits: [edit] }),
        JSON.stringify({ version, edits: [edit, edit], id: 'x'.repeat(random.whole(0, 70)) }),
        JSON.stringify(oddValue(random)),
        `{"format":"alcove-job","version":${random.whole(0, 14)},"cabinets":[${JSON.stringify(oddValue(random))}]}`,
        '{"a":'.repeat(random.whole(1, 3000)),
        `${'['.repeat(5000)}${']'.repeat(5000)}`,
        Buffer.from([0xff, 0xfe, 0x00, random.whole(0, 255)]),
        beginning.slice(0, random.whole(0, beginning.length)),
      ]);
      const bodied = !['GET', 'HEAD', 'TRACE'].includes(method) && random.chance(0.9);
      const headers: Record<string, string> = random.chance(0.1)
        ? {
            [random.pick(['origin', 'sec-fetch-site', 'cookie', 'content-type', 'if-none-match', 'range'])]:
              random.pick(['null', 'cross-site', 'bytes=9-1', 'a=b; c', 'http://x.example']),
          }
        : {};
      const answer = await ask(server.url, method, path, bodied ? whole : undefined, headers);
      if (answer.status === 200 && saves) ({ version } = JSON.parse(answer.body) as { version: number });
      counts[answer.status] = (counts[answer.status] ?? 0) + 1;
      const what = `${method} ${path.slice(0, 120)} ${String(whole).slice(0, 200)}: ${answer.status} ${answer.body.slice(0, 300)}`;
      assert.ok(answer.status < 500, what);
      if (answer.status >= 400 && method !== 'HEAD' && path.startsWith('/api/')) {
        assert.match(answer.type, /json/, what);
        const { error } = JSON.parse(answer.body) as { error?: { message?: string } };
        assert.match(error?.message ?? '', /[.)]$/, what);
      }
    }
    assert.equal(({} as { x?: unknown }).x, undefined);
    const after = await ask(server.url, 'GET', `/api/jobs/${id}`);
    assert.equal(after.status, 200, after.body.slice(0, 300));
    assert.equal((await ask(server.url, 'GET', `/api/jobs/${id}/cutlist.csv`)).status, 200);
    assert.equal(server.process.exitCode, null);
  } finally {
    await server.close();
  }
  return counts;
}

/**
 * A job of so many cabinets is handed in as a file: how long until it is kept, and until the list shows what all of it
 * comes to (ms), first on a server that has figured nothing yet, then again.
 */
export async function handInLarge(cabinets: number): Promise<Readonly<Record<string, number>>> {
  const job = newJob('Large', 'metric');
  const ids = countedIds();
  for (let at = 0; at < cabinets; at += 1) job.cabinets.push(newCabinet(job, at % 3 ? 'base' : 'wall', ids));
  const text = writeJob(job);
  const server = await startServer();
  const seen: Record<string, number> = {};
  try {
    for (const time of ['first', 'again']) {
      const start = performance.now();
      const { status, body } = await ask(server.url, 'POST', '/api/jobs/import', text);
      assert.equal(status, 201, body.slice(0, 200));
      seen[`${time} kept ms`] = Math.round(performance.now() - start);
      const { id } = JSON.parse(body) as { id: string };
      for (;;) {
        const { body: list } = await ask(server.url, 'GET', '/api/jobs');
        const { jobs } = JSON.parse(list) as { jobs: { id: string; pending: number }[] };
        if (jobs.find((each) => each.id === id)?.pending === 0) break;
        await new Promise((resolve) => setTimeout(resolve, 250));
      }
      seen[`${time} figured ms`] = Math.round(performance.now() - start);
    }
  } finally {
    await server.close();
  }
  return seen;
}

export interface Served {
  readonly requests: number;
  readonly 'median ms': number;
  readonly 'p99 ms': number;
  readonly 'slowest ms': number;
}

/** So many clients at once, each on a job of its own: reading, saving, listing. No request may fail. */
export async function serveMany(clients: number, requests: number): Promise<Served> {
  const server = await startServer();
  const taken: number[] = [];
  try {
    const work = async () => {
      const begun = await ask(server.url, 'POST', '/api/jobs', beginning);
      const { id } = JSON.parse(begun.body) as { id: string };
      let version = 1;
      for (let at = 0; at < requests / clients; at += 1) {
        const start = performance.now();
        const kind = at % 5;
        const answer =
          kind < 2
            ? await ask(server.url, 'GET', `/api/jobs/${id}`)
            : kind === 4 && at % 25 === 4
              ? await ask(server.url, 'GET', '/api/jobs')
              : await ask(
                  server.url,
                  'PATCH',
                  `/api/jobs/${id}`,
                  JSON.stringify({ version, edits: [{ path: 'cabinets/c1/size/width', value: 400 + (at % 300) }] }),
                );
        taken.push(performance.now() - start);
        assert.equal(answer.status, 200, answer.body.slice(0, 200));
        const said = JSON.parse(answer.body) as { version?: number };
        if (said.version) version = said.version;
      }
    };
    await Promise.all(Array.from({ length: clients }, work));
  } finally {
    await server.close();
  }
  taken.sort((a, b) => a - b);
  const at = (share: number) => Math.round(taken[Math.min(taken.length - 1, Math.floor(taken.length * share))] ?? 0);
  return { requests: taken.length, 'median ms': at(0.5), 'p99 ms': at(0.99), 'slowest ms': at(1) };
}

/** The server at its door, asked as no browser would ask. */
import assert from 'node:assert/strict';
import { mkdirSync, renameSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import { countedIds, newCabinet } from '../src/core/decisions/index.js';
import { newJob } from '../src/core/solve/index.js';
import { nameIn } from '../src/host/settings.js';
import { startServer, type TestServer, temporaryFolder } from './support/server.js';

let server: TestServer;
before(async () => {
  // Started from elsewhere: nothing may depend on the folder it is called in.
  server = await startServer({ cwd: tmpdir(), seed: true });
});
after(() => server.close());

/** Sends bytes as they are and reads the answer whole; a connection that is dropped without one gives what came. */
function raw(text: string | readonly (string | Buffer)[], to = server): Promise<string> {
  const { port } = new URL(to.url);
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), '127.0.0.1');
    let said = '';
    socket.on('data', (chunk) => {
      said += chunk.toString('latin1');
    });
    socket.on('error', (error) => (said ? resolve(said) : reject(error)));
    socket.on('close', () => resolve(said));
    for (const piece of typeof text === 'string' ? [text] : text) socket.write(piece);
  });
}
const request = (line: string, headers: Readonly<Record<string, string>> = {}) => {
  const { host } = new URL(server.url);
  const all = { host, connection: 'close', ...headers };
  return `${line} HTTP/1.1\r\n${Object.entries(all)
    .map(([name, value]) => `${name}: ${value}\r\n`)
    .join('')}\r\n`;
};
const statusOf = (answer: string) => Number(/^HTTP\/1\.1 (\d+)/.exec(answer)?.[1]);
const messageOf = (answer: string) => /"message":"([^"]*)"/.exec(answer)?.[1] ?? '';

test('an address that cannot be read is a 400 in words; one that leads above the app is not followed', async () => {
  for (const path of [
    '/%',
    '/api/jobs/%E0%A4%A',
    '/jobs/%00',
    '/..%2f..%2fpackage.json',
    '/%5c..%5cx',
    '//elsewhere',
    'x',
  ]) {
    const answer = await raw(request(`GET ${path}`));
    assert.equal(statusOf(answer), 400, `${path}: ${answer.slice(0, 100)}`);
    if (path !== 'x') assert.match(messageOf(answer), /address cannot be read/);
  }
  assert.equal(statusOf(await raw('NONSENSE\r\n\r\n')), 400);
  assert.doesNotMatch(await raw(request('GET /_astro/../../server/entry.mjs')), /createExports|handler/);
  for (const path of ['/_image?href=/alcove.svg&w=9', '/_server-islands/x', '/nothing-here'])
    assert.equal(statusOf(await raw(request(`GET ${path}`))), 404, path);
});

test('methods nothing answers to are a 405 that says which there are', async () => {
  for (const method of ['TRACE', 'PROPFIND', 'LOCK']) {
    const answer = await raw(request(`${method} /api/jobs`));
    assert.equal(statusOf(answer), 405, method);
    assert.match(answer, /allow: GET, HEAD, POST/i);
    assert.match(messageOf(answer), /Nothing here answers to/);
  }
});

test('only this machine by its own names, and writes only from its own pages', async () => {
  const status = async (line: string, headers: Record<string, string>) => statusOf(await raw(request(line, headers)));
  assert.equal(await status('GET /api/jobs', { host: 'rebound.example' }), 403);
  assert.equal(await status('GET /api/jobs', { host: '127.0.0.1.rebound.example' }), 403);
  assert.equal(await status('GET /api/jobs', { host: 'localhost:9' }), 200);
  const { host } = new URL(server.url);
  const write = (headers: Record<string, string>) =>
    status('POST /api/jobs/nothing/duplicate', { 'content-length': '0', ...headers });
  assert.equal(await write({}), 404);
  assert.equal(await write({ origin: `http://${host}`, 'sec-fetch-site': 'same-origin' }), 404);
  for (const headers of [
    { origin: 'http://elsewhere.example' },
    { origin: `http://${host}0` },
    { origin: `ftp://${host}` },
    { origin: 'null' },
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site' },
  ])
    assert.equal(await write(headers), 403, JSON.stringify(headers));
  assert.equal(nameIn('[::1]:80'), '::1');
  assert.equal(nameIn('a@b'), undefined);
});

test('pages, endpoints and files carry a policy that lets no foreign or written-in script run', async () => {
  const page = await fetch(server.url);
  const html = await page.text();
  const file = /\/_astro\/[^"]+\.js/.exec(html)?.[0] ?? '';
  for (const path of ['/', '/api/jobs', file, '/alcove.svg', '/api/nothing']) {
    const { headers } = await fetch(server.url + path);
    assert.equal(headers.get('x-content-type-options'), 'nosniff', path);
    assert.equal(headers.get('x-frame-options'), 'DENY', path);
    const scripts = /script-src ([^;]*)/.exec(headers.get('content-security-policy') ?? '')?.[1] ?? '';
    assert.match(scripts, /'self'/, path);
    assert.doesNotMatch(scripts, /unsafe-inline|'unsafe-eval'|\*|http/, path);
  }
  assert.match((await fetch(server.url + file)).headers.get('cache-control') ?? '', /immutable/);
  assert.match(page.headers.get('content-security-policy') ?? '', /sha256-/);
});

test('a body over the limit is answered, told its size or not; an upload that stays away is dropped', async () => {
  const large = Buffer.alloc(1024 * 1024, 0x20);
  const chunk = Buffer.concat([Buffer.from(`${large.length.toString(16)}\r\n`), large, Buffer.from('\r\n')]);
  const head = request('POST /api/jobs/import', { 'transfer-encoding': 'chunked', 'content-type': 'application/json' });
  const answer = await raw([head, ...Array.from({ length: 34 }, () => chunk)]);
  assert.equal(statusOf(answer), 413);
  assert.match(messageOf(answer), /over 32 MB/);
  const told = await raw(request('POST /api/jobs/import', { 'content-length': String(40 * 1024 * 1024) }));
  assert.equal(statusOf(told), 413);
  // Half an upload, and nobody there any more: the server goes on.
  const { port } = new URL(server.url);
  await new Promise<void>((resolve) => {
    const socket = connect(Number(port), '127.0.0.1', () => {
      socket.write(request('POST /api/jobs/import', { 'content-length': '100000' }) + 'x'.repeat(500));
      setTimeout(() => socket.destroy(), 100);
    });
    socket.on('close', () => resolve());
  });
  assert.equal((await fetch(`${server.url}/api/jobs`)).status, 200);
});

test('another address than this machine wants the access code; wrong ones are counted', async () => {
  const data = temporaryFolder();
  const open = await startServer({ data, env: { HOST: '0.0.0.0' }, runs: (response) => response.status === 401 });
  await pause(300);
  assert.match(open.said(), /OPEN TO THE NETWORK/);
  const code = /the access code is ([a-z0-9-]+)/.exec(open.said())?.[1] ?? '';
  assert.match(code, /^[a-z0-9]{4}-[a-z0-9]{4}-[a-z0-9]{4}$/);
  const get = (path: string, headers: Record<string, string> = {}) =>
    fetch(open.url + path, { headers, redirect: 'manual' });
  assert.equal((await get('/api/jobs')).status, 401);
  assert.equal((await get('/')).headers.get('location'), '/enter');
  assert.match(await (await get('/enter')).text(), /Access code/);
  const enter = (typed: string) =>
    fetch(`${open.url}/enter`, { method: 'POST', body: new URLSearchParams({ code: typed }), redirect: 'manual' });
  assert.equal((await enter('wrong')).headers.get('location'), '/enter?wrong=1');
  const entered = await enter(code.toUpperCase().replaceAll('-', ' '));
  assert.equal(entered.headers.get('location'), '/');
  const cookie = (entered.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
  assert.match(entered.headers.get('set-cookie') ?? '', /HttpOnly; SameSite=Strict/);
  assert.equal((await get('/api/jobs', { cookie })).status, 200);
  assert.equal((await get('/api/jobs', { cookie: `${cookie}0` })).status, 401);
  const other = cookie.replace(/=[0-9a-f]/, (first) => (first === '=0' ? '=1' : '=0'));
  assert.equal((await get('/api/jobs', { cookie: other })).status, 401);
  for (let tries = 0; tries < 9; tries += 1) await enter(`wrong ${tries}`);
  assert.match((await enter(code)).headers.get('location') ?? '', /wait=\d+/, 'also the right one has to wait now');
  await open.close();
  // Started anew it is kept, and not shown again.
  const again = await startServer({ data, env: { HOST: '0.0.0.0' }, runs: (response) => response.status === 401 });
  await pause(300);
  assert.doesNotMatch(again.said(), /the access code is [a-z0-9]{4}-/);
  assert.equal((await fetch(`${again.url}/api/jobs`, { headers: { cookie } })).status, 200);
  await again.close();
  rmSync(data, { recursive: true });
});

test('a data folder that goes away under the server is noticed before a write is acknowledged', async () => {
  const data = temporaryFolder();
  const own = await startServer({ data });
  const begin = () =>
    fetch(`${own.url}/api/jobs`, {
      method: 'POST',
      body: JSON.stringify({ name: 'A', unit: 'mm', cabinet: { from: 'base', width: 600, height: 720, depth: 560 } }),
    });
  assert.equal((await begin()).status, 201);
  renameSync(data, `${data}-away`);
  const away = await begin();
  assert.equal(away.status, 503);
  assert.match(((await away.json()) as { error: { message: string } }).error.message, /moved, deleted or put in place/);
  mkdirSync(data);
  writeFileSync(join(data, 'alcove.db'), '');
  assert.equal((await begin()).status, 503, 'another in its place is not taken for it');
  rmSync(data, { recursive: true });
  renameSync(`${data}-away`, data);
  assert.equal((await begin()).status, 201);
  await own.close();
  rmSync(data, { recursive: true });
});

test('a shop whose database has gone or is empty is told on the page and in JSON, and is not begun anew', async () => {
  for (const spoil of [(file: string) => rmSync(file), (file: string) => truncateSync(file)]) {
    const data = temporaryFolder();
    const first = await startServer({ data });
    await first.close();
    spoil(join(data, 'alcove.db'));
    const own = await startServer({ data, runs: (response) => response.status === 503 });
    const page = await fetch(own.url);
    assert.equal(page.status, 503);
    assert.match(await page.text(), /There was a shop in/);
    const answer = (await (await fetch(`${own.url}/api/jobs`)).json()) as { error: { message: string } };
    assert.match(answer.error.message, /There was a shop in .* delete shop\.mark/);
    await own.close();
    rmSync(data, { recursive: true });
  }
});

test('a job that takes too long to figure is given up, and nobody else waits for it', async () => {
  const own = await startServer({ seed: true, env: { ALCOVE_LONGEST: '5' } });
  const { jobs } = (await (await fetch(`${own.url}/api/jobs`)).json()) as { jobs: { id: string }[] };
  const file = await fetch(`${own.url}/api/jobs/${jobs[0]?.id}/cutlist.csv`);
  assert.equal(file.status, 503);
  assert.match(((await file.json()) as { error: { message: string } }).error.message, /longer than 0.005 seconds/);
  assert.equal((await fetch(`${own.url}/api/jobs/${jobs[0]?.id}`)).status, 200);
  await own.close();
});

test('a large job goes out and comes in again; while it is figured the others are served', async () => {
  const job = newJob('Large', 'metric');
  const ids = countedIds();
  // No two of them alike: each has to be figured.
  for (let at = 0; at < 300; at += 1) {
    const cabinet = newCabinet(job, at % 3 ? 'base' : 'wall', ids);
    job.cabinets.push({ ...cabinet, size: { ...cabinet.size, width: 400 + at } });
  }
  const send = (body: string) => fetch(`${server.url}/api/jobs/import`, { method: 'POST', body });
  const compact = JSON.stringify(job);
  const first = await send(compact);
  assert.equal(first.status, 201);
  const { id } = (await first.json()) as { id: string };
  const order: string[] = [];
  const list = fetch(`${server.url}/api/jobs/${id}/cutlist.csv`).then((answer) => {
    order.push('cut list');
    return answer.status;
  });
  await pause(50);
  for (let at = 0; at < 3; at += 1) assert.equal((await fetch(`${server.url}/api/jobs`)).status, 200);
  order.push('others');
  assert.equal(await list, 200);
  assert.deepEqual(order, ['others', 'cut list']);
  const text = await (await fetch(`${server.url}/api/jobs/${id}/job.json`)).text();
  assert.ok(text.length > compact.length * 1.5, 'as a file it is larger than it came');
  assert.equal((await send(text)).status, 201);
  // Under an id that whoever waits has chosen the server says how far a file is; it comes to the end, and is then forgotten.
  const shares: number[] = [];
  const watched = fetch(`${server.url}/api/jobs/${id}/cutlist.csv?writing=watched-1`);
  let length = 0;
  const arrived = watched.then(async (answer) => {
    length = Number(answer.headers.get('content-length'));
    return (await answer.arrayBuffer()).byteLength;
  });
  let here = false;
  void arrived.then(() => {
    here = true;
  });
  while (!here) {
    const told = await fetch(`${server.url}/api/writing/watched-1`);
    if (told.status === 200) shares.push(((await told.json()) as { share: number }).share);
    await pause(20);
  }
  assert.equal(await arrived, length);
  assert.ok(shares.length > 1 && Math.max(...shares) > 0.05, `told ${shares}`);
  assert.deepEqual(
    shares,
    [...shares].sort((a, b) => a - b),
    'it only goes forward',
  );
  assert.equal((await fetch(`${server.url}/api/writing/watched-1`)).status, 404);
  assert.equal((await fetch(`${server.url}/api/jobs/${id}/cutlist.csv?writing=../x`)).status, 400);
  // Whoever asked is gone: what was being figured for them is ended, and the next is served.
  const gone = new AbortController();
  const left = fetch(`${server.url}/api/jobs/${id}/cutlist.csv`, { signal: gone.signal }).catch(() => 'gone');
  await pause(100);
  gone.abort();
  assert.equal(await left, 'gone');
  assert.equal((await fetch(`${server.url}/api/jobs/${id}`)).status, 200);
});

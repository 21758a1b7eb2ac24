import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import { type Job, newCabinet } from '../src/core/decisions/index.js';
import { checkJob, readHardwareText, readJobText, solve } from '../src/core/solve/index.js';
import { startServer, type TestServer } from './support/server.js';

let server: TestServer;
before(async () => {
  server = await startServer();
});
after(() => server.close());

interface Answer {
  readonly status: number;
  // biome-ignore lint/suspicious/noExplicitAny: answers of many shapes are read loosely in tests
  readonly body: any;
}

async function ask(
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const response = await fetch(`${server.url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json', ...headers },
    ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
  const text = await response.text();
  return {
    status: response.status,
    body: response.headers.get('content-type')?.includes('json') ? JSON.parse(text) : text,
  };
}

const wanted = { name: 'Reading room', unit: 'mm', cabinet: { from: 'base', width: 800, height: 870, depth: 580 } };

async function begin(): Promise<string> {
  const { status, body } = await ask('POST', '/jobs', wanted);
  assert.equal(status, 201);
  return body.id;
}

const read = async (id: string) => (await ask('GET', `/jobs/${id}`)).body as { version: number; document: Job };

test('a job begins with a buildable cabinet and is listed with it', async () => {
  const id = await begin();
  const { document, version } = await read(id);
  assert.equal(version, 1);
  assert.deepEqual(checkJob(solve(document)), []);
  const row = async () => {
    const { body } = await ask('GET', '/jobs');
    return body.jobs.find((job: { id: string }) => job.id === id);
  };
  let listed = await row();
  for (let tries = 0; tries < 100 && listed.pending > 0; tries += 1) {
    await pause(100);
    listed = await row();
  }
  assert.equal(listed.cabinetCount, 1);
  assert.ok(listed.cabinets[0].thumbnail.shapes.length > 1);
});

test('cabinets are added, renamed, put in order and taken away, each write naming its version', async () => {
  const id = await begin();
  const { document } = await read(id);
  const second = newCabinet(document, 'wall', () => 'c2');
  const add = { path: 'cabinets', insert: second };
  assert.equal((await ask('PATCH', `/jobs/${id}`, { version: 1, edits: [add] })).body.version, 2);
  const edits = [
    { path: 'cabinets/c2/name', value: 'Catalogue' },
    { path: 'cabinets/c2', moveBefore: 'c1' },
  ];
  assert.equal((await ask('PATCH', `/jobs/${id}`, { version: 2, edits })).status, 200);
  assert.deepEqual(
    (await read(id)).document.cabinets.map((cabinet) => cabinet.name),
    ['Catalogue', 'Drawer over doors'],
  );
  assert.equal((await ask('PATCH', `/jobs/${id}`, { version: 3, edits: [{ path: 'cabinets/c1' }] })).status, 200);
  assert.deepEqual(
    (await read(id)).document.cabinets.map((cabinet) => cabinet.id),
    [second.id],
  );
});

test('a stale write gets 409 with the present state and what was saved since', async () => {
  const id = await begin();
  const { document } = await read(id);
  const { cabinets } = document;
  const named = (name: string) => ({ version: 1, label: 'Name', edits: [{ path: 'name', value: name }] });
  assert.equal((await ask('PATCH', `/jobs/${id}`, named('First'))).status, 200);
  const stale = await ask('PATCH', `/jobs/${id}`, named('Second'));
  assert.equal(stale.status, 409);
  assert.equal(stale.body.error.code, 'stale');
  assert.equal(stale.body.current.version, 2);
  assert.equal(stale.body.current.document.name, 'First');
  assert.deepEqual(
    stale.body.current.saved.map(({ label, edits }: { label: string; edits: unknown }) => [label, edits]),
    [['Name', named('First').edits]],
  );
  assert.deepEqual((await read(id)).document.cabinets, cabinets);
});

test('of many writes to one version exactly one is taken', async () => {
  const id = await begin();
  const answers = await Promise.all(
    Array.from({ length: 12 }, (_, at) =>
      ask('PATCH', `/jobs/${id}`, { version: 1, edits: [{ path: 'name', value: `Try ${at}` }] }),
    ),
  );
  assert.deepEqual(answers.map(({ status }) => status).sort(), [200, ...Array(11).fill(409)]);
});

test('a job is renamed, copied, deleted and brought back', async () => {
  const id = await begin();
  const copy = await ask('POST', `/jobs/${id}/duplicate`);
  assert.equal(copy.status, 201);
  assert.equal((await read(copy.body.id)).document.name, 'Reading room, copy');
  assert.equal((await ask('DELETE', `/jobs/${id}`)).status, 200);
  assert.equal((await ask('GET', `/jobs/${id}`)).status, 404);
  assert.equal((await ask('DELETE', `/jobs/${id}`)).status, 404);
  assert.equal((await ask('POST', `/jobs/${id}/restore`)).status, 200);
  assert.equal((await read(id)).document.name, 'Reading room');
});

test('what goes out as a job file comes in as the same job', async () => {
  const id = await begin();
  const file = await fetch(`${server.url}/api/jobs/${id}/job.json`);
  assert.match(file.headers.get('content-disposition') ?? '', /reading-room\.alcove\.json/);
  const text = await file.text();
  const imported = await ask('POST', '/jobs/import', text, { 'content-type': 'application/json' });
  assert.equal(imported.status, 201);
  const parsed = readJobText(text);
  assert.ok(parsed.ok);
  assert.deepEqual((await read(imported.body.id)).document, parsed.value);
});

test('the cut list goes out in the job unit or the one asked for', async () => {
  const id = await begin();
  assert.match((await ask('GET', `/jobs/${id}/cutlist.csv`)).body, /cut length \(mm\)/);
  assert.match((await ask('GET', `/jobs/${id}/cutlist.csv?unit=in`)).body, /cut length \(in\)/);
  assert.equal((await ask('GET', `/jobs/${id}/cutlist.csv?unit=ell`)).status, 400);
});

test('the hardware library goes out as an open file, and a job can be given another', async () => {
  const id = await begin();
  const file = await fetch(`${server.url}/api/jobs/${id}/hardware.json`);
  assert.match(file.headers.get('content-disposition') ?? '', /hardware\.alcove-hardware\.json/);
  const library = readHardwareText(await file.text());
  assert.ok(library.ok);
  const { document, version } = await read(id);
  assert.deepEqual(library.value, document.hardware);
  const one = { ...library.value, hinges: library.value.hinges?.slice(0, 1), pulls: [] };
  const saved = await ask('PATCH', `/jobs/${id}`, {
    version,
    label: 'library',
    edits: [{ path: 'hardware', value: one }],
  });
  assert.equal(saved.status, 200);
  assert.equal((await read(id)).document.hardware.hinges?.length, 1);
  assert.equal((await ask('GET', '/jobs/nothing/hardware.json')).status, 404);
});

test('bad bodies are refused with the field and a sentence, and change nothing', async () => {
  const id = await begin();
  const { document, version } = await read(id);
  const [{ id: cabinet }] = document.cabinets as [Job['cabinets'][number]];
  const edit = (path: string, value: unknown) => ({ version, edits: [{ path, value }] });
  const { hardware } = document;
  const table: [string, string, unknown, number, RegExp][] = [
    ['POST', '/jobs', '{', 400, /not valid JSON/],
    ['POST', '/jobs', { ...wanted, colour: 'red' }, 422, /colour/],
    ['POST', '/jobs', { ...wanted, cabinet: { ...wanted.cabinet, width: 1e7 } }, 422, /cabinet\/width/],
    ['POST', '/jobs', { ...wanted, name: 7 }, 422, /name/],
    ['POST', '/jobs/import', '[]', 422, /JSON object/],
    ['POST', '/jobs/import', 'x'.repeat(33 * 1024 * 1024), 413, /32 MB/],
    ['PATCH', `/jobs/${id}`, edit(`cabinets/${cabinet}/size/width`, -1), 422, /width/],
    ['PATCH', `/jobs/${id}`, edit(`cabinets/${cabinet}/settings`, { materials: { side: 'gold' } }), 422, /gold/],
    ['PATCH', `/jobs/${id}`, edit(`cabinets/${cabinet}/leftNeighbour`, 'c99'), 422, /leftNeighbour/],
    ['PATCH', `/jobs/${id}`, edit(`cabinets/${cabinet}/leftNeighbour`, cabinet), 422, /beside itself/],
    ['PATCH', `/jobs/${id}`, edit('hardware/pulls', [{ id: 'x' }]), 422, /hardware\/pulls\/0/],
    [
      'PATCH',
      `/jobs/${id}`,
      edit(`hardware/hinges/${hardware.hinges?.[0]?.id}/arm`, 99),
      422,
      /hardware\/hinges\/0\/arm/,
    ],
    ['PATCH', `/jobs/${id}`, edit('colour', 1), 422, /colour/],
    ['PATCH', `/jobs/${id}`, edit('materials', []), 422, /materials/],
    ['PATCH', `/jobs/${id}`, edit('cabinets/c1/id', 'c2'), 422, /another id/],
    ['PATCH', `/jobs/${id}`, edit('cabinets/c1/__proto__/x', 1), 422, /leads nowhere/],
    ['PATCH', `/jobs/${id}`, edit('../cabinets', 1), 422, /path of names/],
    ['PATCH', `/jobs/${id}`, { edits: [] }, 422, /version/],
    ['PATCH', '/jobs/nothing', { version: 1, edits: [] }, 404, /no job/],
  ];
  for (const [method, path, body, status, words] of table) {
    const answer = await ask(method, path, body);
    assert.equal(answer.status, status, `${method} ${path}: ${JSON.stringify(answer.body).slice(0, 200)}`);
    assert.match(JSON.stringify(answer.body.error), words);
    assert.ok(Array.isArray(answer.body.error.fields));
  }
  assert.deepEqual(await read(id).then((now) => [now.version, now.document]), [version, document]);
});

test('writes from another site and other host names are refused', async () => {
  assert.equal((await ask('POST', '/jobs', wanted, { origin: 'http://elsewhere.example' })).status, 403);
  assert.equal((await ask('POST', '/jobs', wanted, { origin: server.url })).status, 201);
});

test('a caution is dismissed for the shop and stands again; what is none is refused in a sentence', async () => {
  const put = (id: string, body: unknown) => ask('PUT', `/shop/cautions/${id}`, body);
  assert.deepEqual((await ask('GET', '/shop/cautions')).body, { dismissed: [] });
  assert.deepEqual((await put('dust', { dismissed: true })).body, { dismissed: ['dust'] });
  // Twice is once.
  assert.deepEqual((await put('dust', { dismissed: true })).body, { dismissed: ['dust'] });
  assert.deepEqual((await ask('GET', '/shop/cautions')).body, { dismissed: ['dust'] });
  const none = await put('sunburn', { dismissed: true });
  assert.equal(none.status, 404);
  assert.match(none.body.error.message, /no caution "sunburn"; there are .*dust/);
  assert.equal((await put('dust', { dismissed: 'yes' })).status, 422);
  assert.equal((await put('dust', '{')).status, 400);
  assert.deepEqual((await put('dust', { dismissed: false })).body, { dismissed: [] });
});

test('a save that comes again under its id is known, and answered as it was the first time', async () => {
  const id = await begin();
  const head = async () => (await ask('GET', `/jobs/${id}`)).body;
  const edits = [{ path: 'name', value: 'Named once' }];
  const save = { id: 'a-save-of-its-own', version: 1, label: 'named', edits };
  const first = await ask('PATCH', `/jobs/${id}`, save);
  const again = await ask('PATCH', `/jobs/${id}`, save);
  assert.equal(first.status, 200);
  assert.deepEqual(again, first);
  assert.equal((await head()).version, 2);
  // Another save may not pass for it.
  assert.equal((await ask('PATCH', `/jobs/${id}`, { ...save, id: 'another-save-entirely' })).status, 409);
});

test('a change that no job could mean is refused in words and changes nothing', async () => {
  const id = await begin();
  const { document } = (await ask('GET', `/jobs/${id}`)).body as { document: Job };
  const [cabinet] = document.cabinets;
  assert.ok(cabinet);
  const refused = async (change: object, status: number, words: RegExp) => {
    const answer = await ask('PATCH', `/jobs/${id}`, { version: 1, label: 'x', ...change });
    assert.equal(answer.status, status, JSON.stringify(answer.body).slice(0, 200));
    assert.match(answer.body.error.message, words);
  };
  const place = `cabinets/${cabinet.id}`;
  await refused({ edits: [] }, 422, /says nothing/);
  await refused({ edits: [{ path: 'cabinets', insert: cabinet }] }, 422, /there is a "c1" at cabinets already/);
  await refused({ edits: [{ path: 'cabinets/nobody' }] }, 422, /nothing at cabinets\/nobody to take away/);
  await refused({ edits: [{ path: place, moveBefore: 'nobody' }] }, 422, /no "nobody" at cabinets/);
  await refused({ edits: [{ path: `${place}/name/first`, value: 'x' }] }, 422, /leads nowhere/);
  await refused({ edits: [{ path: place }, { path: `${place}/name`, value: 'x' }] }, 422, /no "c1" at cabinets/);
  await refused({ edits: [{ path: place, value: { ...cabinet, id: 'c7' } }] }, 422, /another id/);
  await refused({ version: 9, edits: [{ path: place }] }, 409, /An earlier state of the shop was brought back/);
  await refused({ epoch: 'another', edits: [{ path: place }] }, 409, /An earlier state of the shop was brought back/);
  await refused({ id: 'no spaces please', edits: [{ path: place }] }, 422, /letters, digits and hyphens/i);
  assert.equal((await ask('GET', `/jobs/${id}`)).body.version, 1);
});

test('an address asked in a way it does not answer to says which there are', async () => {
  const id = await begin();
  for (const [method, path, allow] of [
    ['PUT', '/jobs', 'GET, HEAD, POST'],
    ['DELETE', '/jobs/import', 'POST'],
    ['POST', `/jobs/${id}`, 'GET, HEAD, PATCH, DELETE'],
    ['PATCH', '/shop/cautions', 'GET, HEAD'],
  ] as const) {
    const response = await fetch(`${server.url}/api${path}`, { method });
    assert.equal(response.status, 405, `${method} ${path}`);
    assert.equal(response.headers.get('allow'), allow);
    assert.match(((await response.json()) as { error: { message: string } }).error.message, /answers to/);
  }
  assert.equal((await fetch(`${server.url}/api/jobs`, { method: 'HEAD' })).status, 200);
});

test('a cabinet is kept as a start, listed with its picture, read, replaced by its name, taken away; anything else is refused', async () => {
  const { document } = await read(await begin());
  const kept = await ask('POST', '/shop/starts', { name: '  Counter ', document });
  assert.equal(kept.status, 201);
  const list = async () =>
    (await ask('GET', '/shop/starts')).body.starts as { id: string; name: string; summary: { thumbnail: object } }[];
  const [start] = await list();
  assert.ok(start && start.name === 'Counter' && start.summary.thumbnail);
  const { status, body } = await ask('GET', `/shop/starts/${start.id}`);
  assert.equal(status, 200);
  const again = readJobText(JSON.stringify(body.document));
  assert.ok(again.ok);
  assert.deepEqual(
    solve(again.value).cabinets[0]?.parts.map(({ key, cutLength }) => [key, cutLength.value]),
    solve(document).cabinets[0]?.parts.map(({ key, cutLength }) => [key, cutLength.value]),
  );
  assert.equal(
    (await ask('POST', '/shop/starts', { name: 'counter', document })).body.id,
    start.id,
    'the same name is the same start',
  );
  assert.equal((await list()).length, 1);
  const two = { ...document, cabinets: [document.cabinets[0], { ...document.cabinets[0], id: 'c99', number: '99' }] };
  for (const [sent, code] of [
    [{ name: 'Two', document: two }, 'one-cabinet'],
    [{ name: 'None', document: { ...document, cabinets: [] } }, 'one-cabinet'],
    [{ name: ' ', document }, 'invalid'],
    [{ name: 'x'.repeat(81), document }, 'invalid'],
    [{ name: 'Wrong', document: { format: 'alcove-job', cabinets: 3 } }, 'invalid'],
    [{ name: 'No document' }, 'invalid'],
    ['{', 'not-json'],
  ] as const) {
    const refused = await ask('POST', '/shop/starts', sent);
    assert.ok(refused.status >= 400 && refused.status < 500, JSON.stringify(refused));
    assert.equal(refused.body.error.code, code, JSON.stringify(refused.body));
    assert.ok(refused.body.error.message.length > 10);
  }
  assert.equal((await ask('PUT', `/shop/starts/${start.id}`, {})).status, 405);
  assert.equal((await ask('DELETE', `/shop/starts/${start.id}`)).status, 200);
  assert.equal((await ask('DELETE', `/shop/starts/${start.id}`)).status, 404);
  assert.equal((await ask('GET', `/shop/starts/${start.id}`)).status, 404);
  assert.deepEqual(await list(), []);
});

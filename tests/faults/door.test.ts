/** Strangers at the door of a shop that asks for a code, and those who have come in. */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { setTimeout as pause } from 'node:timers/promises';
import { Access } from '../../src/host/access.js';
import { setCode } from '../../src/host/code.js';
import { hostSettings, SettingError } from '../../src/host/settings.js';
import { Tries } from '../../src/host/tries.js';
import { ask, comeIn, halt } from '../support/asking.js';
import { startServer, type TestServer, temporaryFolder } from '../support/server.js';

const CODE = 'walnut-plinth-7';
const isLocked = (response: Response) => response.status === 401;
let server: TestServer;
before(async () => {
  server = await startServer({ seed: true, env: { ALCOVE_CODE: CODE }, runs: isLocked });
});
after(() => server.close());

const jobs = (cookie: string | undefined, from?: string) =>
  ask(`${server.url}/api/jobs`, { headers: cookie ? { cookie } : {}, ...(from ? { from } : {}) });

test('where a code was set this machine gives it as well; what it opens lasts for this browser', async () => {
  assert.equal((await jobs(undefined)).status, 401);
  const entered = await comeIn(server.url, ' Walnut PLINTH 7 ');
  assert.equal(entered.to, '/');
  assert.equal((await jobs(entered.cookie)).status, 200);
  for (const each of entered.set) assert.match(each, /HttpOnly; SameSite=Strict$/);
  assert.equal((await comeIn(server.url, 'walnut-plinth-8')).to, '/enter?wrong=1');
});

test('a code has eight letters or digits at least, wherever it comes from', async () => {
  const data = temporaryFolder();
  for (const code of ['a', '', '-------- --------', 'abc-defg', '!!!!!!!!!', 'a-b-c-d-e-f-g'])
    await assert.rejects(
      setCode(data, code),
      (error) => error instanceof SettingError && /at least 8/.test(error.message),
    );
  for (const code of ['abcd-efgh', 'äöüßñçãê', '１２３４５６７８']) {
    await setCode(data, code);
    const access = await Access.of(data);
    const caller = { address: '10.0.0.1', host: '', encrypted: false, trustworthy: false };
    const entered = await access.enter(code, caller, { cookie: undefined, browser: undefined });
    assert.ok(typeof entered === 'object' && 'cookies' in entered, code);
  }
  const { status, stderr } = spawnSync(process.execPath, ['src/host/start.mjs'], {
    env: { ...process.env, ALCOVE_DATA: data, PORT: '0', ALCOVE_CODE: '--------' },
    encoding: 'utf8',
    timeout: 10_000,
  });
  assert.equal(status, 1);
  assert.match(stderr, /at least 8 letters or digits/);
  // A code of hyphens that was taken once lets nobody in.
  assert.equal((await comeIn(server.url, '--------')).to, '/enter?wrong=1');
  rmSync(data, { recursive: true });
});

test('strangers who stop amid an upload, send too much or say nothing hold up no save', async () => {
  const { cookie = '' } = await comeIn(server.url, CODE);
  const { jobs: listed } = JSON.parse((await jobs(cookie)).body) as { jobs: { id: string; version: number }[] };
  const [job] = listed;
  let version = job?.version ?? 0;
  const save = async () => {
    const start = performance.now();
    const answer = await ask(`${server.url}/api/jobs/${job?.id}`, {
      method: 'PATCH',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify({ version, edits: [{ path: 'note', value: `note ${version}` }] }),
    });
    assert.equal(answer.status, 200, answer.body);
    ({ version } = JSON.parse(answer.body) as { version: number });
    return performance.now() - start;
  };
  await save();
  const halted = Array.from({ length: 40 }, (_, at) =>
    halt(`${server.url}/enter`, { 'content-length': '4000' }, 'code=', `127.0.0.${2 + (at % 20)}`),
  );
  const large = await ask(`${server.url}/enter`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: `code=${'x'.repeat(5000)}`,
  });
  assert.equal(large.status, 413);
  assert.match(large.body, /over 4 kB/);
  const taken: number[] = [];
  for (let at = 0; at < 20; at += 1) taken.push(await save());
  assert.ok(Math.max(...taken) < 2000, `${taken.map(Math.round)}`);
  // They are let go of after five seconds; a newcomer finds a place.
  const start = performance.now();
  await Promise.all(halted.map(({ over }) => over));
  assert.ok(performance.now() - start < 15_000);
  assert.equal((await comeIn(server.url, CODE, { from: '127.0.0.99' })).to, '/');
});

test('a hundred idle connections of strangers end the oldest of them, and nobody who has come in', async () => {
  const { cookie = '' } = await comeIn(server.url, CODE);
  const { port } = new URL(server.url);
  const { connect } = await import('node:net');
  let ended = 0;
  const idle = Array.from({ length: 100 }, () => {
    const socket = connect(Number(port), '127.0.0.1');
    socket.on('close', () => {
      ended += 1;
    });
    socket.on('error', () => {});
    return socket;
  });
  await pause(500);
  assert.ok(ended >= 36 - 2 && ended < 60, `${ended} were ended`);
  assert.equal((await jobs(cookie)).status, 200);
  for (const socket of idle) socket.destroy();
});

test('wrong codes make one address wait longer each time, and nobody else', async () => {
  const [from, other] = ['127.0.0.31', '127.0.0.32'];
  const known = await comeIn(server.url, CODE, { from });
  const said: string[] = [];
  for (let at = 0; at < 8; at += 1) said.push((await comeIn(server.url, `wrong-code-${at}`, { from })).to);
  assert.deepEqual(said.slice(0, 4), Array(4).fill('/enter?wrong=1'));
  assert.match(said.at(-1) ?? '', /^\/enter\?wait=\d+$/);
  assert.match((await comeIn(server.url, CODE, { from })).to, /wait=/, 'the right one has to wait as well');
  assert.equal((await comeIn(server.url, CODE, { from: other })).to, '/', 'another address has not');
  assert.equal((await jobs(known.cookie, from)).status, 200, 'nor whoever is in');
  const again = await comeIn(server.url, CODE, { from, cookie: known.cookie ?? '' });
  assert.equal(again.to, '/', 'nor a browser that was in before, from the same address');
});

test('a wait grows to five minutes and no further; all strangers together are limited far above one', () => {
  const tries = new Tries();
  let now = 0;
  const waits: number[] = [];
  for (let at = 0; at < 14; at += 1) {
    const wait = tries.waitOf('one', false, now);
    waits.push(wait);
    now += wait * 1000;
    tries.begin('one', false, now);
  }
  assert.deepEqual(waits.slice(0, 8), [0, 0, 0, 0, 2, 4, 8, 16]);
  assert.equal(Math.max(...waits), 300);
  for (let at = 0; at < 1000; at += 1) tries.begin(`stranger ${at}`, false, now);
  assert.ok(tries.waitOf('newcomer', false, now) > 0);
  assert.equal(tries.waitOf('known browser', true, now), 0);
  assert.equal(tries.waitOf('newcomer', false, now + 601_000), 0);
});

test('who is in is listed, ended one by one or all others, and leaves', async () => {
  const one = (await comeIn(server.url, CODE)).cookie ?? '';
  const two = (await comeIn(server.url, CODE, { from: '127.0.0.41' })).cookie ?? '';
  const page = await ask(`${server.url}/access`, { headers: { cookie: one } });
  assert.equal(page.status, 200);
  assert.match(page.body, /this one/);
  assert.match(page.body, /127\.0\.0\.41/);
  const leave = (cookie: string, end: string) =>
    ask(`${server.url}/leave`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/x-www-form-urlencoded' },
      body: new URLSearchParams({ end }).toString(),
    });
  const idOf = (cookie: string) => /alcove-access=([0-9a-f]+)\./.exec(cookie)?.[1] ?? '';
  assert.equal((await leave(one, idOf(two))).headers.location, '/access');
  assert.equal((await jobs(two)).status, 401);
  assert.equal((await jobs(one)).status, 200);
  const three = (await comeIn(server.url, CODE)).cookie ?? '';
  await leave(three, 'others');
  assert.equal((await jobs(one)).status, 401);
  assert.equal((await jobs(three)).status, 200);
  const left = await leave(three, 'own');
  assert.equal(left.headers.location, '/enter?left=1');
  assert.match(String(left.headers['set-cookie']), /alcove-access=; Max-Age=0/);
  assert.equal((await jobs(three)).status, 401, 'the cookie is worth nothing any more');
  // A stranger ends nobody.
  const four = (await comeIn(server.url, CODE)).cookie ?? '';
  await leave('', 'others');
  await leave('alcove-access=00.00', idOf(four));
  assert.equal((await jobs(four)).status, 200);
});

test('who came in stays through a restart, and a new code by the command ends all at once', async () => {
  const data = temporaryFolder();
  const first = await startServer({ data, env: { ALCOVE_CODE: CODE }, runs: isLocked });
  const { cookie = '' } = await comeIn(first.url, CODE);
  await first.close();
  for (const name of ['access.json', 'sessions.json']) assert.equal(statSync(join(data, name)).mode & 0o777, 0o600);
  assert.doesNotMatch(readFileSync(join(data, 'access.json'), 'utf8'), /walnut/);
  // No setting this time: the code of the shop is enough to be asked for it.
  const second = await startServer({ data, runs: isLocked });
  const list = () => ask(`${second.url}/api/jobs`, { headers: { cookie } });
  assert.equal((await list()).status, 200);
  const { stdout } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/access-code.ts'], {
    env: { ...process.env, ALCOVE_DATA: data },
    encoding: 'utf8',
  });
  const fresh = /now ([a-z0-9-]+)\./.exec(stdout)?.[1] ?? '';
  assert.equal((await list()).status, 401);
  assert.equal((await comeIn(second.url, CODE)).to, '/enter?wrong=1');
  const known = await comeIn(second.url, fresh, { cookie });
  assert.equal(known.to, '/');
  await second.close();
  rmSync(data, { recursive: true });
});

test('pages and data are kept nowhere; odd cookies and other words for an address open nothing', async () => {
  const { cookie = '' } = await comeIn(server.url, CODE);
  const { jobs: listed } = JSON.parse((await jobs(cookie)).body) as { jobs: { id: string }[] };
  for (const path of [
    '/',
    '/enter',
    '/access',
    `/jobs/${listed[0]?.id}`,
    '/api/jobs',
    `/api/jobs/${listed[0]?.id}/job.json`,
  ])
    assert.equal((await ask(server.url + path, { headers: { cookie } })).headers['cache-control'], 'no-store', path);
  for (const odd of [
    'alcove-access=ä.ö',
    'alcove-access=00.ff',
    `${cookie.split(';')[0]}ä`,
    'alcove-access=',
    'x'.repeat(4000),
  ])
    assert.equal(
      (await ask(`${server.url}/api/jobs`, { headers: { cookie: Buffer.from(odd).toString('latin1') } })).status,
      401,
      odd,
    );
  for (const path of [
    '/_image?href=/alcove.svg',
    '/%5fimage?href=/alcove.svg',
    '/%5Fimage',
    '/jobs/_x',
    '/_server-islands/x',
  ])
    assert.equal((await ask(server.url + path, { headers: { cookie } })).status, 404, path);
  for (const path of ['//_image', '/./_image', '/jobs/../_image', '/a%2f_image', '/a%2F..%2Fenter'])
    assert.equal((await ask(server.url + path, { headers: { cookie } })).status, 400, path);
  // Who has not come in learns nothing by other words either.
  for (const path of ['/%61pi/jobs', '/api/%6aobs', '/%6aobs/x', '/API/jobs'])
    assert.ok([303, 401, 404].includes((await ask(server.url + path)).status), path);
});

test('the door leads to pages of this app and to nothing else', async () => {
  const led = async (to: string) => {
    const { headers } = await ask(`${server.url}/enter`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
      body: new URLSearchParams({ code: CODE, to }).toString(),
    });
    return headers.location;
  };
  assert.equal(await led('/jobs/abc?cabinet=c1&view=front'), '/jobs/abc?cabinet=c1&view=front');
  for (const to of [
    '//elsewhere.example',
    'https://elsewhere.example',
    '/\\elsewhere',
    '/api/jobs',
    '/leave',
    '/%2f%2felsewhere',
  ])
    assert.equal(await led(to), '/', to);
  const asked = await ask(`${server.url}/jobs/abc?view=plan`);
  assert.equal(asked.headers.location, '/enter?to=%2Fjobs%2Fabc%3Fview%3Dplan');
});

test('what a request says of where it was forwarded from counts only from a proxy that is named', async () => {
  const own = await startServer({
    env: { ALCOVE_CODE: CODE, ALCOVE_PROXIES: '127.0.0.50', ALCOVE_NAMES: 'shop.example' },
    runs: isLocked,
  });
  const enter = (from: string, headers: Record<string, string>) =>
    ask(`${own.url}/enter`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-www-form-urlencoded', ...headers },
      body: new URLSearchParams({ code: CODE }).toString(),
      from,
    });
  const forwarded = {
    'x-forwarded-proto': 'https',
    'x-forwarded-for': '203.0.113.9',
    'x-forwarded-host': 'shop.example',
  };
  const trusted = await enter('127.0.0.50', forwarded);
  assert.match(String(trusted.headers['set-cookie']), /; Secure/);
  const stranger = await enter('127.0.0.51', forwarded);
  assert.doesNotMatch(String(stranger.headers['set-cookie']), /; Secure/);
  assert.equal(
    (await enter('127.0.0.51', { host: 'elsewhere.example', 'x-forwarded-host': 'shop.example' })).status,
    403,
  );
  const cookie = [trusted.headers['set-cookie'] ?? []]
    .flat()
    .map((each) => each.split(';')[0])
    .join('; ');
  const page = (await ask(`${own.url}/access`, { headers: { cookie }, from: '127.0.0.52' })).body;
  assert.match(page, /127\.0\.0\.51/);
  await own.close();
});

/** A certificate of this test's own. */
function certificate(folder: string, name: string): { cert: string; key: string } {
  const [cert, key] = [join(folder, 'cert.pem'), join(folder, 'key.pem')];
  const { status, stderr } = spawnSync(
    'openssl',
    [
      'req',
      '-x509',
      '-newkey',
      'ec',
      '-pkeyopt',
      'ec_paramgen_curve:prime256v1',
      '-nodes',
      '-days',
      '2',
      '-subj',
      `/CN=${name}`,
      '-keyout',
      key,
      '-out',
      cert,
    ],
    { encoding: 'utf8' },
  );
  assert.equal(status, 0, stderr);
  return { cert, key };
}

test('with a certificate it is https: cookies are for that alone, plain http is led there, a renewed one is taken', async () => {
  const folder = temporaryFolder();
  const { cert, key } = certificate(folder, 'first');
  const { connect } = await import('node:tls');
  const plainPort = String(20_000 + (process.pid % 20_000));
  const own = await startServer({
    env: { ALCOVE_CODE: CODE, ALCOVE_CERT: cert, ALCOVE_KEY: key, ALCOVE_REDIRECT: plainPort },
    secure: true,
  });
  const entered = await comeIn(own.url, CODE);
  assert.equal(entered.to, '/');
  for (const each of entered.set) assert.match(each, /; Secure$/);
  const page = await ask(own.url, { headers: { cookie: entered.cookie ?? '' } });
  assert.equal(page.status, 200);
  assert.equal(page.headers['cross-origin-opener-policy'], 'same-origin');
  const led = await ask(`http://127.0.0.1:${plainPort}/jobs/abc?view=plan`);
  assert.equal(led.status, 308);
  assert.equal(led.headers.location, `${own.url}/jobs/abc?view=plan`);
  assert.equal((await ask(`http://127.0.0.1:${plainPort}/`, { headers: { host: 'elsewhere.example' } })).status, 403);
  const signedBy = () =>
    new Promise<string>((told, failed) => {
      const socket = connect(
        { port: Number(new URL(own.url).port), host: '127.0.0.1', rejectUnauthorized: false },
        () => {
          told(String(socket.getPeerCertificate().subject.CN));
          socket.end();
        },
      );
      socket.on('error', failed);
    });
  assert.equal(await signedBy(), 'first');
  writeFileSync(cert, 'half a certificate');
  await pause(4000);
  assert.equal(await signedBy(), 'first', 'one that cannot be read leaves the one there was');
  certificate(folder, 'second');
  for (let tries = 0; tries < 60 && (await signedBy()) !== 'second'; tries += 1) await pause(250);
  assert.equal(await signedBy(), 'second');
  await own.close();
  rmSync(folder, { recursive: true });
});

test('settings that cannot be meant are one sentence', () => {
  for (const [env, words] of [
    [{ PORT: 'x' }, /PORT should be a whole number/],
    [{ ALCOVE_CERT: '/a' }, /both are wanted/],
    [{ ALCOVE_CERT: '/nowhere/a', ALCOVE_KEY: '/nowhere/b' }, /there is no such file/],
    [{ ALCOVE_REDIRECT: '80' }, /wants ALCOVE_CERT/],
  ] as const)
    assert.throws(
      () => hostSettings(env),
      (error) => error instanceof SettingError && words.test(error.message),
    );
});

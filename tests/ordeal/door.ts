import assert from 'node:assert/strict';
import { connect, type Socket } from 'node:net';
import { Random } from '../generator/random.js';
import { ask, comeIn, halt } from '../support/asking.js';
import { startServer } from '../support/server.js';

export interface AtTheDoorSeen {
  readonly strangers: number;
  readonly wrong: number;
  readonly saves: number;
  readonly newcomers: number;
  readonly 'slowest save ms': number;
  readonly 'slowest newcomer ms': number;
}

const CODE = 'walnut-plinth-7';

/**
 * So many strangers, from many addresses, halt uploads, send too much, leave connections idle, guess codes and send odd
 * cookies, while one who has come in saves without a break, and newcomers with the code come now and then from addresses
 * of their own. No stranger gets in, no save fails or waits long, every newcomer gets in.
 */
export async function crowdTheDoor(strangers: number, seed = 7): Promise<AtTheDoorSeen> {
  const random = new Random(seed);
  const server = await startServer({ env: { ALCOVE_CODE: CODE }, runs: (response) => response.status === 401 });
  const { port } = new URL(server.url);
  const idle: Socket[] = [];
  const halted: { stop: () => void }[] = [];
  const saved: number[] = [];
  const came: number[] = [];
  let wrong = 0;
  let going = true;
  try {
    const { cookie = '' } = await comeIn(server.url, CODE);
    const begun = await ask(`${server.url}/api/jobs`, {
      method: 'POST',
      headers: { cookie },
      body: JSON.stringify({
        name: 'Door',
        unit: 'mm',
        cabinet: { from: 'base', width: 600, height: 720, depth: 560 },
      }),
    });
    assert.equal(begun.status, 201, begun.body);
    const { id } = JSON.parse(begun.body) as { id: string };
    const member = async () => {
      for (let version = 1; going; version += 1) {
        const start = performance.now();
        const answer = await ask(`${server.url}/api/jobs/${id}`, {
          method: 'PATCH',
          headers: { cookie },
          body: JSON.stringify({ version, edits: [{ path: 'cabinets/c1/size/width', value: 400 + (version % 300) }] }),
        });
        assert.equal(answer.status, 200, answer.body.slice(0, 200));
        saved.push(performance.now() - start);
        await new Promise((done) => setTimeout(done, 30));
      }
    };
    const newcomers = async () => {
      for (let at = 0; going; at += 1) {
        const start = performance.now();
        const from = `127.0.${1 + Math.floor(at / 250)}.${1 + (at % 250)}`;
        assert.equal((await comeIn(server.url, CODE, { from })).to, '/', `newcomer ${at} from ${from}`);
        came.push(performance.now() - start);
        await new Promise((done) => setTimeout(done, 300));
      }
    };
    const meanwhile = Promise.all([member(), newcomers()]);
    for (let at = 0; at < strangers; at += 1) {
      const from = `127.0.0.${2 + random.whole(0, 40)}`;
      await random
        .pick([
          async () => void halted.push(halt(`${server.url}/enter`, { 'content-length': '4000' }, 'code=', from)),
          async () =>
            void halted.push(
              halt(`${server.url}/api/jobs/import`, { 'content-length': '30000000' }, 'x'.repeat(9999), from),
            ),
          async () => {
            const socket = connect({ port: Number(port), host: '127.0.0.1', localAddress: from });
            socket.on('error', () => {});
            if (random.chance(0.5)) socket.write('GET /enter HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ');
            idle.push(socket);
          },
          async () => {
            const large = await ask(`${server.url}/enter`, {
              method: 'POST',
              body: 'x'.repeat(random.whole(5000, 400_000)),
              from,
            }).catch(() => undefined);
            if (large) assert.equal(large.status, 413);
          },
          async () => {
            const { to, set } = await comeIn(
              server.url,
              random.pick(['', '--------', 'walnut-plinth-8', 'x'.repeat(300)]),
              { from },
            );
            // Where too many are at it at once, one that nobody knows is sent away without a word to where.
            assert.match(to, /^(\/enter\?(wrong|wait)=|undefined$)/);
            assert.deepEqual(set, []);
            wrong += 1;
          },
          async () => {
            const odd = random.pick([
              'alcove-access=00.00',
              'alcove-access=\u00e4.\u00f6',
              `${cookie.slice(0, 30)}ff`,
              'alcove-known=1.1',
              'a'.repeat(3000),
            ]);
            const path = random.pick([
              '/api/jobs',
              '/',
              `/api/jobs/${id}`,
              `/jobs/${id}`,
              '/access',
              '/%61pi/jobs',
              '/_image',
              '/leave',
            ]);
            const { status } = await ask(server.url + path, { headers: { cookie: odd }, from });
            assert.ok([303, 401, 404].includes(status), `${path} with ${odd.slice(0, 40)}: ${status}`);
          },
        ])()
        .catch((error: Error) => {
          // A stranger may be hung up on; whatever else is wrong is.
          if (!/ECONNRESET|EPIPE|socket hang up/.test(error.message)) throw error;
        });
    }
    going = false;
    await meanwhile;
    assert.equal(server.process.exitCode, null);
  } finally {
    going = false;
    for (const socket of idle) socket.destroy();
    for (const { stop } of halted) stop();
    await server.close();
  }
  const worst = (all: readonly number[]) => Math.round(Math.max(0, ...all));
  return {
    strangers,
    wrong,
    saves: saved.length,
    newcomers: came.length,
    'slowest save ms': worst(saved),
    'slowest newcomer ms': worst(came),
  };
}

/** A real server on a database of its own, for endpoint and browser tests. */
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { ask } from './asking.js';

export interface TestServer {
  readonly url: string;
  readonly data: string;
  readonly process: ChildProcess;
  /** What it printed so far. */
  said(): string;
  /** Ends the server and deletes its data. */
  close(): Promise<void>;
}

export function temporaryFolder(): string {
  return mkdtempSync(join(tmpdir(), 'alcove-test-'));
}

function freePort(): Promise<number> {
  return new Promise((found, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => found(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** Starts the built server; waits until it answers. */
export async function startServer(
  options: {
    data?: string;
    seed?: boolean;
    port?: string;
    /** More of the environment, and the folder it is started from. */
    env?: Readonly<Record<string, string>>;
    cwd?: string;
    /** The folder of another program than this one. */
    program?: string;
    /** The answer that says it runs; any that is one when a shop cannot be opened. */
    runs?: (response: Response) => boolean;
    /** Over https, with the certificate in `env`, which nobody has signed: it runs once it says that it is well. */
    secure?: boolean;
  } = {},
): Promise<TestServer> {
  const data = options.data ?? temporaryFolder();
  const env = {
    ...process.env,
    ALCOVE_DATA: data,
    HOST: '127.0.0.1',
    PORT: options.port ?? String(await freePort()),
    ALCOVE_LOG: 'warn',
    ...options.env,
  };
  if (options.seed)
    await ended(spawn(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { env, stdio: 'ignore' }));
  const server = spawn(process.execPath, [resolve(options.program ?? '.', 'src/host/start.mjs')], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
    ...(options.cwd ? { cwd: options.cwd } : {}),
  });
  // A test that fails leaves its server behind: it keeps nobody waiting, and goes with the test's program.
  server.unref();
  (server.stdout as Socket | null)?.unref();
  process.once('exit', () => server.kill('SIGKILL'));
  let said = '';
  server.stdout?.on('data', (chunk: Buffer) => {
    said += chunk.toString('utf8');
  });
  const url = `${options.secure ? 'https' : 'http'}://127.0.0.1:${env.PORT}`;
  const runs = async () => {
    if (options.secure) return (await ask(`${url}/healthz`)).status === 200;
    return (options.runs ?? ((response) => response.ok))(await fetch(`${url}/api/jobs`));
  };
  for (let tries = 0; tries < 100; tries += 1) {
    if (await runs().catch(() => false))
      return {
        url,
        data,
        process: server,
        said: () => said,
        async close() {
          server.kill();
          await ended(server);
          if (!options.data) rmSync(data, { recursive: true, force: true });
        },
      };
    if (server.exitCode !== null) throw new Error(`the server ended with code ${server.exitCode}`);
    await pause(100);
  }
  server.kill();
  throw new Error('the server did not answer within 10 seconds');
}

export function ended(process: ChildProcess): Promise<void> {
  return new Promise((over) => {
    // Whoever waits for it is not let go before.
    process.ref();
    if (process.exitCode !== null || process.signalCode !== null) over();
    else process.once('exit', () => over());
  });
}

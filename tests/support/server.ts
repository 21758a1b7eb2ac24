/** A real server on a database of its own, for endpoint and browser tests. */
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';

export interface TestServer {
  readonly url: string;
  readonly data: string;
  readonly process: ChildProcess;
  /** Ends the server and deletes its data. */
  close(): Promise<void>;
}

export function temporaryFolder(): string {
  return mkdtempSync(join(tmpdir(), 'alcove-test-'));
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** Starts the built server; waits until it answers. */
export async function startServer(options: { data?: string; seed?: boolean; port?: string } = {}): Promise<TestServer> {
  const data = options.data ?? temporaryFolder();
  const env = {
    ...process.env,
    ALCOVE_DATA: data,
    HOST: '127.0.0.1',
    PORT: options.port ?? String(await freePort()),
    ALCOVE_LOG: 'warn',
  };
  if (options.seed)
    await ended(spawn(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { env, stdio: 'ignore' }));
  const server = spawn(process.execPath, ['dist/server/entry.mjs'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
  const url = `http://127.0.0.1:${env.PORT}`;
  for (let tries = 0; tries < 100; tries += 1) {
    const answered = await fetch(`${url}/api/jobs`).then(
      (response) => response.ok,
      () => false,
    );
    if (answered)
      return {
        url,
        data,
        process: server,
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
  return new Promise((resolve) => {
    if (process.exitCode !== null || process.signalCode !== null) resolve();
    else process.once('exit', () => resolve());
  });
}

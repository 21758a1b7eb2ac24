import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import pino from 'pino';
import { createStream } from 'rotating-file-stream';

const level = (process.env.ALCOVE_LOG ?? 'info') as pino.Level;

/** Where events go: one for the host and the pages it runs. */
const SLOT = Symbol.for('alcove.log');
const slot = globalThis as { [SLOT]?: pino.MultiStreamRes };
slot[SLOT] ??= pino.multistream([{ level, stream: pino.destination(2) }]);

/** One line of JSON per event, on standard error and, in a server, in the log of the shop. ALCOVE_LOG sets the level. */
export const log = pino({ level }, slot[SLOT]);

/** A log grows to this size; then it is put by, and so many are kept. */
const SIZE = '2M';
const KEPT = 5;

/** Keeps the events of a server in a folder beside its database from now on: `alcove.log`, and older ones numbered. */
export function keepLog(data: string, size = SIZE): void {
  const folder = join(data, 'log');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const stream = createStream('alcove.log', { path: folder, size, rotate: KEPT, mode: 0o600 });
  // A disk that does not take it is no reason to stop.
  stream.on('error', () => {});
  slot[SLOT]?.add({ level, stream });
}

import type { IncomingMessage, ServerResponse } from 'node:http';
import { LARGEST_BODY, LARGEST_OTHER, LARGEST_SAVE, LARGEST_START } from '../server/limits.js';
import type { Refused } from './door.js';

/** What is refused is still read for so long, so that the answer is heard (ms). */
const HEAR_OUT = 10_000;

/** A body that is being received: how to end it early. */
type End = () => void;

/**
 * Room for bodies: so many at once, so many bytes together, each within so long (ms). Where it is full a newcomer waits
 * outside, or, in a room of those nobody knows, the one that has been longest at it goes.
 */
export class BodyAllowance {
  private bytes = 0;
  private readonly bodies = new Set<End>();

  constructor(
    private readonly mostBytes: number,
    private readonly mostBodies: number,
    readonly within: number,
    private readonly full: 'waits' | 'oldest goes',
  ) {}

  enter(end: End): boolean {
    if (this.bodies.size >= this.mostBodies) {
      if (this.full === 'waits') return false;
      const [oldest] = this.bodies;
      oldest?.();
    }
    this.bodies.add(end);
    return true;
  }

  take(bytes: number): boolean {
    if (this.bytes + bytes > this.mostBytes) return false;
    this.bytes += bytes;
    return true;
  }

  leave(end: End, bytes: number): void {
    if (this.bodies.delete(end)) this.bytes -= bytes;
  }
}

/** For those who have come in: what they send is held until it is answered. */
export const shopRoom = () => new BodyAllowance(128 * 1024 * 1024, 200, 60_000, 'waits');
/** A code, and where to go with it. */
export const LARGEST_CODE = 4 * 1024;
/** For strangers, who send nothing but a code. */
const MOST_STRANGERS = 32;
export const strangersRoom = () =>
  new BodyAllowance(MOST_STRANGERS * LARGEST_CODE, MOST_STRANGERS, 5000, 'oldest goes');

/** How much may be sent to an address. */
export function largestFor(method: string, path: string): number {
  if (path === '/api/jobs/import') return LARGEST_BODY;
  if (path === '/api/shop/starts') return LARGEST_START;
  return method === 'PATCH' && /^\/api\/jobs\/[^/]+\/?$/.test(path) ? LARGEST_SAVE : LARGEST_OTHER;
}

const sizeInWords = (bytes: number) =>
  bytes >= 1024 * 1024 ? `${bytes / 1024 / 1024} MB` : `${Math.round(bytes / 1024)} kB`;

function tooLarge(largest: number): Refused {
  const words = sizeInWords(largest);
  const why =
    largest === LARGEST_BODY ? 'a job that large cannot be read in one piece.' : 'that is more than is taken here.';
  return { status: 413, code: 'too-large', message: `This is over ${words}; ${why}` };
}

const busy: Refused = {
  status: 503,
  code: 'busy',
  message: 'Alcove is receiving too much at once; try again in a moment.',
  headers: { 'retry-after': '2' },
};
const tooSlow: Refused = {
  status: 408,
  code: 'too-slow',
  message: 'This took too long to arrive; send it again.',
  headers: { connection: 'close' },
};

/**
 * Receives a body whole, or says why not. Its bytes count in the room until it is answered. An upload that ends early
 * gives undefined: nobody waits for an answer.
 */
export function receive(
  request: IncomingMessage,
  response: ServerResponse,
  room: BodyAllowance,
  largest: number,
): Promise<{ readonly bytes: Buffer } | { readonly refused: Refused } | undefined> {
  if (Number(request.headers['content-length'] ?? 0) > largest) return Promise.resolve({ refused: tooLarge(largest) });
  return new Promise((resolve) => {
    let chunks: Buffer[] = [];
    let size = 0;
    let settled = false;
    const settle = (value: { bytes: Buffer } | { refused: Refused } | undefined) => {
      if (settled) return;
      settled = true;
      clearTimeout(timer);
      request.removeAllListeners('data');
      chunks = [];
      // What was received is held until it is answered.
      if (value && 'bytes' in value && !response.closed) response.once('close', () => room.leave(goes, size));
      else room.leave(goes, size);
      resolve(value);
    };
    const goes = () => settle({ refused: busy });
    const timer = setTimeout(() => settle({ refused: tooSlow }), room.within);
    if (!room.enter(goes)) return goes();
    request.on('data', (chunk: Buffer) => {
      if (size + chunk.length > largest) settle({ refused: tooLarge(largest) });
      else if (!room.take(chunk.length)) settle({ refused: busy });
      else {
        size += chunk.length;
        chunks.push(chunk);
      }
    });
    request.once('end', () => settle({ bytes: Buffer.concat(chunks) }));
    request.once('close', () => settle(undefined));
    request.once('error', () => settle(undefined));
  });
}

/** Reads on for a while after a body was refused, so that whoever sends it gets to the answer; then hangs up. */
export function hearOut(request: IncomingMessage, response: ServerResponse): void {
  request.resume();
  const timer = setTimeout(() => request.destroy(), HEAR_OUT);
  timer.unref();
  response.once('close', () => clearTimeout(timer));
}

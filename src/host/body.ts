import type { IncomingMessage, ServerResponse } from 'node:http';
import { LARGEST_BODY } from '../server/limits.js';
import type { Refused } from './door.js';

/** All bodies that are being received together (bytes). */
const LARGEST_TOGETHER = 128 * 1024 * 1024;
/** What is refused is still read for so long, so that the answer is heard (ms). */
const HEAR_OUT = 10_000;

const tooLarge: Refused = {
  status: 413,
  code: 'too-large',
  message: `This is over ${LARGEST_BODY / 1024 / 1024} MB; a job that large cannot be read in one piece.`,
};
const busy: Refused = {
  status: 503,
  code: 'busy',
  message: 'Alcove is receiving too much at once; try again in a moment.',
  headers: { 'retry-after': '2' },
};

let together = 0;

/** Receives a body whole, or says why not. An upload that ends early gives undefined: nobody waits for an answer. */
export function receive(
  request: IncomingMessage,
): Promise<{ readonly bytes: Buffer } | { readonly refused: Refused } | undefined> {
  if (Number(request.headers['content-length'] ?? 0) > LARGEST_BODY) return Promise.resolve({ refused: tooLarge });
  return new Promise((resolve) => {
    const chunks: Buffer[] = [];
    let size = 0;
    const settle = (value: { bytes: Buffer } | { refused: Refused } | undefined) => {
      together -= size;
      size = 0;
      request.removeAllListeners('data');
      resolve(value);
    };
    request.on('data', (chunk: Buffer) => {
      size += chunk.length;
      together += chunk.length;
      if (size > LARGEST_BODY) settle({ refused: tooLarge });
      else if (together > LARGEST_TOGETHER) settle({ refused: busy });
      else chunks.push(chunk);
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

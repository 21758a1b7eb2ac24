import type { APIContext } from 'astro';
import type * as z from 'zod/mini';
import { type Body, type BodyKind, bodies } from './bodies.js';
import { figure } from './compute/pool.js';
import { databaseRefusal } from './database.js';
import { LARGEST_BODY, READ_AT_ONCE } from './limits.js';
import { log } from './log.js';
import { parseBody } from './parse.js';
import { Refusal } from './refusal.js';

export function json(data: unknown, status = 200, more: Readonly<Record<string, string>> = {}): Response {
  return jsonText(JSON.stringify(data), more, status);
}

/** What is JSON already, as made on another thread. */
export function jsonText(text: string, more: Readonly<Record<string, string>> = {}, status = 200): Response {
  const headers = { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store', ...more };
  return new Response(text, { status, headers });
}

/** Runs an endpoint: its value becomes JSON, a refusal becomes its status, anything else is logged and becomes a 500. */
export async function answer(
  context: APIContext,
  act: () => unknown | Promise<unknown>,
  status = 200,
): Promise<Response> {
  try {
    const value = await act();
    return value instanceof Response ? value : json(value ?? {}, status);
  } catch (error) {
    const refusal = error instanceof Refusal ? error : databaseRefusal(error);
    if (refusal !== error) log.error({ err: error, url: context.url.pathname }, 'request failed');
    if (refusal) {
      const { code, message, fields, details, retryAfter } = refusal;
      const wait = retryAfter === undefined ? {} : { 'retry-after': String(retryAfter) };
      return json({ error: { code, message, fields }, ...details }, refusal.status, wait);
    }
    return json(
      {
        error: {
          code: 'failed',
          message: 'Something went wrong in Alcove; nothing was changed. The log has the details.',
          fields: [],
        },
      },
      500,
    );
  }
}

/** What an address answers to any other way of asking: 405 with those there are. */
export function onlyBy(...methods: readonly string[]): () => Response {
  const allow = methods.join(', ');
  const message = `This address answers to ${methods.length > 1 ? `${methods.slice(0, -1).join(', ')} and ` : ''}${methods.at(-1)} only.`;
  return () => json({ error: { code: 'method', message, fields: [] } }, 405, { allow });
}

/** Reads a body whole, refusing one that is too large before it is held in memory; the host has looked at its size before. */
export async function readBytes(request: Request): Promise<Uint8Array<ArrayBuffer>> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength;
    if (size > LARGEST_BODY)
      throw new Refusal(
        413,
        'too-large',
        `This is over ${LARGEST_BODY / 1024 / 1024} MB; a job that large cannot be read in one piece.`,
      );
    chunks.push(chunk);
  }
  // Of its own: it may be given to another thread.
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.byteLength;
  }
  return whole;
}

/** Reads and validates a small JSON body. */
export async function readBody<T>(request: Request, schema: z.ZodMiniType<T>): Promise<T> {
  return parseBody(await readBytes(request), schema);
}

/** Reads and validates a JSON body that may be large: one that is, on another thread, so that nobody else waits for it. */
export async function readLargeBody<K extends BodyKind>(request: Request, kind: K): Promise<Body<K>> {
  const bytes = await readBytes(request);
  if (bytes.byteLength <= READ_AT_ONCE) return bodies[kind](bytes) as Body<K>;
  return (await figure('body', { bytes, kind }, request.signal)) as Body<K>;
}

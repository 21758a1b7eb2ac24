import type { APIContext } from 'astro';
import type * as z from 'zod/mini';
import { tooDeep, validate } from '../core/document/index.js';
import { databaseRefusal } from './database.js';
import { LARGEST_BODY } from './limits.js';
import { log } from './log.js';
import { invalid, Refusal } from './refusal.js';

export function json(data: unknown, status = 200, more: Readonly<Record<string, string>> = {}): Response {
  return new Response(JSON.stringify(data), {
    status,
    headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'no-store', ...more },
  });
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

/** Reads a body as text, refusing one that is too large before it is held in memory whole. */
export async function readText(request: Request): Promise<string> {
  const tooLarge = () =>
    new Refusal(
      413,
      'too-large',
      `This is over ${LARGEST_BODY / 1024 / 1024} MB; a job that large cannot be read in one piece.`,
    );
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BODY) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength;
    if (size > LARGEST_BODY) throw tooLarge();
    chunks.push(chunk);
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks));
  } catch {
    throw new Refusal(400, 'not-utf-8', 'This is not text in UTF-8, so it cannot be read as a job.');
  }
}

/** Reads and validates a JSON body. */
export async function readBody<T>(request: Request, schema: z.ZodMiniType<T>): Promise<T> {
  const text = await readText(request);
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    throw new Refusal(400, 'not-json', 'The request body is not valid JSON.');
  }
  const deep = tooDeep(data);
  if (deep) throw invalid(deep.errors);
  const result = validate(schema, data);
  if (!result.ok) throw invalid(result.errors);
  return result.value;
}

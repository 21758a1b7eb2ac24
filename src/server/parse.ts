import type * as z from 'zod/mini';
import { tooDeep } from '../core/decisions/index.js';
import { validate } from '../core/solve/index.js';
import { invalid, Refusal } from './refusal.js';

/** Bytes as text; refused where they are no UTF-8. */
export function textIn(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new Refusal(400, 'not-utf-8', 'This is not text in UTF-8, so it cannot be read as a job.');
  }
}

/** Parses and validates a JSON body. */
export function parseBody<T>(bytes: Uint8Array, schema: z.ZodMiniType<T>): T {
  const text = textIn(bytes);
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

import { parseLength } from '../../ground/index.js';
import { trailOf } from '../trail.js';
import { type Data, isData, unitOf } from './data.js';
import type { Form } from './form.js';

/** True for a place of the document where a number is a length. */
export function isLength({ job }: Pick<Form, 'job'>, path: readonly (string | number)[]): boolean {
  return trailOf(job, path)?.at(-1)?.says.measure === 'mm';
}

export type LengthRead = { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly message: string };

/**
 * The length that is written as a text at a place of a document ("23 3/4 in"; without a unit, in that of the job);
 * undefined where no length belongs or no text stands.
 */
export function lengthAt(form: Form, data: unknown, path: readonly (string | number)[]): LengthRead | undefined {
  const text = valueIn(data, path);
  if (typeof text !== 'string' || !isLength(form, path)) return undefined;
  const read = parseLength(text, { unit: isData(data) ? unitOf(data) : 'mm' });
  return read.ok ? { ok: true, mm: read.mm } : { ok: false, message: `"${text}" is not a length. ${read.message}` };
}

/** What stands at a place of a document. */
export function valueIn(data: unknown, path: readonly (string | number)[]): unknown {
  return path.reduce<unknown>(
    (node, key) => (typeof node === 'object' && node !== null ? (node as Data)[key] : undefined),
    data,
  );
}

/** Puts a number at a place of a document that has something there; in place. */
export function putNumber(data: unknown, path: readonly (string | number)[], value: number): void {
  const last = path.at(-1);
  if (last !== undefined) (valueIn(data, path.slice(0, -1)) as Data)[last] = value;
}

/**
 * A place of a document in words: "cabinet 3, opening o2, fill/shelves". A cabinet goes by its number, anything else in a
 * list by its id, or by its place where it has none.
 */
export function placeInWords({ job }: Pick<Form, 'job'>, data: unknown, path: readonly (string | number)[]): string {
  const words: string[] = [];
  let fields: string[] = [];
  path.forEach((key, at) => {
    const within = valueIn(data, path.slice(0, at));
    if (!Array.isArray(within) || at === 0) {
      fields.push(String(key));
      return;
    }
    fields.pop();
    if (fields.length > 0) words.push(fields.join('/'));
    fields = [];
    const entry = within[Number(key)];
    const name = isData(entry) ? (entry.number ?? entry.id) : undefined;
    const one = trailOf(job, path.slice(0, at + 1))?.at(-1)?.says.one ?? `${path[at - 1]} entry`;
    words.push(`${one} ${typeof name === 'string' ? name : Number(key) + 1}`);
  });
  if (fields.length > 0) words.push(fields.join('/'));
  return words.join(', ');
}

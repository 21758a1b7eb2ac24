import { parseLength } from '../../ground/index.js';
import { subjectOf } from '../job/index.js';
import { type Data, isData, unitOf } from './data.js';
import type { Form } from './form.js';

/** Fields outside the settings that hold a length; what stands in a list of readings is one as well. */
const LENGTHS = new Set(
  'width height depth left right up behind length mm pin raised dividerOff finished step ceiling doorway nominal readings thickness rough x y trim kerf spacing'.split(
    ' ',
  ),
);

/** True for a place of the document where a number is a length. */
export function isLength({ declared }: Pick<Form, 'declared'>, path: readonly (string | number)[]): boolean {
  const subject = subjectOf(path.join('/'));
  if (subject.kind === 'setting') return declared.leaf(subject.setting)?.measure === 'mm';
  if (path.includes('oversize')) return true;
  const last = path.filter((key): key is string => typeof key === 'string').at(-1);
  return last !== undefined && LENGTHS.has(last);
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

/** What one entry of a list is called; a profile goes by what its kind says. */
const ONE: Readonly<Record<string, string>> = {
  cabinets: 'cabinet',
  parts: 'opening',
  zones: 'keep-out box',
  standing: 'standing cabinet',
  materials: 'material',
  readings: 'reading',
  shelvesAt: 'shelf',
  hingesAt: 'hinge',
};

/**
 * A place of a document in words: "cabinet 3, opening o2, fill/shelves". A cabinet goes by its number, anything else in a
 * list by its id, or by its place where it has none.
 */
export function placeInWords(
  { kinds }: Pick<Form, 'kinds'>,
  data: unknown,
  path: readonly (string | number)[],
): string {
  const words: string[] = [];
  let fields: string[] = [];
  path.forEach((key, at) => {
    const list = path[at - 1];
    const within = valueIn(data, path.slice(0, at));
    if (!Array.isArray(within) || typeof list !== 'string') {
      fields.push(String(key));
      return;
    }
    fields.pop();
    if (fields.length > 0) words.push(fields.join('/'));
    fields = [];
    const entry = within[Number(key)];
    const name = isData(entry) ? (entry.number ?? entry.id) : undefined;
    const decided = list === 'parts' && at === 3 && path[0] === 'cabinets';
    words.push(
      `${decided ? 'decided part' : (ONE[list] ?? kinds.find(({ id }) => id === list)?.one ?? `${list} entry`)} ${typeof name === 'string' ? name : Number(key) + 1}`,
    );
  });
  if (fields.length > 0) words.push(fields.join('/'));
  return words.join(', ');
}

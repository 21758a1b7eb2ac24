import * as z from 'zod/mini';
import { trailOf } from '../trail.js';
import { type AnyPath, type EditPath, pathFromText, pathOf } from './editPath.js';

/** An entry of a list, known by its id. */
export interface Entry {
  readonly id: string;
}

/**
 * A change of one decision.
 *
 * - `value` decides it, or clears it when undefined, so that the next layer (job, house) speaks. At an entry of a list it
 *   replaces the entry, adds it at the end where there is none of its id, or removes it.
 * - `insert` puts a new entry into the list at `path`, before the one with an id or at the end.
 * - `moveBefore` moves the entry at `path` before another of its list, or to the end.
 */
export type Edit<P extends AnyPath = EditPath> =
  | { readonly path: P; readonly value: unknown }
  | { readonly path: P; readonly insert: Entry; readonly before?: string }
  | { readonly path: P; readonly moveBefore: string | null };

const placeSchema = z.pipe(
  z
    .string()
    .check(
      z.regex(
        /^[a-zA-Z0-9_-]{1,60}(\/[a-zA-Z0-9_-]{1,60}){0,40}$/,
        'a path of names with slashes between was expected',
      ),
    ),
  z.transform(pathFromText),
);

/** An edit as it comes from outside. Where it leads, and what it leaves, is checked when it is carried out. */
export const editSchema = z.union([
  z.strictObject({
    path: placeSchema,
    insert: z.looseObject({ id: z.string().check(z.maxLength(60)) }),
    before: z.optional(z.string().check(z.maxLength(60))),
  }),
  z.strictObject({ path: placeSchema, moveBefore: z.nullable(z.string().check(z.maxLength(60))) }),
  z.strictObject({ path: placeSchema, value: z.optional(z.unknown()) }),
]) as unknown as z.ZodMiniType<Edit>;

/** A named group of edits that belong together: one act, one undo. */
export interface Act<P extends AnyPath = EditPath> {
  readonly label: string;
  readonly edits: readonly Edit<P>[];
}

/** An act as a rule or a kind proposes it: of the cabinet that is looked at, whichever it is. */
export type ProposedAct = Act<AnyPath>;

/** A proposed act as it is carried out on a cabinet. */
export function actOf(cabinet: Entry, { label, edits }: ProposedAct): Act {
  return { label, edits: edits.map((edit) => ({ ...edit, path: pathOf(cabinet, edit.path) })) };
}

export class EditPathError extends Error {}

type Node = Record<string, unknown>;

function step(node: unknown, key: string, path: string): unknown {
  if (Array.isArray(node)) {
    const entry = node.find((each) => (each as Partial<Entry>).id === key);
    if (!entry) throw new EditPathError(`there is no "${key}" at ${path}`);
    return entry;
  }
  if (typeof node !== 'object' || node === null) throw new EditPathError(`${path} leads nowhere`);
  return Object.hasOwn(node, key) ? (node as Node)[key] : undefined;
}

/** Names that are no decisions, but parts of the language. */
const NO_DECISIONS = /(^|\/)(__proto__|constructor|prototype)(\/|$)/;

/** The form of the document, as much of it as an edit asks for. */
interface Shaped {
  readonly job: z.ZodMiniType<object>;
}

/** Applies edits in place; meant for a draft (see the bench's store) or a copy. Throws `EditPathError` on a path that leads nowhere. */
export function applyEdits(form: Shaped, job: object, edits: readonly Edit[]): void {
  for (const edit of edits) {
    if (NO_DECISIONS.test(edit.path)) throw new EditPathError(`${edit.path} leads nowhere`);
    if ('insert' in edit) insert(job, edit);
    else if ('moveBefore' in edit) move(job, edit);
    else decide(form, job, edit);
  }
}

/** The list at a path; made where nothing has been listed yet. */
function listAt(job: object, path: string): Entry[] {
  const keys = path.split('/');
  const last = keys.pop() as string;
  const parent = keys.reduce<unknown>((node, key) => step(node, key, path), job);
  const known = step(parent, last, path);
  if (Array.isArray(known)) return known;
  if (known !== undefined || Array.isArray(parent)) throw new EditPathError(`there is no list at ${path}`);
  (parent as Node)[last] = [];
  return (parent as Node)[last] as Entry[];
}

function insert(job: object, { path, insert: entry, before }: Extract<Edit, { insert: Entry }>): void {
  const list = listAt(job, path);
  if (list.some(({ id }) => id === entry.id)) throw new EditPathError(`there is a "${entry.id}" at ${path} already`);
  list.splice(placeOf(list, before ?? null, path), 0, entry);
}

function move(job: object, { path, moveBefore }: Extract<Edit, { moveBefore: string | null }>): void {
  const at = path.lastIndexOf('/');
  const list = listAt(job, path.slice(0, at));
  const from = list.findIndex(({ id }) => id === path.slice(at + 1));
  if (from < 0) throw new EditPathError(`there is no "${path.slice(at + 1)}" at ${path}`);
  const [entry] = list.splice(from, 1) as [Entry];
  list.splice(placeOf(list, moveBefore, path), 0, entry);
}

function placeOf(list: readonly Entry[], before: string | null, path: string): number {
  if (before === null) return list.length;
  const at = list.findIndex(({ id }) => id === before);
  if (at < 0) throw new EditPathError(`there is no "${before}" at ${path}`);
  return at;
}

function decide(form: Shaped, job: object, { path, value }: Extract<Edit, { value: unknown }>): void {
  const keys = path.split('/');
  const last = keys.pop() as string;
  // What is decided for an entry that names itself lies in a list, and begins one.
  const listed = (value as Partial<Entry> | undefined)?.id === last;
  let node: unknown = job;
  for (const [at, key] of keys.entries()) {
    let next = step(node, key, path);
    if (next === undefined && value === undefined) return;
    if (next === undefined && !Array.isArray(node)) {
      (node as Node)[key] = listed && at === keys.length - 1 ? [] : {};
      // Read back through the parent: a draft hands out its own wrapper.
      next = (node as Node)[key];
    }
    node = next;
  }
  if (Array.isArray(node)) {
    decideEntry(node, last, value, path);
    if (node.length === 0) pruneList(form, job, keys);
    return;
  }
  if (typeof node !== 'object' || node === null) throw new EditPathError(`${path} leads nowhere`);
  if (value !== undefined) {
    (node as Node)[last] = value;
    return;
  }
  delete (node as Node)[last];
  pruneLayer(form, job, keys);
}

function decideEntry(list: unknown[], id: string, value: unknown, path: string): void {
  const at = list.findIndex((entry) => (entry as Partial<Entry>).id === id);
  if (value === undefined) {
    if (at >= 0) list.splice(at, 1);
  } else if (at >= 0) list[at] = value;
  else if ((value as Partial<Entry>).id === id) list.push(value);
  else throw new EditPathError(`there is no "${id}" at ${path}`);
}

/** True for the path of a list that says only what was decided: the document leaves it out where that is nothing. */
export function isDecidedList({ job }: Shaped, path: string): boolean {
  const last = trailOf(job, path.split('/'))?.at(-1);
  return last?.list === true && last.mayBeLeftOut;
}

function parentOf(job: object, keys: readonly string[]): Node {
  return keys.slice(0, -1).reduce<unknown>((node, key) => step(node, key, keys.join('/')), job) as Node;
}

function pruneList(form: Shaped, job: object, keys: readonly string[]): void {
  if (isDecidedList(form, keys.join('/'))) delete parentOf(job, keys)[keys.at(-1) as string];
}

/** A group of a layer that has become empty goes, so that a document says only what was decided. */
function pruneLayer({ job: schema }: Shaped, job: object, keys: readonly string[]): void {
  const trail = trailOf(schema, keys) ?? [];
  for (let depth = keys.length; depth > 0; depth -= 1) {
    const group = trail[depth - 1];
    if (!group?.says.layer || !group.mayBeLeftOut) return;
    const within = keys.slice(0, depth);
    const parent = parentOf(job, within);
    if (Object.keys((parent[group.key] as Node | undefined) ?? { full: true }).length > 0) return;
    delete parent[group.key];
  }
}

/** Makes ids for new entries. */
export type IdMaker = (prefix: string) => string;

/**
 * An id nobody else picks, in this window or another, now or later: 48 random bits in hexadecimal behind the prefix. Made
 * of random bytes alone, since a page that came over plain http on a network is given nothing else.
 */
export const newId: IdMaker = (prefix) => {
  const bytes = globalThis.crypto.getRandomValues(new Uint8Array(6));
  return `${prefix}-${Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')}`;
};

/** Ids counted from 1, for documents that are made anew and for tests. */
export function countedIds(): IdMaker {
  const counts = new Map<string, number>();
  return (prefix) => {
    const count = (counts.get(prefix) ?? 0) + 1;
    counts.set(prefix, count);
    return `${prefix}${count}`;
  };
}

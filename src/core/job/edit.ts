import type { Job } from './document.js';

/**
 * An edit sets or clears one decision, named by a slash path. A step into a list is the id of the entry:
 *
 *     cabinets/c1/size/width
 *     cabinets/c1/settings/fronts/reveal/left
 *     cabinets/c1/face/parts/o2/pin
 *     materials/birch18/measured/readings
 *
 * `value: undefined` clears the decision, so that the next layer (job, house) speaks.
 */
export interface Edit {
  readonly path: string;
  readonly value: unknown;
}

/** A named group of edits that belong together: one act, one undo. */
export interface Act {
  readonly label: string;
  readonly edits: readonly Edit[];
}

export class EditPathError extends Error {}

type Node = Record<string, unknown>;

function step(node: unknown, key: string, path: string): unknown {
  if (Array.isArray(node)) {
    const entry = node.find((each) => (each as { id?: unknown }).id === key);
    if (!entry) throw new EditPathError(`there is no "${key}" at ${path}`);
    return entry;
  }
  if (typeof node !== 'object' || node === null) throw new EditPathError(`${path} leads nowhere`);
  return (node as Node)[key];
}

/** Applies edits in place; meant for a draft (see the bench's store) or a copy. Throws `EditPathError` on a path that leads nowhere. */
export function applyEdits(job: Job, edits: readonly Edit[]): void {
  for (const edit of edits) applyEdit(job, edit);
}

function applyEdit(job: Job, { path, value }: Edit): void {
  const keys = path.split('/');
  const last = keys.pop() as string;
  const trail: Node[] = [];
  let node: unknown = job;
  for (const key of keys) {
    let next = step(node, key, path);
    if (next === undefined && value === undefined) return;
    if (next === undefined && !Array.isArray(node)) {
      next = {};
      (node as Node)[key] = next;
      // Read back through the parent: a draft hands out its own wrapper.
      next = (node as Node)[key];
    }
    trail.push(node as Node);
    node = next;
  }
  if (Array.isArray(node)) {
    editList(node, last, value, path);
    return;
  }
  if (typeof node !== 'object' || node === null) throw new EditPathError(`${path} leads nowhere`);
  if (value !== undefined) {
    (node as Node)[last] = value;
    return;
  }
  delete (node as Node)[last];
  pruneOverrides(job, keys);
}

function editList(list: unknown[], id: string, value: unknown, path: string): void {
  const at = list.findIndex((entry) => (entry as { id?: unknown }).id === id);
  if (value === undefined) {
    if (at >= 0) list.splice(at, 1);
  } else if (at >= 0) list[at] = value;
  else if ((value as { id?: unknown }).id === id) list.push(value);
  else throw new EditPathError(`there is no "${id}" at ${path}`);
}

/** A group of overrides that has become empty goes, so that a document says only what was decided. */
function pruneOverrides(job: Job, keys: readonly string[]): void {
  const root = keys[0] === 'standards' ? 2 : keys[2] === 'settings' ? 3 : -1;
  if (root < 0) return;
  for (let depth = keys.length; depth > root; depth -= 1) {
    const parentKeys = keys.slice(0, depth - 1);
    const parent = parentKeys.reduce<unknown>((node, key) => step(node, key, keys.join('/')), job) as Node;
    const key = keys[depth - 1] as string;
    if (Object.keys((parent[key] as Node | undefined) ?? { full: true }).length > 0) return;
    delete parent[key];
  }
}

/** The smallest unused id of the form `prefix` + number. */
export function nextId(prefix: string, taken: readonly string[]): string {
  const used = new Set(taken);
  let at = 1;
  while (used.has(`${prefix}${at}`)) at += 1;
  return `${prefix}${at}`;
}

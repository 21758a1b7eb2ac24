import { produce } from 'immer';
import { type Edit, type EditPath, type Entry, type Job, pathFromText } from '../../decisions/index.js';
import { applyEdits, isDecidedList, trailTo } from '../../solve/index.js';

/** A job with edits carried out on it; what they do not touch stays the same objects. Throws `EditPathError`. */
export function withEdits(job: Job, edits: readonly Edit[]): Job {
  if (edits.length === 0) return job;
  return produce(job, (draft) => applyEdits(draft as Job, edits));
}

/**
 * The edits that make one job of another: decisions by their paths, entries of lists by their ids. What is the same object
 * in both is not looked into. Carried out on the first they give the second exactly; where single decisions would not (a
 * group left empty, say), the cabinet or the part of the head they lie in is replaced whole.
 */
export function editsBetween(before: Job, after: Job): Edit[] {
  if (before === after) return [];
  const fine: Edit[] = [];
  compareFields(before as unknown as Fields, after as unknown as Fields, '', fine);
  if (leadsTo(before, fine, after)) return fine;
  const coarse: Edit[] = [];
  for (const key of keysOf(before, after)) {
    if (key === 'cabinets') compareEntries(before.cabinets, after.cabinets, 'cabinets', coarse, replaceWhole);
    else if (!isSame(before[key as 'name'], after[key as 'name']))
      coarse.push({ path: pathFromText(key), value: after[key as 'name'] });
  }
  return coarse;
}

type Fields = Readonly<Record<string, unknown>>;
type Compare = (before: unknown, after: unknown, path: string, edits: Edit[]) => void;

function leadsTo(before: Job, edits: readonly Edit[], after: Job): boolean {
  try {
    return isSame(withEdits(before, edits), after);
  } catch {
    return false;
  }
}

const replaceWhole: Compare = (before, after, path, edits) => {
  if (!isSame(before, after)) edits.push({ path: pathFromText(path), value: after });
};

const compare: Compare = (before, after, path, edits) => {
  if (before === after) return;
  const at = pathFromText(path);
  if (isEntries(after) && (before === undefined ? isDecidedList(path) : isEntries(before)))
    compareEntries((before ?? []) as readonly Entry[], after, path, edits, compare);
  else if (after === undefined && isDecidedList(path) && isEntries(before))
    for (const { id } of before) edits.push({ path: pathFromText(`${path}/${id}`), value: undefined });
  else if (isFields(before) && isFields(after) && isOneSort(before, after)) compareFields(before, after, path, edits);
  else if (before === undefined && isFields(after) && isOverrides(path) && Object.keys(after).length > 0)
    compareFields({}, after, path, edits);
  else if (!isSame(before, after)) edits.push({ path: at, value: after });
};

function compareFields(before: Fields, after: Fields, path: string, edits: Edit[]): void {
  for (const key of keysOf(before, after))
    compare(before[key], after[key], path === '' ? key : `${path}/${key}`, edits);
}

/** What is gone, what is new and what stands elsewhere in a list, and what is different in each that stays. */
function compareEntries(
  before: readonly Entry[],
  after: readonly Entry[],
  path: string,
  edits: Edit[],
  inner: Compare,
): void {
  const known = new Map(before.map((entry) => [entry.id, entry]));
  const stays = new Set(after.map(({ id }) => id));
  const list = pathFromText(path);
  const entry = (id: string): EditPath => pathFromText(`${path}/${id}`);
  for (const { id } of before) if (!stays.has(id)) edits.push({ path: entry(id), value: undefined });
  for (const each of after) {
    const was = known.get(each.id);
    if (was) inner(was, each, `${path}/${each.id}`, edits);
  }
  const kept = after.filter(({ id }) => known.has(id)).map(({ id }) => id);
  const old = before.filter(({ id }) => stays.has(id)).map(({ id }) => id);
  const still = stayingInOrder(old, kept);
  // From the end, so that what each comes before stands there already.
  for (let at = kept.length - 1; at >= 0; at -= 1) {
    const id = kept[at] as string;
    if (!still.has(id)) edits.push({ path: entry(id), moveBefore: kept[at + 1] ?? null });
  }
  for (let at = after.length - 1; at >= 0; at -= 1) {
    const fresh = after[at] as Entry;
    if (known.has(fresh.id)) continue;
    const next = after[at + 1]?.id;
    edits.push({ path: list, insert: fresh, ...(next === undefined ? {} : { before: next }) });
  }
}

/** The longest run of ids that stand in the same order in both: all others are moved. */
function stayingInOrder(before: readonly string[], after: readonly string[]): ReadonlySet<string> {
  if (before.every((id, at) => id === after[at])) return new Set(after);
  const place = new Map(before.map((id, at) => [id, at]));
  // Piles by their last place; each id remembers what lay on the pile before it.
  const piles: string[] = [];
  const under = new Map<string, string | undefined>();
  for (const id of after) {
    const own = place.get(id) as number;
    let low = 0;
    let high = piles.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((place.get(piles[middle] as string) as number) < own) low = middle + 1;
      else high = middle;
    }
    under.set(id, piles[low - 1]);
    piles[low] = id;
  }
  const still = new Set<string>();
  for (let id = piles.at(-1); id !== undefined; id = under.get(id)) still.add(id);
  return still;
}

/** Groups of decisions, which say only what was decided: two that are made at once hold what both decided. */
const isOverrides = (path: string) => trailTo(path)?.at(-1)?.says.layer === true;

/** What is told apart by a word of its own is replaced whole when that word is another. */
function isOneSort(before: Fields, after: Fields): boolean {
  return ['kind', 'from'].every((key) => before[key] === after[key] || isFields(before[key]));
}

const keysOf = (before: object, after: object) => new Set([...Object.keys(before), ...Object.keys(after)]);

function isFields(value: unknown): value is Fields {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A list whose entries have ids. */
function isEntries(value: unknown): value is readonly Entry[] {
  return Array.isArray(value) && value.every((each) => isFields(each) && typeof each.id === 'string');
}

/** Equal in all they say; a field that is undefined is one that is not there. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((entry, at) => isSame(entry, b[at]));
  if (!isFields(a) || !isFields(b)) return false;
  for (const key of keysOf(a, b)) if (!isSame(a[key], b[key])) return false;
  return true;
}

import type { Edit, Job, TrailStep } from '../../decisions/index.js';
import { capital, formatLengthWithUnit } from '../../ground/index.js';
import { form, isLength, trailTo } from '../../solve/index.js';
import { placeOf } from './merge.js';

/** An edit as a maker reads it: what was decided, and to what. */
interface Said {
  readonly what: string;
  readonly value: string;
}

type Node = Readonly<Record<string, unknown>>;

const plain = (key: string) => key.replaceAll(/([A-Z])/g, ' $1').toLowerCase();

/** The edit in words, by the job it was made on or the one it led to, whichever knows the things it names. */
export function saidOf(edit: Edit, before: Job, after: Job): Said {
  const place = placeOf(edit);
  return { what: whereInWords(place, [after, before]), value: valueInWords(edit, place, [after, before]) };
}

/** "Cabinet 3, gap between fronts". */
function whereInWords(place: string, jobs: readonly Job[]): string {
  const keys = place.split('/');
  const setting = settingIn(keys);
  const shown = setting ? keys.slice(0, setting.from) : keys;
  const trail = trailTo(place) ?? [];
  const words: string[] = [];
  let nodes: readonly unknown[] = jobs;
  for (const [at, key] of shown.entries()) {
    nodes = nodes.map((node) => stepInto(node, key)).filter((node) => node !== undefined);
    const { says, entry, list } = trail[at] ?? { says: {}, entry: false, list: false };
    if (entry) words.push(entryInWords(key, says, nodes[0]));
    else if (key !== 'settings' && (at === shown.length - 1 ? !(setting && says.passed) : !says.passed && !list))
      words.push(says.word ?? plain(key));
  }
  if (setting) words.push(setting.label);
  return capital(words.join(', '));
}

function entryInWords(id: string, { one = '', goesBy }: TrailStep['says'], entry: unknown): string {
  const said = (entry ?? {}) as Partial<Record<string, unknown>>;
  // A part goes by its key, in words.
  if (goesBy) return `${one} ${String(said[goesBy] ?? id).replaceAll('/', ' ')}`;
  const own = [said.number, said.name].find((each) => typeof each === 'string' && each !== '');
  return `${one} ${own ?? id}`.trim();
}

function stepInto(node: unknown, key: string): unknown {
  if (Array.isArray(node)) return node.find((each) => (each as { id?: unknown }).id === key);
  return typeof node === 'object' && node !== null ? (node as Node)[key] : undefined;
}

/** The setting a path decides, with where its own path begins. */
function settingIn(keys: readonly string[]) {
  const [list, ...rest] = keys;
  const from = list === 'cabinets' && rest[1] === 'settings' ? 3 : list === 'standards' ? 2 : list === 'house' ? 2 : -1;
  if (from < 0 || keys.length <= from) return undefined;
  const leaf = form.declared.leaf(keys.slice(from).join('/'));
  if (!leaf) return undefined;
  const layer = list === 'cabinets' ? '' : list === 'house' ? ' (house standard)' : ' (this job)';
  return { from, leaf, label: `${leaf.label}${layer}` };
}

function valueInWords(edit: Edit, place: string, jobs: readonly Job[]): string {
  if ('moveBefore' in edit) return 'stands elsewhere in the order';
  if ('insert' in edit) return 'part' in edit.insert ? 'decided alone' : 'added';
  const { value } = edit;
  if (value === undefined) return isEntryPlace(place) ? 'removed' : 'left to the standard';
  const [job] = jobs as [Job];
  if (typeof value === 'number') {
    return isLength(place.split('/')) ? formatLengthWithUnit(value, job.display) : String(value);
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (value === null) return 'none';
  if (typeof value === 'string') return nameOf(value, place, jobs);
  const { kind, name } = value as Partial<Record<string, unknown>>;
  if (typeof name === 'string') return name;
  return typeof kind === 'string' ? kind : 'decided anew';
}

const isEntryPlace = (place: string) => trailTo(place)?.at(-1)?.entry === true;

/** A value that points to something goes by that thing's name; a word of a choice by what it is called. */
function nameOf(value: string, place: string, jobs: readonly Job[]): string {
  const option = settingIn(place.split('/'))?.leaf.options?.[value];
  if (option) return option;
  for (const job of jobs) {
    const cabinet = job.cabinets.find(({ id }) => id === value);
    if (cabinet) return `cabinet ${cabinet.number}`;
    const material = job.materials.find(({ id }) => id === value);
    if (material) return material.name;
    for (const list of Object.values(job.hardware as unknown as Readonly<Record<string, readonly Node[]>>)) {
      const profile = Array.isArray(list) ? list.find(({ id }) => id === value) : undefined;
      if (profile) return String(profile.name);
    }
  }
  return value;
}

/** Several edits in one line: the first of them, and how many more. */
export function saidInShort(edits: readonly Edit[], before: Job, after: Job): string {
  const [first] = edits;
  if (!first) return 'nothing';
  const { what, value } = saidOf(first, before, after);
  return `${what} ${value}${edits.length > 1 ? ` and ${edits.length - 1} more` : ''}`;
}

/** What a decision stands at in a job; undefined where it is left to the standard or gone. */
export function decidedAt(job: Job, place: string): unknown {
  return place.split('/').reduce<unknown>(stepInto, job);
}

import { Dim, followTerm, namedTerms, termKey } from '../../ground/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/**
 * Where a number stands in the result of a cabinet, as plain text: fields by their names, entries of lists by what they
 * are known by, terms by their keys. `parts/@side~left/length`, `box/insideWidth/=side thickness`. It is found again after
 * every solve, in another window and after a reload, as long as what it belongs to is there.
 */
export type NumberAddress = string;

/** The rooms of a result numbers are looked for in, those a maker names first. */
const ROOMS = ['parts', 'box', 'fronts', 'face', 'interiors', 'bays', 'fitted', 'resolved'] as const;

interface Place {
  readonly value: object;
  readonly address: NumberAddress;
}

/**
 * The address of a number of this very result; undefined for one that is not in it. One object may stand at several places:
 * `within` says what it is looked at as a number of.
 */
export function addressOf(solved: SolvedCabinet, dim: Dim, within?: object): NumberAddress | undefined {
  const all = ROOMS.map((room): Place => ({ value: solved[room], address: room }));
  const inner = within && placeOf(all, within, []);
  return (inner && numberIn([{ value: within, address: inner }], dim)) ?? numberIn(all, dim);
}

/** Looked for at a place of its own first; then among what is only figured with. */
function numberIn(from: readonly Place[], dim: Dim): NumberAddress | undefined {
  const dims: Place[] = [];
  return placeOf(from, dim, dims) ?? termAddress(dims, dim);
}

/** Where a thing stands, the nearest place first; numbers met on the way are noted and not looked into. */
function placeOf(from: readonly Place[], wanted: object, dims: Place[]): NumberAddress | undefined {
  const seen = new Set<object>();
  let level = from;
  while (level.length > 0) {
    const next: Place[] = [];
    for (const place of level) {
      if (place.value === wanted) return place.address;
      if (seen.has(place.value)) continue;
      seen.add(place.value);
      if (place.value instanceof Dim) dims.push(place);
      else next.push(...inside(place));
    }
    level = next;
  }
  return undefined;
}

function termAddress(from: readonly Place[], wanted: Dim): NumberAddress | undefined {
  const seen = new Set<object>();
  let level = from;
  while (level.length > 0) {
    const next: Place[] = [];
    for (const { value, address } of level) {
      const dim = value as Dim;
      if (dim === wanted) return address;
      if (seen.has(dim)) continue;
      seen.add(dim);
      for (const term of namedTerms(dim))
        next.push({ value: term, address: `${address}/=${told(termKey(dim, term))}` });
    }
    level = next;
  }
  return undefined;
}

/** The number at an address; undefined once it is gone. */
export function numberAt(solved: SolvedCabinet, address: NumberAddress): Dim | undefined {
  let value: unknown = solved;
  for (const step of address.split('/')) {
    if (typeof value !== 'object' || value === null) return undefined;
    if (step.startsWith('=')) value = value instanceof Dim ? followTerm(value, read(step.slice(1))) : undefined;
    else if (step.startsWith('@')) value = isList(value) ? entries(value).get(read(step.slice(1))) : undefined;
    else if (value instanceof Map) value = value.get(read(step));
    else value = Object.hasOwn(value, step) ? (value as Readonly<Record<string, unknown>>)[step] : undefined;
  }
  return value instanceof Dim ? value : undefined;
}

/** What stands in a value, each with its address. */
function inside({ value, address }: Place): Place[] {
  const all: [string, unknown][] = isList(value)
    ? [...entries(value)].map(([name, entry]) => [`@${told(name)}`, entry])
    : value instanceof Map
      ? [...value].map(([name, entry]) => [told(String(name)), entry])
      : Object.entries(value);
  return all.flatMap(([step, entry]) =>
    typeof entry === 'object' && entry !== null ? [{ value: entry, address: `${address}/${step}` }] : [],
  );
}

const isList = (value: object): value is readonly unknown[] => Array.isArray(value);

/** The entries of a list by what they are known by; several of one name, or of none, are counted. */
function entries(list: readonly unknown[]): Map<string, unknown> {
  const all = new Map<string, unknown>();
  const counts = new Map<string, number>();
  for (const entry of list) {
    const name = nameOf(entry);
    const count = (counts.get(name) ?? 0) + 1;
    counts.set(name, count);
    all.set(count === 1 && name !== '' ? name : `${name}#${count}`, entry);
  }
  return all;
}

/** The fields by which entries of a result are known, the first of them that is there. */
const KNOWN_BY = ['key', 'id', 'frontKey', 'front', 'opening', 'room', 'part'] as const;

function nameOf(entry: unknown): string {
  if (typeof entry !== 'object' || entry === null || entry instanceof Dim) return '';
  const fields = entry as Readonly<Record<string, unknown>>;
  for (const field of KNOWN_BY) {
    const value = fields[field];
    if (typeof value === 'string') return value;
    const inner = typeof value === 'object' && value !== null ? nameOf(value) : '';
    if (inner !== '') return inner;
  }
  return '';
}

/** A name as one step of an address, and back. */
const told = (name: string) => name.replaceAll('%', '%25').replaceAll('~', '%7E').replaceAll('/', '~');
const read = (step: string) => step.replaceAll('~', '/').replaceAll('%7E', '~').replaceAll('%25', '%');

import { Dim, gather } from '../../ground/index.js';
import type { Operation } from '../machining/index.js';
import type { Part } from './part.js';

/** Identical parts of a cabinet under one letter, whichever cabinet it is. */
export interface LetteredRow {
  readonly letter: string;
  readonly part: Part;
  /** Keys of all the parts this row stands for. */
  readonly keys: readonly string[];
  readonly quantity: number;
}

/** Identical parts under one mark. */
export interface PartRow extends LetteredRow {
  /** Cabinet number and part letter: `3.B`. */
  readonly mark: string;
}

/** The parts of one cabinet under its marks. */
export function marked(cabinetNumber: string, rows: readonly LetteredRow[]): PartRow[] {
  return rows.map(({ letter, part, keys, quantity }) => ({
    mark: `${cabinetNumber}.${letter}`,
    letter,
    part,
    keys,
    quantity,
  }));
}

/** A, B, … Z, AA, AB, … */
export function partLetter(at: number): string {
  const letter = String.fromCharCode(65 + (at % 26));
  return at < 26 ? letter : partLetter(Math.floor(at / 26) - 1) + letter;
}

/** Two parts may be the same piece, the shop could swap them without noticing, when this and their machining agree. */
function likeness(part: Part): string {
  const mm = (value: number) => Math.round(value / 0.001);
  return [
    part.name,
    part.role,
    part.hand ?? '',
    part.grain ? `${part.grain.group} ${part.grain.piece}` : '',
    part.material.id,
    mm(part.length.value),
    mm(part.width.value),
    mm(part.thickness.value),
    part.bands.map((band) => `${band.edge}:${mm(band.thickness.value)}`).join(','),
    part.over.map((each) => `${each.edge}:${mm(each.size.value)}`).join(','),
    part.grainRuns ?? '',
    part.bought ? 'bought' : '',
    part.note ?? '',
    part.machining.length,
  ].join('|');
}

/** Everything about an operation but why it is there; numbers to a thousandth. */
function operationLikeness(operation: Operation): string {
  const write = (value: unknown): string => {
    if (value instanceof Dim) return String(Math.round(value.value / 0.001));
    if (Array.isArray(value)) return `[${value.map(write).join(' ')}]`;
    if (typeof value !== 'object' || value === null) return String(value);
    return `{${Object.entries(value)
      .filter(([key]) => key !== 'reason' && key !== 'by' && key !== 'holds' && key !== 'group')
      .map(([key, entry]) => `${key}=${write(entry)}`)
      .join(',')}}`;
  };
  return write(operation);
}

/** Gives every part its letter, merging identical ones. Left and right twins stay apart. */
export function letterParts(parts: readonly Part[]): LetteredRow[] {
  const place = new Map(parts.map((part, at) => [part, at]));
  const first = ([part]: readonly Part[]) => place.get(part as Part) as number;
  // Most names stand for one part only: nothing has to be compared.
  const alike = gather(
    grouped(parts, ({ name }) => name),
    (group) => (group.length === 1 ? [group] : grouped(group, likeness)),
  ).sort((a, b) => first(a) - first(b));
  // What is cut in a part is written out only where another part might be the same piece.
  const groups = gather(alike, (group) =>
    group.length === 1 ? [group] : grouped(group, (part) => part.machining.map(operationLikeness).join(';')),
  );
  return groups.map((group, at) => ({
    letter: partLetter(at),
    part: group[0] as Part,
    keys: group.map((part) => part.key),
    quantity: group.length,
  }));
}

/** Gathers what has the same key, in the order in which it is met. */
function grouped(parts: readonly Part[], keyOf: (part: Part) => string): Part[][] {
  const groups = new Map<string, Part[]>();
  for (const part of parts) {
    const key = keyOf(part);
    const group = groups.get(key);
    if (group) group.push(part);
    else groups.set(key, [part]);
  }
  return [...groups.values()];
}

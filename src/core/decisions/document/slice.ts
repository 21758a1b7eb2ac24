import * as z from 'zod/mini';
import { type FieldSays, saying } from '../fields.js';
import { type FillForm, type MoreFields, type OwnPath, ownPath, pathIn } from '../job/index.js';
import type { Migration } from './data.js';

/** What a kind adds to the document of a job beside its settings and its library. */
export interface Slice {
  /** What an opening or a room may be by it. */
  readonly fills?: readonly FillForm[];
  /** What it adds to fills of others, by their kinds. */
  readonly onFills?: MoreFields;
  /** Lists of things that cabinets have by it. */
  readonly lists?: readonly ListOfCabinet<{ readonly id: string }>[];
  /** What it does to bring its part of a document of version n to version n + 1. */
  readonly migrations?: Readonly<Record<number, Migration>>;
}

/** A list of things a cabinet has, each known by its id; where there are none it is left out. */
export interface ListOfCabinet<E extends { readonly id: string }> {
  readonly field: string;
  readonly schema: z.ZodMiniType<E[] | undefined>;
  /** What a cabinet has of them. */
  of(cabinet: object): readonly E[];
  /** Where they are listed, one of them, and a field of it. */
  readonly path: OwnPath;
  entry(id: string): OwnPath;
  at(id: string, field: keyof E & string): OwnPath;
}

/** Declares a list of things a cabinet has. */
export function listOfCabinet<E extends { readonly id: string }>(
  field: string,
  entry: z.ZodMiniType<E>,
  { most, ...says }: FieldSays & Required<Pick<FieldSays, 'one' | 'word' | 'since'>> & { readonly most: number },
): ListOfCabinet<E> {
  const path = ownPath(field);
  const one = (id: string) => pathIn(path, id);
  return {
    field,
    schema: z.optional(saying(z.array(entry).check(z.maxLength(most)), says)),
    of: (cabinet) => ((cabinet as Readonly<Record<string, unknown>>)[field] as readonly E[] | undefined) ?? [],
    path,
    entry: one,
    at: (id, name) => pathIn(one(id), name),
  };
}

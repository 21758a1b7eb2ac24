import * as z from 'zod/mini';
import type { NamedProfile } from './kind.js';
import { kinds } from './kinds.js';

type KindOf = (typeof kinds)[number];
type ProfileOf<K> = K extends { readonly library?: infer L }
  ? NonNullable<L> extends { readonly schema: z.ZodMiniType<infer P> }
    ? P
    : never
  : never;
type WithLibrary<K> = K extends { readonly id: infer Id extends string }
  ? [ProfileOf<K>] extends [never]
    ? never
    : Id
  : never;
/** The hardware library of a job: the profiles of every kind that has some. */
export type Hardware = { [Id in WithLibrary<KindOf>]: ProfileOf<Extract<KindOf, { readonly id: Id }>>[] };

/** At most this many profiles of a kind. */
const MOST_PROFILES = 200;

/** A library as the registry knows it. */
export interface KindLibrary {
  readonly id: keyof Hardware;
  readonly label: string;
  readonly one: string;
  readonly since: number;
  readonly younger?: Readonly<Record<string, number>>;
  readonly schema: z.ZodMiniType<NamedProfile>;
  readonly catalogue: readonly NamedProfile[];
  readonly columns: readonly {
    readonly title: string;
    readonly numeric?: true;
    show(profile: NamedProfile): string | readonly [string, string];
  }[];
  readonly sort?: (profile: NamedProfile) => string;
}

/** Every kind that has profiles to choose from, in the order in which the library shows them. */
export const libraries: readonly KindLibrary[] = kinds.flatMap((kind) =>
  'library' in kind && kind.library
    ? [{ id: kind.id, label: kind.label, ...kind.library } as unknown as KindLibrary]
    : [],
);

export const hardwareSchema = z
  .strictObject(
    Object.fromEntries(libraries.map(({ id, schema }) => [id, z.array(schema).check(z.maxLength(MOST_PROFILES))])),
  )
  .check(
    z.superRefine((library, context) => {
      for (const { id: kind } of libraries) {
        const seen = new Set<string>();
        (library[kind] ?? []).forEach(({ id }, at) => {
          if (seen.has(id))
            context.addIssue({ code: 'custom', path: [kind, at, 'id'], message: `the id "${id}" is used twice` });
          seen.add(id);
        });
      }
    }),
  ) as unknown as z.ZodMiniType<Hardware>;

/** What a new job starts with: the simulated catalogue of every kind. */
export function startingHardware(): Hardware {
  return structuredClone(Object.fromEntries(libraries.map(({ id, catalogue }) => [id, [...catalogue]]))) as Hardware;
}

/** Kinds younger than a document get their catalogue as it is read, the others what their catalogues have won since. */
export function withYoungerKinds(library: Record<string, unknown>, version: number): Record<string, unknown> {
  const younger = libraries.filter(({ id, since }) => since > version && library[id] === undefined);
  const grown = libraries.flatMap(({ id, catalogue, younger: since = {} }) => {
    const known = library[id];
    if (!Array.isArray(known)) return [];
    const has = new Set(known.map((profile: { id?: unknown }) => profile?.id));
    const won = catalogue.filter((profile) => (since[profile.id] ?? 0) > version && !has.has(profile.id));
    return won.length > 0 && known.length + won.length <= MOST_PROFILES
      ? [[id, [...known, ...structuredClone(won)]]]
      : [];
  });
  return {
    ...library,
    ...Object.fromEntries(grown),
    ...Object.fromEntries(younger.map(({ id, catalogue }) => [id, structuredClone([...catalogue])])),
  };
}

/** A hardware library as a file of its own. */
export const HARDWARE_FORMAT = 'alcove-hardware';
export const HARDWARE_VERSION = 1;

/** Two libraries as one: what the second has under an id replaces what the first has; the rest is added at the end. */
export function mergeHardware(first: Hardware, second: Hardware): Hardware {
  const merge = <T extends { id: string }>(before: readonly T[], after: readonly T[]): T[] => {
    const changed = new Map(after.map((profile) => [profile.id, profile]));
    const known = new Set(before.map(({ id }) => id));
    return [
      ...before.map((profile) => changed.get(profile.id) ?? profile),
      ...after.filter(({ id }) => !known.has(id)),
    ];
  };
  return Object.fromEntries(
    libraries.map(({ id }) => [id, merge<{ id: string }>(first[id] ?? [], second[id] ?? [])]),
  ) as Hardware;
}

import * as z from 'zod/mini';
import { saying } from '../fields.js';

/** What came of proving it on scrap. */
export type TrialOutcome = 'proven' | 'corrected' | 'unfit';

/** What every profile of a piece of hardware says of itself. */
export interface NamedProfile {
  readonly id: string;
  readonly maker: string;
  readonly name: string;
  readonly stock: boolean;
  /** Where the figures come from. */
  readonly note: string;
  /** What a test piece taught this shop. */
  readonly trial?: { readonly outcome: TrialOutcome; readonly taught: string } | undefined;
}

/** What the document knows of a kind that has profiles to choose from. */
export interface HardwareKind {
  readonly id: string;
  /** What one of them is called: "hinge". */
  readonly one: string;
  readonly schema: z.ZodMiniType<NamedProfile>;
  /** A small simulated choice of invented makers, to work with until a shop has entered its own. */
  readonly catalogue: readonly NamedProfile[];
  /** First version of the job document that has it; older jobs are given the catalogue. */
  readonly since: number;
  /** Profiles of the catalogue that came later, by the version that brought them; older jobs are given them. */
  readonly younger?: Readonly<Record<string, number>>;
}

/** The hardware library of a job: the profiles of every kind that has some, by its id. */
export type Hardware = { [kind: string]: NamedProfile[] };

/** At most this many profiles of a kind. */
const MOST_PROFILES = 200;

/** A library of those kinds, each with its own profiles. */
export function hardwareSchemaOf(kinds: readonly HardwareKind[]): z.ZodMiniType<Hardware> {
  return z
    .strictObject(
      Object.fromEntries(
        kinds.map(({ id, schema, one, since }) => [
          id,
          saying(z.array(schema).check(z.maxLength(MOST_PROFILES)), { one, since }),
        ]),
      ),
    )
    .check(
      z.superRefine((library, context) => {
        for (const { id: kind } of kinds) {
          const seen = new Set<string>();
          (library[kind] ?? []).forEach(({ id }, at) => {
            if (seen.has(id))
              context.addIssue({ code: 'custom', path: [kind, at, 'id'], message: `the id "${id}" is used twice` });
            seen.add(id);
          });
        }
      }),
    ) as unknown as z.ZodMiniType<Hardware>;
}

/** What a new job starts with: the simulated catalogue of every kind. */
export function startingHardware(kinds: readonly HardwareKind[]): Hardware {
  return structuredClone(Object.fromEntries(kinds.map(({ id, catalogue }) => [id, [...catalogue]])));
}

/** Kinds younger than a document get their catalogue as it is read, the others what their catalogues have won since. */
export function withYoungerKinds(
  kinds: readonly HardwareKind[],
  library: Record<string, unknown>,
  version: number,
): Record<string, unknown> {
  const younger = kinds.filter(({ id, since }) => since > version && library[id] === undefined);
  const grown = kinds.flatMap(({ id, catalogue, younger: since = {} }) => {
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
  const merge = (before: readonly NamedProfile[], after: readonly NamedProfile[]): NamedProfile[] => {
    const changed = new Map(after.map((profile) => [profile.id, profile]));
    const known = new Set(before.map(({ id }) => id));
    return [
      ...before.map((profile) => changed.get(profile.id) ?? profile),
      ...after.filter(({ id }) => !known.has(id)),
    ];
  };
  const kinds = [...new Set([...Object.keys(first), ...Object.keys(second)])];
  return Object.fromEntries(kinds.map((id) => [id, merge(first[id] ?? [], second[id] ?? [])]));
}

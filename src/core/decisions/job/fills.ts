import type * as z from 'zod/mini';
import { type AnyPath, pathIn } from './editPath.js';
import type { KindFill } from './openings.js';

/**
 * What an opening may be, and what a room behind one may be for. The construction declares doors, open bays and shelves;
 * kinds of fitted things declare theirs the same way, each in its own folder.
 */

/** How a front closes its opening: what it is made and grained like, and which way it goes. */
export interface FrontAsked {
  readonly like: 'door' | 'drawer';
  readonly opens: 'aside' | 'up' | 'out' | 'not';
}

/** One line of a menu. */
export interface FillChoice {
  /** "Door, hinged left", "a hanging rail" */
  readonly label: string;
  /** Its letter in the menu of an opening. */
  readonly letter?: string;
  readonly begins: KindFill;
}

/** What a fill says of itself, as plain data. */
export interface FillSays {
  /** What it is called in the document. */
  readonly kind: string;
  /** What it is called in a sentence, and numbered by among its like: "bin front". */
  readonly called: string;
  /** How far up the list it stands where it is chosen. */
  readonly rank: number;
  /** What it is chosen by; several where it begins in several ways. */
  readonly choices: readonly FillChoice[];
  /** What closes the opening; absent for an open bay, and for a room. */
  readonly front?: FrontAsked;
  /** True for an opening with a room of its own behind. */
  readonly room?: true;
  /** For a room: what the menu of openings offers an open bay with it in by. */
  readonly inBay?: { readonly label: string; readonly letter: string };
  /** A number of things in it that is decided where it is chosen: "how many shelves". */
  readonly counts?: { readonly field: string; readonly label: string };
}

type Shape = Readonly<Record<string, z.ZodMiniType>>;
type MayMiss<S extends Shape> = { [K in keyof S]: undefined extends z.infer<S[K]> ? K : never }[keyof S];
/** A fill as it stands in the document. */
export type FillWith<K extends string, S extends Shape> = { kind: K } & {
  -readonly [F in Exclude<keyof S, MayMiss<S>>]: z.infer<S[F]>;
} & { -readonly [F in MayMiss<S>]?: z.infer<S[F]> };

/** A fill as it is declared: where it may stand, what it says of itself, and its fields. */
export interface FillForm<K extends string = string, S extends Shape = Shape> {
  readonly of: 'opening' | 'room';
  readonly says: FillSays;
  readonly shape: S;
  /** True for a fill of this kind. */
  is(fill: { readonly kind: string } | undefined): fill is FillWith<K, S>;
  /** Where one of its fields is decided, from where the fill is. */
  at<P extends AnyPath>(fill: P, field: keyof S & string): P;
}

/** Declares what an opening may be, or what a room may be for. */
export function fillForm<const K extends string, const S extends Shape>(
  of: FillForm['of'],
  says: FillSays & { readonly kind: K },
  shape: S,
): FillForm<K, S> {
  return {
    of,
    says,
    shape,
    is: (fill): fill is FillWith<K, S> => fill?.kind === says.kind,
    at: (fill, field) => pathIn(fill, field),
  };
}

/** What every fill says of itself, by its kind: those of openings, and those of rooms. */
export interface FillBook {
  readonly opening: Readonly<Record<string, FillSays>>;
  readonly room: Readonly<Record<string, FillSays>>;
}

/** What fills say of themselves, in the order in which they are chosen. */
export function bookOf(fills: readonly FillForm[]): FillBook {
  const ranked = fills.toSorted((a, b) => a.says.rank - b.says.rank);
  const of = (where: FillForm['of']) =>
    Object.fromEntries(ranked.flatMap((form) => (form.of === where ? [[form.says.kind, form.says]] : [])));
  return { opening: of('opening'), room: of('room') };
}

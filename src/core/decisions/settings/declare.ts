import * as z from 'zod/mini';
import type { LengthUnit } from '../../ground/index.js';
import { between, countField, saying } from '../fields.js';

/**
 * A setting is declared once, where it belongs, with all that anybody asks of it: its words, its limits, what it is in
 * either starting set, when it matters, and since which version of the job document it is there. The schema, the
 * starting house, the decisions on the bench, the documentation and the type of its path all follow.
 */
export interface Declared<T> {
  readonly schema: z.ZodMiniType<T>;
  readonly label: string;
  /** How it is measured: a length, an angle, a number, or a word. */
  readonly measure: 'mm' | 'degrees' | 'count' | 'plain' | 'choice';
  readonly limits?: { readonly min: number; readonly max: number };
  readonly options?: Readonly<Record<string, string>>;
  /** One line on what the choice costs or gains. */
  readonly trade?: string;
  readonly defaults: Readonly<Record<HouseSet, T>>;
  /** The kind of hardware whose profiles it names. */
  readonly from?: string;
  /** Absent for what always matters. */
  readonly when?: Matters;
  /** Where it is decided, when that is not the row it would have in its section. */
  readonly place?: string;
  /** First version of the document that has it. */
  readonly since: number;
  /** What documents from before did; the starting value when left out. */
  readonly before?: T;
}

/** The two starting sets a shop may begin from. */
export type HouseSet = 'metric' | 'inch';

export function houseSetFor(unit: LengthUnit): HouseSet {
  return unit === 'in' ? 'inch' : 'metric';
}

/** A word, one of several, or any but one. */
type Wanted = string | readonly string[] | { readonly not: string };
/** All of these, by the path of the choice. */
export type Conditions = Readonly<Record<string, Wanted>>;
/** Several conditions stand for any one of them. */
export type Matters = Conditions | readonly Conditions[];

export function not(word: string): { readonly not: string } {
  return { not: word };
}

/** True when a setting matters, given the words chosen elsewhere. */
export function matters(when: Matters | undefined, is: (path: string) => string): boolean {
  if (when === undefined) return true;
  const anyOf = Array.isArray(when) ? (when as readonly Conditions[]) : [when as Conditions];
  return anyOf.some((conditions) => Object.entries(conditions).every(([path, wanted]) => holds(wanted, is(path))));
}

function holds(wanted: Wanted, word: string): boolean {
  if (typeof wanted === 'string') return word === wanted;
  return 'not' in wanted ? word !== wanted.not : wanted.includes(word);
}

interface Common<T> {
  readonly metric: T;
  /** Where it differs from the metric set. */
  readonly inch?: T;
  readonly trade?: string;
  readonly when?: Matters;
  readonly place?: string;
  readonly since?: number;
  readonly before?: T;
}
interface Limits {
  readonly min?: number;
  readonly max?: number;
}

/** Every setting of the first three versions of the document. */
const FIRST = 1;

function declared<T>(
  schema: z.ZodMiniType<T>,
  label: string,
  measure: Declared<T>['measure'],
  { metric, inch, trade, when, place, since = FIRST, before }: Common<T>,
  more: Pick<Declared<T>, 'limits' | 'options' | 'from'> = {},
): Declared<T> {
  return {
    schema: saying(schema, { word: label, since, ...(measure === 'mm' ? { measure } : {}) }),
    label,
    measure,
    defaults: { metric, inch: inch ?? metric },
    since,
    ...more,
    ...(trade === undefined ? {} : { trade }),
    ...(when === undefined ? {} : { when }),
    ...(place === undefined ? {} : { place }),
    ...(before === undefined ? {} : { before }),
  };
}

/** A length in mm; between 0 and 5 metres unless it says otherwise. */
export function length(label: string, { min = 0, max = 5000, ...common }: Common<number> & Limits): Declared<number> {
  return declared(between(min, max), label, 'mm', common, { limits: { min, max } });
}

/** A whole number of things. */
export function count(label: string, { min, max, ...common }: Common<number> & Required<Limits>): Declared<number> {
  return declared(countField(min, max), label, 'count', common, { limits: { min, max } });
}

/** A plain number: a share, a coefficient, a percentage. */
export function share(label: string, { min, max, ...common }: Common<number> & Required<Limits>): Declared<number> {
  return declared(between(min, max), label, 'plain', common, { limits: { min, max } });
}

export function degrees(label: string, { min, max, ...common }: Common<number> & Required<Limits>): Declared<number> {
  return declared(between(min, max), label, 'degrees', common, { limits: { min, max } });
}

/** One word out of several; `options` maps each word to how it reads. */
export function choice<const T extends Readonly<Record<string, string>>>(
  label: string,
  options: T,
  common: Common<keyof T & string>,
): Declared<keyof T & string> {
  const words = Object.keys(options) as [keyof T & string, ...(keyof T & string)[]];
  return declared(z.enum(words) as unknown as z.ZodMiniType<keyof T & string>, label, 'choice', common, { options });
}

/** A short text that names something, such as a material id. */
export function name(
  label: string,
  { from, ...common }: Common<string> & { readonly from?: string },
): Declared<string> {
  return declared(
    z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
    label,
    'choice',
    common,
    from ? { from } : {},
  );
}

/** Settings by name, in groups of any depth. */
export interface SettingTree {
  readonly [key: string]: Declared<never> | Declared<number> | Declared<string> | SettingTree;
}

/** Settings that are decided together, in working order. */
export interface Section<T> {
  readonly title: string;
  /** True where they are decided at a place of their own on the bench, not in a fold. */
  readonly elsewhere: boolean;
  readonly settings: T;
}

export function section<const T>(title: string, settings: T, { elsewhere = false } = {}): Section<T> {
  return { title, settings, elsewhere };
}

/** The values of a tree of declarations. */
export type ValuesOf<T> = T extends Declared<infer V> ? V : { -readonly [K in keyof T]: ValuesOf<T[K]> };
export type DeepPartial<T> = T extends object ? { [K in keyof T]?: DeepPartial<T[K]> } : T;
/** The paths of a tree of declarations: `toe/height`. */
export type PathsOf<T> = {
  [K in keyof T & string]: T[K] extends Declared<infer _> ? K : `${K}/${PathsOf<T[K]>}`;
}[keyof T & string];

/** What each of several types says, all of it together; nothing where there is none of them. */
export type AllOf<U> = [U] extends [never]
  ? unknown
  : (U extends unknown ? (entry: U) => void : never) extends (entry: infer I) => void
    ? I
    : never;

export function isDeclared(entry: unknown): entry is Declared<unknown> {
  return typeof entry === 'object' && entry !== null && 'schema' in entry && 'defaults' in entry;
}

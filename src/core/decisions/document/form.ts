import * as z from 'zod/mini';
import { bookOf, type FillBook, ownFills, splitSchemaOf } from '../job/index.js';
import {
  type Declarations,
  declarationsOf,
  type JointWords,
  type Section,
  type SettingTree,
} from '../settings/index.js';
import type { Migration } from './data.js';
import { type Hardware, type HardwareKind, hardwareSchemaOf } from './hardware.js';
import { migrations } from './migrations/index.js';
import { type Cabinet, type Job, type JobHead, schemasOf } from './schemas.js';
import type { Slice } from './slice.js';
import { refuseTogether } from './together.js';

/** What joints and kinds of fitted things declare of the document: it is handed them, and knows none by name. */
export interface Registry {
  /** How the parts of a case may be joined. */
  readonly joints: readonly JointWords[];
  /** The settings of kinds, in working order. */
  readonly sections: readonly Section<SettingTree>[];
  /** Those that have profiles to choose from. */
  readonly hardware: readonly HardwareKind[];
  /** What else they add to the document. */
  readonly slices: readonly Slice[];
}

/** The form of a job document, of the construction and of all that kinds declare. */
export interface Form {
  readonly declared: Declarations;
  readonly kinds: readonly HardwareKind[];
  /** What openings and rooms may be. */
  readonly fills: FillBook;
  readonly version: number;
  /** Those of the document, and of each kind its own. */
  readonly migrations: readonly Readonly<Record<number, Migration>>[];
  readonly hardware: z.ZodMiniType<Hardware>;
  readonly cabinet: z.ZodMiniType<Cabinet>;
  readonly head: z.ZodMiniType<JobHead>;
  readonly job: z.ZodMiniType<Job>;
  /**
   * Of a job that was good before: looks at some fields of its head only, at the cabinets that are given, and at what has
   * to be true of all of it together.
   */
  jobOf(fields: ReadonlySet<string>): z.ZodMiniType<Job>;
}

/** A window asks for the same few fields again and again: so many schemas are kept. */
const MOST_SCHEMAS = 64;

/** The form of the document, made once from what there is to declare. */
export function formOf({ joints, sections, hardware: kinds, slices }: Registry): Form {
  const declared = declarationsOf(sections, joints);
  const all = [...ownFills, ...slices.flatMap(({ fills = [] }) => fills)];
  const face = splitSchemaOf(
    all,
    slices.map(({ onFills = {} }) => onFills),
  );
  const steps = [migrations, ...slices.map((slice) => slice.migrations ?? {})];
  const lists = slices.flatMap((slice) => slice.lists ?? []);
  const hardware = hardwareSchemaOf(kinds);
  const { version, cabinet, head, cabinets } = schemasOf(declared, hardware, face, lists);
  const job = z.extend(head, { cabinets }).check(z.superRefine(refuseTogether));
  const bySomeFields = new Map<string, z.ZodMiniType<Job>>();
  const jobOf = (fields: ReadonlySet<string>) => {
    const all = Object.entries(head.shape as Readonly<Record<string, z.ZodMiniType>>);
    const names = all.map(([name]) => name).filter((name) => fields.has(name));
    const known = bySomeFields.get(names.join());
    if (known) return known;
    const shape = Object.fromEntries(
      all.map(([name, field]) => [name, fields.has(name) ? field : z.optional(z.any())]),
    ) as typeof head.shape;
    const schema = z.strictObject({ ...shape, cabinets }).check(z.superRefine(refuseTogether));
    if (bySomeFields.size >= MOST_SCHEMAS) bySomeFields.clear();
    bySomeFields.set(names.join(), schema);
    return schema;
  };
  return { declared, kinds, fills: bookOf(all), migrations: steps, version, hardware, cabinet, head, job, jobOf };
}

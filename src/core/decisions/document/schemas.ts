import * as z from 'zod/mini';
import { idField, lengthField, nameField, wordField } from '../fields.js';
import {
  decidedPartSchema,
  layoutSchema,
  materialSchema,
  splitSchema,
  standingSchema,
  stockSchema,
  workshopSchema,
} from '../job/index.js';
import { type Declarations, SCHOOL_IDS, type SchoolId } from '../settings/index.js';
import type { Hardware } from './hardware.js';

export const JOB_FORMAT = 'alcove-job';
/** The first version whose files may be written by hand, leaving out what a new job starts with. */
export const FIRST_BY_HAND = 4;
/** The first version in which what is behind a front is a division of its own. */
const FIRST_WITH_ROOMS = 11;
/** The first version in which a single part can be decided. */
const FIRST_WITH_PARTS = 12;
/** The first version with the shop's way of cutting, its stock, and the layouts that were accepted. */
const FIRST_WITH_STOCK = 14;
/** The first version in which the runners of a single drawer can be raised. */
const FIRST_WITH_RAISED = 15;
/** The versions in which the document itself grew; settings and kinds of hardware say since when they are there. */
export const DOCUMENT_GREW = [
  FIRST_BY_HAND,
  FIRST_WITH_ROOMS,
  FIRST_WITH_PARTS,
  FIRST_WITH_STOCK,
  FIRST_WITH_RAISED,
] as const;

/** A cabinet has no more of these; what has is no cabinet, and would hold everybody up while it is figured. */
export const MOST = { cabinets: 1000, openings: 100, rooms: 200, shelves: 400, parts: 400 } as const;

const heightSchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('overall'), mm: lengthField({ min: 50, max: 4000 }) }),
  z.strictObject({
    from: z.literal('worktop'),
    finished: lengthField({ min: 100, max: 4000 }),
  }),
]);
export type HeightDecision = z.infer<typeof heightSchema>;

export const cabinetKinds = { base: 'Base cabinet', wall: 'Wall cabinet', tall: 'Tall cabinet' } as const;
export type CabinetKind = keyof typeof cabinetKinds;

const zoneSchema = z.strictObject({
  id: idField,
  name: nameField(),
  left: lengthField({ min: -2000, max: 6000 }),
  up: lengthField({ min: -1000, max: 4000 }),
  behind: lengthField({ min: -500, max: 2000 }),
  width: lengthField({ min: 1, max: 6000 }),
  height: lengthField({ min: 1, max: 4000 }),
  depth: lengthField({ min: 1, max: 2000 }),
});

const startSchema = z.strictObject({
  width: lengthField({ min: 50, max: 6000 }),
  height: lengthField({ min: 50, max: 4000 }),
  depth: lengthField({ min: 50, max: 2000 }),
});

export const displaySchema = z.strictObject({
  unit: z.enum(['mm', 'in']),
  mmStep: z.union([z.literal(0.1), z.literal(0.5), z.literal(1)]),
  graduation: z.union([z.literal(2), z.literal(4), z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
});
export type Display = z.infer<typeof displaySchema>;

/** What a document may hold, given its version, the settings there are and the kinds of hardware. */
export function schemasOf(version: number, { settings, overrides }: Declarations, hardware: z.ZodMiniType<Hardware>) {
  const kindLayers = { base: overrides, wall: overrides, tall: overrides };
  const cabinet = z.strictObject({
    id: idField,
    number: z.string().check(z.trim(), z.minLength(1), z.maxLength(12)),
    name: nameField(),
    kind: wordField(cabinetKinds),
    size: z.strictObject({
      width: lengthField({ min: 50, max: 6000 }),
      height: heightSchema,
      depth: lengthField({ min: 50, max: 2000 }),
    }),
    /** The cabinet whose right end stands against this one's left end. */
    leftNeighbour: z.nullable(idField),
    settings: overrides,
    face: splitSchema,
    /** Room that something else needs, from the left face, the underside and the front edge of the box. */
    zones: z.optional(z.array(zoneSchema).check(z.maxLength(20))),
    /** What is decided of single parts. */
    parts: z.optional(z.array(decidedPartSchema).check(z.maxLength(MOST.parts))),
  });
  const house = z.strictObject({
    name: nameField(),
    all: settings,
    ...kindLayers,
    /** What choosing a construction school brings with it. */
    schools: z.strictObject(
      Object.fromEntries(SCHOOL_IDS.map((id) => [id, overrides])) as Record<SchoolId, typeof overrides>,
    ),
    starts: z.strictObject({ base: startSchema, wall: startSchema, tall: startSchema }),
  });
  /** The job without its cabinets. */
  const head = z.strictObject({
    format: z.literal(JOB_FORMAT),
    version: z.literal(version),
    name: nameField(120),
    note: z.string().check(z.maxLength(4000)),
    display: displaySchema,
    /** The shop's standards as they were when the job was begun: the job stands alone. */
    house: house,
    /** What this job does otherwise. */
    standards: z.strictObject({ all: overrides, ...kindLayers }),
    room: z.strictObject({
      ceiling: z.nullable(lengthField({ min: 1000, max: 10000 })),
      doorway: z.nullable(lengthField({ min: 500, max: 10000 })),
    }),
    materials: z.array(materialSchema).check(z.minLength(1), z.maxLength(60)),
    /** The hardware library of the job. */
    hardware: hardware,
    /** Trays for cabinets that stand already. */
    standing: z.optional(z.array(standingSchema).check(z.maxLength(100))),
    /** How the shop cuts, and what its work costs. */
    workshop: workshopSchema,
    /** Sheets, offcuts, boards and bands on hand and to order. */
    stock: stockSchema,
    /** The layouts of sheets the maker accepted, one for a material. */
    layouts: z.optional(z.array(layoutSchema).check(z.maxLength(60))),
  });
  return { cabinet, head, cabinets: z.array(cabinet).check(z.maxLength(MOST.cabinets)) };
}
type Schemas = ReturnType<typeof schemasOf>;

export type Cabinet = z.infer<Schemas['cabinet']>;
export type JobHead = z.infer<Schemas['head']>;
export type House = JobHead['house'];
export type Job = JobHead & { cabinets: Cabinet[] };

import * as z from 'zod/mini';
import { idField, lengthField, nameField, saying, wordField } from '../fields.js';
import {
  decidedPartSchema,
  layoutSchema,
  materialSchema,
  type Split,
  standingSchema,
  stockSchema,
  workshopSchema,
} from '../job/index.js';
import { type Declarations, SCHOOL_IDS, type SchoolId } from '../settings/index.js';
import { youngestIn } from '../trail.js';
import type { Hardware } from './hardware.js';

export const JOB_FORMAT = 'alcove-job';
/** The first version whose files may be written by hand, leaving out what a new job starts with. */
export const FIRST_BY_HAND = 4;
/** A cabinet has no more of these; what has is no cabinet, and would hold everybody up while it is figured. */
export const MOST = { cabinets: 1000, openings: 100, rooms: 200, shelves: 400, parts: 400 } as const;

const heightSchema = z.discriminatedUnion('from', [
  z.strictObject({
    from: saying(z.literal('overall'), { word: 'measured from' }),
    mm: saying(lengthField({ min: 50, max: 4000 }), { word: 'size' }),
  }),
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
  mmStep: saying(z.union([z.literal(0.1), z.literal(0.5), z.literal(1)]), { word: 'printed to' }),
  graduation: z.union([z.literal(2), z.literal(4), z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
});
export type Display = z.infer<typeof displaySchema>;

/** What a document may hold, given the settings there are and the kinds of hardware; of the version that has all of it. */
export function schemasOf(
  { settings, overrides }: Declarations,
  hardware: z.ZodMiniType<Hardware>,
  face: z.ZodMiniType<Split>,
  lists: readonly { readonly field: string; readonly schema: z.ZodMiniType }[],
) {
  const kindLayers = { base: overrides, wall: overrides, tall: overrides };
  const cabinet = z.strictObject({
    id: idField,
    number: z.string().check(z.trim(), z.minLength(1), z.maxLength(12)),
    name: nameField(),
    kind: wordField(cabinetKinds),
    size: saying(
      z.strictObject({
        width: lengthField({ min: 50, max: 6000 }),
        height: heightSchema,
        depth: lengthField({ min: 50, max: 2000 }),
      }),
      { passed: true },
    ),
    /** The cabinet whose right end stands against this one's left end. */
    leftNeighbour: saying(z.nullable(idField), { word: 'stands to the right of' }),
    settings: overrides,
    face: saying(z.clone(face), { word: 'front', passed: true }),
    /** Room that something else needs, from the left face, the underside and the front edge of the box. */
    zones: z.optional(
      saying(z.array(zoneSchema).check(z.maxLength(20)), { word: 'keep-out boxes', one: 'keep-out box' }),
    ),
    /** What is decided of single parts. */
    parts: z.optional(
      saying(z.array(decidedPartSchema).check(z.maxLength(MOST.parts)), { one: 'part', goesBy: 'part', since: 12 }),
    ),
    ...(Object.fromEntries(lists.map(({ field, schema }) => [field, schema])) as object),
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
  const cabinets = saying(z.array(cabinet).check(z.maxLength(MOST.cabinets)), { one: 'cabinet' });
  const ofHead = {
    name: nameField(120),
    note: z.string().check(z.maxLength(4000)),
    display: saying(displaySchema, { word: 'lengths shown' }),
    /** The shop's standards as they were when the job was begun: the job stands alone. */
    house: saying(house, { word: 'house standards' }),
    /** What this job does otherwise. */
    standards: saying(z.strictObject({ all: overrides, ...kindLayers }), { passed: true }),
    room: z.strictObject({
      ceiling: z.nullable(lengthField({ min: 1000, max: 10000 })),
      doorway: z.nullable(lengthField({ min: 500, max: 10000 })),
    }),
    materials: saying(z.array(materialSchema).check(z.minLength(1), z.maxLength(60)), { one: 'material' }),
    /** The hardware library of the job. */
    hardware: hardware,
    /** Trays for cabinets that stand already. */
    standing: z.optional(
      saying(z.array(standingSchema).check(z.maxLength(100)), {
        word: 'standing cabinets',
        one: 'standing cabinet',
      }),
    ),
    /** How the shop cuts, and what its work costs. */
    workshop: saying(workshopSchema, { since: 14 }),
    /** Sheets, offcuts, boards and bands on hand and to order. */
    stock: stockSchema,
    /** The layouts of sheets the maker accepted, one for a material. */
    layouts: z.optional(
      saying(z.array(layoutSchema).check(z.maxLength(60)), { word: 'accepted layouts', one: 'layout of' }),
    ),
  };
  const version = Math.max(FIRST_BY_HAND, ...[...Object.values(ofHead), cabinet].map((each) => youngestIn(each)));
  /** The job without its cabinets. */
  const head = z.strictObject({ format: z.literal(JOB_FORMAT), version: z.literal(version), ...ofHead });
  return { version, cabinet, head, cabinets };
}
type Schemas = ReturnType<typeof schemasOf>;

export type Cabinet = z.infer<Schemas['cabinet']>;
/** All that is decided of a cabinet but what it goes by and where it stands: cabinets alike in it are figured once. */
export type Design = Omit<Cabinet, 'id' | 'number' | 'name' | 'leftNeighbour'>;
export type JobHead = z.infer<Schemas['head']>;
export type House = JobHead['house'];
export type Job = JobHead & { cabinets: Cabinet[] };

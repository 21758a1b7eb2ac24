import * as z from 'zod/mini';
import { hardwareSchema, libraries } from '../fitted/index.js';
import {
  decidedPartSchema,
  depthOf,
  idField,
  interiorOf,
  isDivided,
  layoutSchema,
  lengthField,
  materialSchema,
  memberIds,
  nameField,
  openingsOf,
  roomsOf,
  SCHOOL_IDS,
  type SchoolId,
  splitSchema,
  standingSchema,
  stockSchema,
  wordField,
  workshopSchema,
} from '../job/index.js';
import { overridesSchema, settingLeaves, settingsSchema } from './settings.js';

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
export const JOB_VERSION = Math.max(
  FIRST_BY_HAND,
  FIRST_WITH_ROOMS,
  FIRST_WITH_PARTS,
  FIRST_WITH_STOCK,
  FIRST_WITH_RAISED,
  ...settingLeaves.map(({ since }) => since),
  ...libraries.map(({ since }) => since),
);

/** Splits nest no deeper than this. */
const DEEPEST_SPLIT = 8;

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

export const cabinetSchema = z.strictObject({
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
  settings: overridesSchema,
  face: splitSchema,
  /** Room that something else needs, from the left face, the underside and the front edge of the box. */
  zones: z.optional(z.array(zoneSchema).check(z.maxLength(20))),
  /** What is decided of single parts. */
  parts: z.optional(z.array(decidedPartSchema).check(z.maxLength(MOST.parts))),
});
export type Cabinet = z.infer<typeof cabinetSchema>;

const startSchema = z.strictObject({
  width: lengthField({ min: 50, max: 6000 }),
  height: lengthField({ min: 50, max: 4000 }),
  depth: lengthField({ min: 50, max: 2000 }),
});

const kindLayers = { base: overridesSchema, wall: overridesSchema, tall: overridesSchema };
const KINDS = ['base', 'wall', 'tall'] as const;

export const houseSchema = z.strictObject({
  name: nameField(),
  all: settingsSchema,
  ...kindLayers,
  /** What choosing a construction school brings with it. */
  schools: z.strictObject(
    Object.fromEntries(SCHOOL_IDS.map((id) => [id, overridesSchema])) as Record<SchoolId, typeof overridesSchema>,
  ),
  starts: z.strictObject({ base: startSchema, wall: startSchema, tall: startSchema }),
});
export type House = z.infer<typeof houseSchema>;

export const displaySchema = z.strictObject({
  unit: z.enum(['mm', 'in']),
  mmStep: z.union([z.literal(0.1), z.literal(0.5), z.literal(1)]),
  graduation: z.union([z.literal(2), z.literal(4), z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
});
export type Display = z.infer<typeof displaySchema>;

/** The job without its cabinets. */
export const jobHeadSchema = z.strictObject({
  format: z.literal(JOB_FORMAT),
  version: z.literal(JOB_VERSION),
  name: nameField(120),
  note: z.string().check(z.maxLength(4000)),
  display: displaySchema,
  /** The shop's standards as they were when the job was begun: the job stands alone. */
  house: houseSchema,
  /** What this job does otherwise. */
  standards: z.strictObject({ all: overridesSchema, ...kindLayers }),
  room: z.strictObject({
    ceiling: z.nullable(lengthField({ min: 1000, max: 10000 })),
    doorway: z.nullable(lengthField({ min: 500, max: 10000 })),
  }),
  materials: z.array(materialSchema).check(z.minLength(1), z.maxLength(60)),
  /** The hardware library of the job. */
  hardware: hardwareSchema,
  /** Trays for cabinets that stand already. */
  standing: z.optional(z.array(standingSchema).check(z.maxLength(100))),
  /** How the shop cuts, and what its work costs. */
  workshop: workshopSchema,
  /** Sheets, offcuts, boards and bands on hand and to order. */
  stock: stockSchema,
  /** The layouts of sheets the maker accepted, one for a material. */
  layouts: z.optional(z.array(layoutSchema).check(z.maxLength(60))),
});
export type JobHead = z.infer<typeof jobHeadSchema>;

const cabinetsField = z.array(cabinetSchema).check(z.maxLength(MOST.cabinets));
const wholeSchema = z.extend(jobHeadSchema, { cabinets: cabinetsField });

export const jobSchema = wholeSchema.check(z.superRefine(refuseTogether));
export type Job = z.infer<typeof jobSchema>;

/** Schemas that look at some fields of a head, by their names: a window asks for the same few again and again. */
const bySomeFields = new Map<string, z.ZodMiniType<Job>>();
const MOST_SCHEMAS = 64;

/**
 * Of a job that was good before: looks at some fields of its head only, at the cabinets that are given, and at what has to
 * be true of all of it together.
 */
export function jobSchemaOf(fields: ReadonlySet<string>): z.ZodMiniType<Job> {
  const head = Object.entries(jobHeadSchema.shape as Readonly<Record<string, z.ZodMiniType>>);
  const names = head.map(([name]) => name).filter((name) => fields.has(name));
  const known = bySomeFields.get(names.join());
  if (known) return known;
  const shape = Object.fromEntries(
    head.map(([name, field]) => [name, fields.has(name) ? field : z.optional(z.any())]),
  ) as typeof jobHeadSchema.shape;
  const schema = z.strictObject({ ...shape, cabinets: cabinetsField }).check(z.superRefine(refuseTogether));
  if (bySomeFields.size >= MOST_SCHEMAS) bySomeFields.clear();
  bySomeFields.set(names.join(), schema);
  return schema;
}

/** What has to be true of a job together. */
function refuseTogether(job: z.infer<typeof wholeSchema>, context: RefineContext): void {
  refuseRepeats(
    job.cabinets.map((cabinet) => cabinet.id),
    ['cabinets'],
    'cabinet id',
    context,
  );
  refuseRepeats(
    job.materials.map((material) => material.id),
    ['materials'],
    'material id',
    context,
  );
  refuseRepeats(
    (job.standing ?? []).map(({ id }) => id),
    ['standing'],
    'id of a standing cabinet',
    context,
  );
  refuseRepeatedStock(job, context);
  for (const { at, message } of neighbourProblems(job.cabinets))
    context.addIssue({ code: 'custom', path: ['cabinets', at, 'leftNeighbour'], message });
  job.cabinets.forEach((cabinet, at) => {
    refuseRepeats(
      (cabinet.zones ?? []).map((zone) => zone.id),
      ['cabinets', at, 'zones'],
      'keep-out id',
      context,
    );
    refuseRepeatedParts(cabinet, at, context);
    refuseTooMany(cabinet, at, context);
    const path = ['cabinets', at, 'face', 'parts'];
    refuseRepeats(memberIds(cabinet.face), path, 'opening id', context);
    if (depthOf(cabinet.face) > DEEPEST_SPLIT)
      context.addIssue({
        code: 'custom',
        path,
        message: `openings are divided more than ${DEEPEST_SPLIT} times over`,
      });
  });
  refuseUnknownMaterials(job, context);
}

type RefineContext = z.core.$RefinementCtx<unknown>;

function refuseRepeats(ids: readonly string[], path: (string | number)[], what: string, context: RefineContext): void {
  const seen = new Set<string>();
  ids.forEach((id, at) => {
    if (seen.has(id))
      context.addIssue({ code: 'custom', path: [...path, at, 'id'], message: `the ${what} "${id}" is used twice` });
    seen.add(id);
  });
}

/** What is in stock, and each layout with its sheets, goes by an id of its own. */
function refuseRepeatedStock(
  { stock, workshop, layouts = [] }: z.infer<typeof jobHeadSchema>,
  context: RefineContext,
): void {
  const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id);
  for (const list of ['sheets', 'boards', 'bands'] as const)
    refuseRepeats(ids(stock[list]), ['stock', list], 'id in stock', context);
  refuseRepeats(ids(workshop.prices), ['workshop', 'prices'], 'id of a price', context);
  refuseRepeats(ids(layouts), ['layouts'], 'material of a layout', context);
  layouts.forEach(({ sheets, ticks }, at) => {
    refuseRepeats(ids(sheets), ['layouts', at, 'sheets'], 'id of a sheet', context);
    refuseRepeats(ids(ticks), ['layouts', at, 'ticks'], 'tick', context);
  });
}

function refuseTooMany(cabinet: Cabinet, at: number, context: RefineContext): void {
  const message = tooMany(cabinet);
  if (message) context.addIssue({ code: 'custom', path: ['cabinets', at, 'face'], message });
}

/** What of openings, rooms and shelves a cabinet has too many of, in words. */
export function tooMany({ face }: Cabinet): string | undefined {
  const openings = openingsOf(face);
  const interiors = openings.flatMap(({ fill }) => interiorOf(fill) ?? []);
  const rooms = interiors.flatMap((interior) => (isDivided(interior) ? roomsOf(interior) : []));
  const shelves = [...interiors, ...rooms.map(({ fill }) => fill)].reduce(
    (sum, fill) => sum + ('shelves' in fill ? fill.shelves : 0),
    0,
  );
  const counts = { openings: openings.length, rooms: rooms.length, shelves };
  const what = (['openings', 'rooms', 'shelves'] as const).find((each) => counts[each] > MOST[each]);
  return what && `a cabinet has at most ${MOST[what]} ${what}, this one has ${counts[what]}`;
}

/** A part is decided once, under an id of its own. */
function refuseRepeatedParts({ parts = [] }: Cabinet, at: number, context: RefineContext): void {
  const path = ['cabinets', at, 'parts'];
  refuseRepeats(
    parts.map(({ id }) => id),
    path,
    'id of a decided part',
    context,
  );
  const seen = new Set<string>();
  parts.forEach(({ part }, index) => {
    if (seen.has(part))
      context.addIssue({
        code: 'custom',
        path: [...path, index, 'part'],
        message: `the part "${part}" is decided twice`,
      });
    seen.add(part);
  });
}

/** A left neighbour is another cabinet of the job, no two cabinets have the same one, and no row closes on itself. */
export function neighbourProblems(cabinets: readonly Cabinet[]): { at: number; message: string }[] {
  const byId = new Map(cabinets.map((cabinet) => [cabinet.id, cabinet]));
  const taken = new Map<string, Cabinet>();
  return cabinets.flatMap((cabinet, at): { at: number; message: string }[] => {
    const { id, number, leftNeighbour } = cabinet;
    if (leftNeighbour === null) return [];
    const left = byId.get(leftNeighbour);
    if (!left) return [{ at, message: `the job has no cabinet "${leftNeighbour}" to stand beside` }];
    const other = taken.get(leftNeighbour);
    taken.set(leftNeighbour, cabinet);
    if (other) return [{ at, message: `cabinet ${other.number} already stands to the right of ${left.number}` }];
    let next: Cabinet | undefined = left;
    for (let steps = 0; next && next.id !== id && steps < cabinets.length; steps += 1)
      next = next.leftNeighbour === null ? undefined : byId.get(next.leftNeighbour);
    return next?.id === id ? [{ at, message: `cabinet ${number} would stand beside itself` }] : [];
  });
}

/** Every role, in every layer, must name a material the job has. */
function refuseUnknownMaterials(
  job: z.infer<typeof jobHeadSchema> & { cabinets: Cabinet[] },
  context: RefineContext,
): void {
  const known = new Set(job.materials.map((material) => material.id));
  const check = (roles: Partial<Record<string, string>> | undefined, path: (string | number)[]) => {
    for (const [role, id] of Object.entries(roles ?? {})) {
      if (id !== undefined && !known.has(id))
        context.addIssue({
          code: 'custom',
          path: [...path, 'materials', role],
          message: `the job has no material "${id}"`,
        });
    }
  };
  for (const list of ['sheets', 'boards'] as const)
    job.stock[list].forEach(({ material }, at) => {
      if (!known.has(material))
        context.addIssue({
          code: 'custom',
          path: ['stock', list, at, 'material'],
          message: `the job has no material "${material}"`,
        });
    });
  check(job.house.all.materials, ['house', 'all']);
  for (const kind of KINDS) check(job.house[kind].materials, ['house', kind]);
  for (const school of SCHOOL_IDS) check(job.house.schools[school].materials, ['house', 'schools', school]);
  for (const layer of ['all', ...KINDS] as const) check(job.standards[layer].materials, ['standards', layer]);
  job.cabinets.forEach((cabinet, at) => {
    check(cabinet.settings.materials, ['cabinets', at, 'settings']);
    cabinet.parts?.forEach(({ material }, index) => {
      if (material !== undefined && !known.has(material))
        context.addIssue({
          code: 'custom',
          path: ['cabinets', at, 'parts', index, 'material'],
          message: `the job has no material "${material}"`,
        });
    });
  });
}

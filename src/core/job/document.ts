import { z } from 'zod';
import { choiceField, countField, lengthField, nameField, shareField } from './fields.js';
import { hardwareSchema } from './hardware.js';
import { overridesSchema, settingsSchema } from './settings.js';

export const JOB_FORMAT = 'alcove-job';
export const JOB_VERSION = 3;

const idSchema = z.string().regex(/^[a-zA-Z0-9_-]{1,40}$/);

/** How big one part of a stack is. A `pin` holds it at a size whatever its rule says; the rest absorb the change. */
const sizeSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('fixed'), mm: lengthField('fixed size', { min: 1 }) }),
  z.strictObject({ rule: z.literal('share'), weight: shareField('share', 0.01, 100) }),
  z.strictObject({ rule: z.literal('graduated') }),
]);
export type SizeRule = z.infer<typeof sizeSchema>;

export const dividerSchema = z.enum(['stretcher', 'shelf', 'web', 'partition', 'none']);
export type DividerKind = z.infer<typeof dividerSchema>;

/** Heights decided one by one; null, or beyond the list's end, leaves it to the rules. */
const heights = (label: string) => z.array(lengthField(label).nullable()).max(30).optional();

const shelved = {
  shelves: countField('adjustable shelves', 0, 30),
  /** Undersides above the floor of the opening, from the lowest shelf up. */
  shelvesAt: heights('shelf above the floor of its opening'),
};
const hung = {
  ...shelved,
  /** Hinge centres above the lower edge of the door, from the lowest up; both doors of a pair alike. */
  hingesAt: heights('hinge above the lower edge of the door'),
};

/** What closes an opening. */
const leafFills = [
  z.strictObject({ kind: z.literal('drawer') }),
  z.strictObject({ kind: z.literal('false') }),
  z.strictObject({ kind: z.literal('door'), hinged: z.enum(['left', 'right']), ...hung }),
  z.strictObject({ kind: z.literal('pair'), ...hung }),
  z.strictObject({ kind: z.literal('open'), ...shelved }),
] as const;
export const leafSchema = z.discriminatedUnion('kind', [...leafFills]);
export type LeafFill = z.infer<typeof leafSchema>;

/** How the graduated members of a stack grow from top to bottom (or left to right). */
export const graduationSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('arithmetic'), step: z.number().min(-1000).max(1000) }),
  z.strictObject({ kind: z.literal('geometric'), ratio: z.number().min(0.2).max(5) }),
]);
export type Graduation = z.infer<typeof graduationSchema>;

/** An opening divided again: `rows` from top to bottom, `columns` from left to right. Splits nest to any depth. */
const splitSchema = z.strictObject({
  kind: z.enum(['rows', 'columns']),
  graduation: graduationSchema,
  get parts() {
    return z.array(openingSchema).min(1).max(24);
  },
});

const openingSchema = z.strictObject({
  id: idSchema,
  size: sizeSchema,
  pin: lengthField('pinned size', { min: 1 }).optional(),
  /** What stands between this one and the next; the house standard when left out. */
  divider: dividerSchema.optional(),
  get fill(): z.ZodUnion<[typeof leafSchema, typeof splitSchema]> {
    return z.union([leafSchema, splitSchema]);
  },
});
export type Split = z.infer<typeof splitSchema>;
export type Opening = z.infer<typeof openingSchema>;
export type Fill = Opening['fill'];

/** Splits nest no deeper than this. */
const DEEPEST_SPLIT = 8;

/** True when an opening is divided again. */
export function isSplit(fill: Fill): fill is Split {
  return fill.kind === 'rows' || fill.kind === 'columns';
}

/** Every opening of a split, the split ones before what they hold. */
export function openingsOf(split: Split): Opening[] {
  return split.parts.flatMap((opening) => [opening, ...(isSplit(opening.fill) ? openingsOf(opening.fill) : [])]);
}

function depthOf(split: Split): number {
  return 1 + Math.max(0, ...split.parts.map(({ fill }) => (isSplit(fill) ? depthOf(fill) : 0)));
}

const heightSchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('overall'), mm: lengthField('overall height', { min: 50, max: 4000 }) }),
  z.strictObject({
    from: z.literal('worktop'),
    finished: lengthField('finished worktop height', { min: 100, max: 4000 }),
  }),
]);
export type HeightDecision = z.infer<typeof heightSchema>;

export const cabinetKinds = { base: 'Base cabinet', wall: 'Wall cabinet', tall: 'Tall cabinet' } as const;
export type CabinetKind = keyof typeof cabinetKinds;

export const cabinetSchema = z.strictObject({
  id: idSchema,
  number: z.string().trim().min(1).max(12),
  name: nameField('cabinet name'),
  kind: choiceField('kind', cabinetKinds),
  size: z.strictObject({
    width: lengthField('overall width', { min: 50, max: 6000 }),
    height: heightSchema,
    depth: lengthField('overall depth', { min: 50, max: 2000 }),
  }),
  /** The cabinet whose right end stands against this one's left end. */
  leftNeighbour: idSchema.nullable(),
  settings: overridesSchema,
  face: splitSchema,
});
export type Cabinet = z.infer<typeof cabinetSchema>;

export const materialSchema = z.strictObject({
  id: idSchema,
  name: nameField('material name'),
  nominal: lengthField('nominal thickness', { min: 0.5, max: 100 }),
  /** Readings with a caliper; the mean is what parts are figured from. Empty until the batch is in the shop. */
  measured: z.strictObject({
    batch: z.string().trim().max(60),
    readings: z.array(lengthField('thickness reading', { min: 0.3, max: 120 })).max(20),
  }),
  sheet: z.strictObject({
    length: lengthField('sheet length', { min: 100, max: 6000 }),
    width: lengthField('sheet width', { min: 100, max: 3000 }),
  }),
  grain: choiceField('grain', { length: 'along the sheet', none: 'none' }),
  /** Solid wood moves across its grain; sheet does not. */
  form: choiceField('form', { sheet: 'sheet', solid: 'solid wood' }),
  /** Share of its width a solid panel moves per cent of moisture change: oak 0.0037 flat sawn, 0.0016 quarter sawn. */
  movement: shareField('movement coefficient', 0, 0.02),
  /** kg per cubic metre. */
  density: shareField('density', 50, 3000),
  /** Modulus of elasticity along the length, N/mm². */
  modulus: shareField('stiffness', 500, 30000),
  /** How much a lasting load makes a sag grow: 1.5 plywood and solid wood, 2 particle board and fibreboard. */
  creep: shareField('creep under lasting load', 1, 4),
});
export type Material = z.infer<typeof materialSchema>;

const startSchema = z.strictObject({
  width: lengthField('starting width', { min: 50, max: 6000 }),
  height: lengthField('starting height', { min: 50, max: 4000 }),
  depth: lengthField('starting depth', { min: 50, max: 2000 }),
});

const kindLayers = { base: overridesSchema, wall: overridesSchema, tall: overridesSchema };
const KINDS = ['base', 'wall', 'tall'] as const;

export const houseSchema = z.strictObject({
  name: nameField('house standards'),
  all: settingsSchema,
  ...kindLayers,
  /** What choosing a construction school brings with it. */
  schools: z.strictObject({ frameless: overridesSchema, faceFrame: overridesSchema, traditional: overridesSchema }),
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
  name: nameField('job name', 120),
  note: z.string().max(4000),
  display: displaySchema,
  /** The shop's standards as they were when the job was begun: the job stands alone. */
  house: houseSchema,
  /** What this job does otherwise. */
  standards: z.strictObject({ all: overridesSchema, ...kindLayers }),
  room: z.strictObject({
    ceiling: lengthField('ceiling height', { min: 1000, max: 10000 }).nullable(),
    doorway: lengthField('doorway height', { min: 500, max: 10000 }).nullable(),
  }),
  materials: z.array(materialSchema).min(1).max(60),
  /** The hardware library of the job. */
  hardware: hardwareSchema,
});
export type JobHead = z.infer<typeof jobHeadSchema>;

export const jobSchema = jobHeadSchema
  .extend({ cabinets: z.array(cabinetSchema).max(1000) })
  .superRefine((job, context) => {
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
    for (const { at, message } of neighbourProblems(job.cabinets))
      context.addIssue({ code: 'custom', path: ['cabinets', at, 'leftNeighbour'], message });
    job.cabinets.forEach((cabinet, at) => {
      const path = ['cabinets', at, 'face', 'parts'];
      refuseRepeats(
        openingsOf(cabinet.face).map((part) => part.id),
        path,
        'opening id',
        context,
      );
      if (depthOf(cabinet.face) > DEEPEST_SPLIT)
        context.addIssue({
          code: 'custom',
          path,
          message: `openings are divided more than ${DEEPEST_SPLIT} times over`,
        });
    });
    refuseUnknownMaterials(job, context);
  });
export type Job = z.infer<typeof jobSchema>;

type RefineContext = Parameters<Parameters<typeof jobHeadSchema.superRefine>[0]>[1];

function refuseRepeats(ids: readonly string[], path: (string | number)[], what: string, context: RefineContext): void {
  const seen = new Set<string>();
  ids.forEach((id, at) => {
    if (seen.has(id))
      context.addIssue({ code: 'custom', path: [...path, at, 'id'], message: `the ${what} "${id}" is used twice` });
    seen.add(id);
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
  check(job.house.all.materials, ['house', 'all']);
  for (const kind of KINDS) check(job.house[kind].materials, ['house', kind]);
  for (const school of ['frameless', 'faceFrame', 'traditional'] as const)
    check(job.house.schools[school].materials, ['house', 'schools', school]);
  for (const layer of ['all', ...KINDS] as const) check(job.standards[layer].materials, ['standards', layer]);
  job.cabinets.forEach((cabinet, at) => {
    check(cabinet.settings.materials, ['cabinets', at, 'settings']);
  });
}

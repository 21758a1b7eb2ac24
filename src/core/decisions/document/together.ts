import type * as z from 'zod/mini';
import { depthOf, interiorOf, isDivided, isFill, memberIds, openingsOf, roomsOf } from '../job/index.js';
import { SCHOOL_IDS } from '../settings/index.js';
import { type Cabinet, type Job, type JobHead, MOST } from './schemas.js';

/** Splits nest no deeper than this. */
const DEEPEST_SPLIT = 8;
const KINDS = ['base', 'wall', 'tall'] as const;

/** What has to be true of a job together. */
export function refuseTogether(job: Job, context: RefineContext): void {
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
function refuseRepeatedStock({ stock, workshop, layouts = [] }: JobHead, context: RefineContext): void {
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
    (sum, fill) => sum + (isFill(fill, 'shelves') ? fill.shelves : 0),
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
function refuseUnknownMaterials(job: Job, context: RefineContext): void {
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

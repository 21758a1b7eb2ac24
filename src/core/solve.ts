import { buildCarcass } from './carcass/index.js';
import { type BuiltCabinet, checkCabinet, type Finding } from './findings/index.js';
import { buildFronts } from './fronts/index.js';
import { type HungDoor, hangDoors, hingeFittings } from './hinges/index.js';
import { type Cabinet, type Job, type JobHead, resolve } from './job/index.js';
import { deriveBox, layOutFace } from './layout/index.js';
import { type CutListGroup, cutList, markParts, type Part } from './parts/index.js';
import { buildShelves } from './shelves/index.js';

/** Everything computed from one cabinet's decisions. */
export interface SolvedCabinet extends BuiltCabinet {
  readonly findings: readonly Finding[];
}

export interface SolvedJob {
  readonly job: Job;
  readonly cabinets: readonly SolvedCabinet[];
  readonly cutList: readonly CutListGroup[];
  readonly findings: readonly Finding[];
}

/** decisions → resolve → layout → build → check, for one cabinet. Never throws on a valid document. */
export function solveCabinet(head: JobHead, cabinet: Cabinet): SolvedCabinet {
  const resolved = resolve(head, cabinet);
  const box = deriveBox(cabinet, resolved);
  const face = layOutFace(cabinet, box, resolved);
  const cells = face.ok ? face.cells : [];
  const fronts = buildFronts(cells, box, resolved);
  const carcass = buildCarcass({ cabinet, box, cells, boundaries: face.ok ? face.boundaries : [], resolved });
  const built = [
    ...carcass.parts,
    ...cells.flatMap((cell) => buildShelves(cell, box, resolved)),
    ...fronts.flatMap((front) => front.parts),
  ];
  const doors = hangDoors(fronts, cells, built, box, resolved, head.hardware.hinges);
  const parts = withMachining(built, doors);
  const rows = markParts(cabinet.number, parts);
  const { joints, fittings } = carcass;
  const whole = {
    cabinet,
    resolved,
    box,
    face,
    fronts,
    parts,
    joints,
    doors,
    fittings: [...fittings, ...hingeFittings(doors)],
    rows,
  };
  return { ...whole, findings: checkCabinet(head, whole) };
}

/** Cups in doors and plate holes in the case, added to what the parts already carry. */
function withMachining(parts: readonly Part[], doors: readonly HungDoor[]): readonly Part[] {
  if (doors.length === 0) return parts;
  return parts.map((part) => {
    const more = doors.flatMap((door) => door.machining.get(part.key) ?? []);
    return more.length > 0 ? { ...part, machining: [...part.machining, ...more] } : part;
  });
}

/**
 * Keeps the last result of every cabinet: an edit re-solves only what it touched. Documents are compared by identity,
 * so callers must not change one in place.
 */
export function createSolver(): (job: Job) => SolvedJob {
  let head: JobHead | undefined;
  let solvedCabinets = new Map<string, SolvedCabinet>();
  return (job) => {
    if (!head || !sameHead(head, job)) solvedCabinets = new Map();
    head = job;
    const next = new Map<string, SolvedCabinet>();
    const cabinets = job.cabinets.map((cabinet) => {
      const known = solvedCabinets.get(cabinet.id);
      const result = known?.cabinet === cabinet ? known : solveCabinet(job, cabinet);
      next.set(cabinet.id, result);
      return result;
    });
    solvedCabinets = next;
    return joinCabinets(job, cabinets);
  };
}

/** The decisions outside the cabinets that a cabinet's numbers depend on. */
function sameHead(a: JobHead, b: JobHead): boolean {
  return (
    a.house === b.house &&
    a.hardware === b.hardware &&
    a.standards === b.standards &&
    a.materials === b.materials &&
    a.room === b.room &&
    a.display === b.display
  );
}

function joinCabinets(job: Job, cabinets: readonly SolvedCabinet[]): SolvedJob {
  let list: readonly CutListGroup[] | undefined;
  return {
    job,
    cabinets,
    findings: cabinets.flatMap(({ findings }) => findings),
    // The list is for lists and exports; an edit on the bench does not wait for it.
    get cutList() {
      list ??= cutList(cabinets.flatMap(({ cabinet, rows }) => rows.map((row) => ({ ...row, cabinetId: cabinet.id }))));
      return list;
    },
  };
}

/** Solves a whole job from nothing. */
export function solve(job: Job): SolvedJob {
  return createSolver()(job);
}

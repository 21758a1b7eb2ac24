import {
  type Act,
  type Cabinet,
  type Edit,
  type IdMaker,
  type Job,
  newId,
  nextNumber,
  pathTo,
} from '../../decisions/index.js';

/** Puts a cabinet at the end of the job. */
export function addCabinet(cabinet: Cabinet, label: string): Act {
  return { label, edits: [{ path: pathTo.cabinets, insert: cabinet }] };
}

/** A copy with a number of its own that stands beside nothing yet. */
export function copyOf(job: Job, cabinet: Cabinet, ids: IdMaker = newId): Cabinet {
  return { ...cabinet, id: ids('c'), number: nextNumber(job), leftNeighbour: null };
}

/**
 * A cabinet of another job, as it may stand in this one: with a number of its own, beside nothing, and made of this job's
 * materials wherever its own are not known here.
 */
export function takenOver(job: Job, cabinet: Cabinet, ids: IdMaker = newId): Cabinet {
  const known = new Set(job.materials.map(({ id }) => id));
  const { materials, ...settings } = cabinet.settings;
  const own = Object.entries(materials ?? {}).filter(([, id]) => typeof id !== 'string' || known.has(id));
  const parts = cabinet.parts?.map(({ material, ...decided }) =>
    material !== undefined && known.has(material) ? { ...decided, material } : decided,
  );
  return {
    ...copyOf(job, cabinet, ids),
    settings: { ...settings, ...(own.length > 0 ? { materials: Object.fromEntries(own) } : {}) } as Cabinet['settings'],
    // What decided nothing but a material that is not here decides nothing.
    ...(parts ? { parts: parts.filter((decided) => Object.keys(decided).length > 2) } : {}),
  };
}

/** A job of this one cabinet alone, as it is kept for a start. */
export function alone(job: Job, cabinet: Cabinet): Job {
  const { standing: _standing, ...head } = job;
  return { ...head, name: cabinet.name || job.name, cabinets: [{ ...cabinet, leftNeighbour: null }] };
}

/** Takes a cabinet out of the job: who stood to its right now stands beside whom it stood beside. */
export function removeCabinet(job: Job, cabinet: Cabinet): Act {
  const after = job.cabinets.filter(({ leftNeighbour }) => leftNeighbour === cabinet.id);
  return {
    label: `${cabinet.number} ${cabinet.name} removed`,
    edits: [
      ...after.map(({ id }) => standsBeside(id, cabinet.leftNeighbour)),
      { path: pathTo.cabinet(cabinet.id), value: undefined },
    ],
  };
}

function standsBeside(id: string, left: string | null): Edit {
  return { path: pathTo.cabinetField(id, 'leftNeighbour'), value: left };
}

/** Says which cabinet stands at the left end of this one; null for none. */
export function neighbourAtLeft(cabinet: Cabinet, left: string | null): Act {
  return { label: 'Neighbour at the left', edits: [standsBeside(cabinet.id, left)] };
}

/** Says which cabinet stands at the right end of this one; the one that stood there stands alone. */
export function neighbourAtRight(job: Job, cabinet: Cabinet, right: string | null): Act {
  const before = job.cabinets.find(({ leftNeighbour }) => leftNeighbour === cabinet.id);
  return {
    label: 'Neighbour at the right',
    edits: [
      ...(before ? [standsBeside(before.id, null)] : []),
      ...(right === null ? [] : [standsBeside(right, cabinet.id)]),
    ],
  };
}

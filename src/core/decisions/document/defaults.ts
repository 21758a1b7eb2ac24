import { formatLengthWithUnit, inches } from '../../ground/index.js';
import {
  countedIds,
  type IdMaker,
  type Material,
  newId,
  startingGraduation,
  startingStock,
  startingWorkshop,
} from '../job/index.js';
import type { HouseSet } from '../settings/index.js';
import type { Form } from './form.js';
import { startingHardware } from './hardware.js';
import { houseOf, inchMaterials, metricMaterials } from './houses/index.js';
import { type Cabinet, type CabinetKind, type Display, JOB_FORMAT, type Job } from './schemas.js';

const SETS: Record<HouseSet, { materials: readonly Material[]; display: Display }> = {
  metric: { materials: metricMaterials, display: { unit: 'mm', mmStep: 0.1, graduation: 16 } },
  inch: { materials: inchMaterials, display: { unit: 'in', mmStep: 0.1, graduation: 16 } },
};

/** A new job with no cabinets, from one of the two starting sets. */
export function newJob({ version, declared, kinds }: Form, name: string, set: HouseSet): Job {
  const { materials, display } = structuredClone(SETS[set]);
  return {
    format: JOB_FORMAT,
    version,
    name,
    note: '',
    display,
    house: houseOf(declared, set),
    standards: { all: {}, base: {}, wall: {}, tall: {} },
    room: { ceiling: null, doorway: null },
    materials: [...materials],
    hardware: startingHardware(kinds),
    workshop: startingWorkshop(set),
    stock: startingStock(materials),
    cabinets: [],
  };
}

const SHARE = { rule: 'share', weight: 1 } as const;
const ARITHMETIC = startingGraduation('arithmetic', 'mm');

/** What a maker may begin with. Each is a kind of cabinet with a face that makes sense for it. */
export const startingPoints = {
  base: { label: 'Base cabinet', kind: 'base', name: 'Drawer over doors' },
  wall: { label: 'Wall cabinet', kind: 'wall', name: 'Wall cabinet' },
  tall: { label: 'Tall cabinet', kind: 'tall', name: 'Tall cabinet' },
  open: { label: 'Open shelves', kind: 'tall', name: 'Open shelves' },
} as const satisfies Record<string, { label: string; kind: CabinetKind; name: string }>;
export type StartingPoint = keyof typeof startingPoints;

const FIRST_FACE: Record<StartingPoint, Cabinet['face']> = {
  base: {
    kind: 'rows',
    graduation: ARITHMETIC,
    parts: [
      { id: 'o1', size: { rule: 'fixed', mm: 140 }, fill: { kind: 'drawer' } },
      { id: 'o2', size: SHARE, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 1 } } },
    ],
  },
  wall: {
    kind: 'rows',
    graduation: ARITHMETIC,
    parts: [{ id: 'o1', size: SHARE, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 2 } } }],
  },
  tall: {
    kind: 'rows',
    graduation: ARITHMETIC,
    parts: [
      { id: 'o1', size: SHARE, divider: 'shelf', fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 3 } } },
      { id: 'o2', size: { rule: 'fixed', mm: 760 }, fill: { kind: 'pair', interior: { kind: 'shelves', shelves: 1 } } },
    ],
  },
  open: {
    kind: 'rows',
    graduation: ARITHMETIC,
    parts: [
      { id: 'o1', size: SHARE, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 2 } } },
      { id: 'o2', size: SHARE, fill: { kind: 'open', interior: { kind: 'shelves', shelves: 2 } } },
    ],
  },
};

/**
 * A buildable cabinet from a starting point at the house's size, numbered next in the job. `ids` names it; the ids of its
 * openings count within it.
 */
export function newCabinet(job: Job, from: StartingPoint, ids: IdMaker = newId): Cabinet {
  const { kind, name } = startingPoints[from];
  const start = job.house.starts[kind];
  const face = structuredClone(FIRST_FACE[from]);
  if (job.display.unit === 'in') {
    face.graduation = startingGraduation('arithmetic', 'in');
    // Round inches for what was round in millimetres.
    for (const { size } of face.parts) if (size.rule === 'fixed') size.mm = inches(Math.round(size.mm / 12.7) / 2);
  }
  return {
    id: ids('c'),
    number: nextNumber(job),
    name,
    kind,
    size: { width: start.width, height: { from: 'overall', mm: start.height }, depth: start.depth },
    leftNeighbour: null,
    settings: {},
    face,
  };
}

/** A small job as one would begin it in an editor: one cabinet, and nothing that a new job starts with anyway. */
export function jobByHand(form: Form, set: HouseSet, from: StartingPoint): object {
  const job = newJob(form, 'New job', set);
  const { leftNeighbour: _stands, settings: _decided, face, size, ...cabinet } = newCabinet(job, from, countedIds());
  const { format, version, name, display } = job;
  /** In inches lengths are written out: nobody reads 304.8 as a foot. */
  const length = (mm: number) => (display.unit === 'in' ? formatLengthWithUnit(mm, display) : mm);
  const { width, height, depth } = size;
  const parts = face.parts.map((part) =>
    part.size.rule === 'fixed' ? { ...part, size: { ...part.size, mm: length(part.size.mm) } } : part,
  );
  const high = height.from === 'overall' ? { from: height.from, mm: length(height.mm) } : height;
  return {
    format,
    version,
    name,
    display: { unit: display.unit },
    cabinets: [
      {
        ...cabinet,
        size: { width: length(width), height: high, depth: length(depth) },
        face: { kind: face.kind, parts },
      },
    ],
  };
}

/** The next whole number no cabinet of the job carries. */
export function nextNumber(job: Job): string {
  const numbers = job.cabinets.map((cabinet) => Number.parseInt(cabinet.number, 10)).filter(Number.isFinite);
  return String(Math.max(0, ...numbers) + 1);
}

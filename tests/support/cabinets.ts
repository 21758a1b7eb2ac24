/** Jobs and cabinets that tests start from. Nothing outside tests imports this. */

import fc from 'fast-check';
import type { Finding } from '../../src/core/cabinet/index.js';
import {
  type Cabinet,
  countedIds,
  type Fill,
  isSplit,
  type Job,
  type JobHead,
  newCabinet,
  type Standards,
  type StartingPoint,
  shelved,
} from '../../src/core/decisions/index.js';
import {
  check,
  newJob,
  type Overrides,
  type SolvedCabinet,
  type SolvedJob,
  solveCabinet,
  standardsOf,
} from '../../src/core/solve/index.js';
import { buildable } from '../generator/buildable.js';

export interface CabinetDecisions {
  readonly from?: StartingPoint;
  readonly width?: number;
  readonly height?: number;
  readonly depth?: number;
  readonly settings?: Overrides;
  readonly parts?: Cabinet['face']['parts'];
  readonly face?: Cabinet['face'];
  readonly graduation?: Cabinet['face']['graduation'];
  /** Keep-out boxes. */
  readonly zones?: NonNullable<Cabinet['zones']>;
  /** Lists that kinds give a cabinet. */
  readonly lists?: Readonly<Record<string, readonly object[]>>;
  /** What is decided of single parts. */
  readonly decided?: NonNullable<Cabinet['parts']>;
  /** Measured thickness per material id. */
  readonly measured?: Readonly<Record<string, number>>;
}

/** A metric job with one cabinet that differs from the house's starting one only in what is given. */
export function jobWith(decisions: CabinetDecisions): Job {
  const job = newJob('Test job', 'metric');
  const cabinet = newCabinet(job, decisions.from ?? 'base', countedIds());
  cabinet.size = {
    width: decisions.width ?? cabinet.size.width,
    height: decisions.height === undefined ? cabinet.size.height : { from: 'overall', mm: decisions.height },
    depth: decisions.depth ?? cabinet.size.depth,
  };
  cabinet.settings = structuredClone(decisions.settings ?? {});
  if (decisions.face) cabinet.face = structuredClone(decisions.face);
  if (decisions.parts) cabinet.face.parts = structuredClone(decisions.parts);
  if (decisions.decided && decisions.decided.length > 0) cabinet.parts = structuredClone(decisions.decided);
  Object.assign(cabinet, structuredClone(decisions.lists ?? {}));
  if (decisions.zones) cabinet.zones = structuredClone(decisions.zones);
  if (decisions.graduation) cabinet.face.graduation = decisions.graduation;
  for (const material of job.materials) {
    const reading = decisions.measured?.[material.id];
    if (reading !== undefined) material.measured = { batch: 'test', readings: [reading] };
  }
  job.cabinets.push(cabinet);
  return job;
}

/** The head of a job that measured its boards so, with what it says settled once: thousands of cabinets are solved in it. */
const shops = new Map<string, { readonly head: JobHead; readonly standards: Standards }>();

function shopOf({ measured = {} }: CabinetDecisions) {
  const key = JSON.stringify(Object.entries(measured).sort());
  let shop = shops.get(key);
  if (!shop) {
    const { cabinets: _cabinets, ...head } = jobWith({ measured });
    shop = { head, standards: standardsOf(head) };
    shops.set(key, shop);
  }
  return shop;
}

/** What is found, laid beside a result for a test to read. */
export type Checked<S> = S & { readonly findings: readonly Finding[] };
export type CheckedJob = Checked<Omit<SolvedJob, 'cabinets'>> & {
  readonly cabinets: readonly Checked<SolvedCabinet>[];
};

export const checked = (solved: SolvedCabinet): Checked<SolvedCabinet> =>
  Object.assign(solved, { findings: check(solved) });
/** A cabinet solved for itself, and checked. */
export function solveWith(decisions: CabinetDecisions): Checked<SolvedCabinet> {
  const { head, standards } = shopOf(decisions);
  const [cabinet] = jobWith(decisions).cabinets as [Cabinet];
  return checked(solveCabinet(head, cabinet, undefined, undefined, { standards }));
}

/** The same as a job of that one cabinet. */
export function solvedWith(decisions: CabinetDecisions): CheckedJob {
  const solved = solveWith(decisions);
  const { head } = shopOf(decisions);
  return {
    job: { ...head, cabinets: [solved.cabinet] },
    cabinets: [solved],
    findings: solved.findings,
    standing: [],
  };
}

/** The part with a key; fails the test when there is none. */
export function partOf(solved: SolvedCabinet, key: string) {
  const part = solved.parts.find((each) => each.key === key);
  if (!part) throw new Error(`no part "${key}" among ${solved.parts.map((each) => each.key).join(', ')}`);
  return part;
}

const joint = fc.constantFrom(
  'screws' as const,
  'pocket' as const,
  'dowels' as const,
  'tenons' as const,
  'dado' as const,
);
const end = fc.constantFrom('neighbour' as const, 'exposed' as const, 'wall' as const);
const panel = fc.constantFrom('none' as const, 'applied' as const);

/** Settings of every school and kind, each for itself within what a shop could mean. */
const wildSettings: fc.Arbitrary<Overrides> = fc.record({
  school: fc.constantFrom('frameless' as const, 'faceFrame' as const, 'traditional' as const),
  toe: fc.record({
    kind: fc.constantFrom('none' as const, 'plinth' as const, 'notched' as const, 'legs' as const, 'standing' as const),
    board: fc.constantFrom('over' as const, 'between' as const),
  }),
  bottom: fc.record({ place: fc.constantFrom('between' as const, 'under' as const) }),
  top: fc.record({
    kind: fc.constantFrom(
      'full' as const,
      'stretchers' as const,
      'uprightRear' as const,
      'uprightFront' as const,
      'web' as const,
      'none' as const,
    ),
    place: fc.constantFrom('between' as const, 'over' as const),
    recess: fc.constantFrom(0, 0, 12),
  }),
  back: fc.record({
    kind: fc.constantFrom(
      'grooved' as const,
      'rabbeted' as const,
      'applied' as const,
      'structural' as const,
      'none' as const,
    ),
    bottomEdge: fc.constantFrom('captured' as const, 'past' as const),
    cut: fc.constantFrom('panel' as const, 'cutter' as const),
  }),
  joints: fc.record({
    bottom: fc.oneof(joint, fc.constant('rabbet' as const)),
    top: fc.oneof(joint, fc.constant('rabbet' as const)),
    shelf: joint,
    partition: joint,
  }),
  ends: fc.record({
    left: end,
    right: end,
    leftPanel: panel,
    rightPanel: panel,
    filler: fc.constantFrom('none' as const, 'strip' as const),
  }),
  depth: fc.record({ means: fc.constantFrom('carcass' as const, 'fronts' as const) }),
  fronts: fc.record({
    lay: fc.constantFrom('fronts' as const, 'openings' as const),
    gap: fc.double({ min: 0, max: 8, noNaN: true }),
    fit: fc.constantFrom('overlay' as const, 'overlay' as const, 'inset' as const, 'lipped' as const),
    atNeighbour: fc.constantFrom('own' as const, 'half' as const),
    grainRuns: fc.constantFrom('none' as const, 'none' as const, 'columns' as const, 'rows' as const, 'face' as const),
  }),
  hinges: fc.record({
    snap: fc.constantFrom('grid' as const, 'free' as const),
    leafPlace: fc.constantFrom('length' as const, 'rails' as const),
  }),
  pulls: fc.record({
    doors: fc.constantFrom('harl-bow-128', 'harl-knob', 'none'),
    drawers: fc.constantFrom('harl-bow-96', 'harl-knob', 'none'),
    drawerPlace: fc.constantFrom('middle' as const, 'rail' as const),
  }),
  pins: fc.record({
    kind: fc.constantFrom('grid' as const, 'grid' as const, 'free' as const, 'none' as const),
    from: fc.constantFrom('bottom' as const, 'top' as const),
    rear: fc.constantFrom('steps' as const, 'groove' as const),
    column: fc.constantFrom('full' as const, 'around' as const),
    opposite: fc.constantFrom('stagger' as const, 'through' as const),
  }),
  making: fc.record({
    kind: fc.constantFrom('slab' as const, 'slab' as const, 'stick' as const, 'mitred' as const, 'trim' as const),
  }),
  dividers: fc.record({
    betweenFronts: fc.constantFrom('stretcher' as const, 'shelf' as const, 'web' as const, 'none' as const),
    atOpenBay: fc.constantFrom('stretcher' as const, 'shelf' as const, 'none' as const),
  }),
});

const leaf: fc.Arbitrary<Fill> = fc.oneof(
  fc.constant<Fill>({ kind: 'drawer' }),
  fc.constant<Fill>({ kind: 'false' }),
  fc.record({
    kind: fc.constant('door' as const),
    hinged: fc.constantFrom('left' as const, 'right' as const),
    interior: fc.integer({ min: 0, max: 2 }).map(shelved),
  }),
  fc.record({
    kind: fc.constantFrom('pair' as const, 'open' as const),
    interior: fc.integer({ min: 0, max: 2 }).map(shelved),
  }),
);

/** A tree of openings, at most three splits deep; ids are numbered afterwards. */
const faces: fc.Arbitrary<Cabinet['face']> = fc
  .letrec<{ fill: Fill; split: Cabinet['face'] }>((tie) => ({
    fill: fc.oneof({ depthSize: 'small', maxDepth: 2 }, leaf, tie('split')),
    split: fc.record({
      kind: fc.constantFrom('rows' as const, 'columns' as const),
      graduation: fc.constant({ kind: 'arithmetic' as const, step: 20 }),
      parts: fc.array(
        fc.record({
          id: fc.constant('o'),
          size: fc.oneof(
            fc.record({ rule: fc.constant('share' as const), weight: fc.double({ min: 0.5, max: 3, noNaN: true }) }),
            fc.constant({ rule: 'graduated' as const }),
          ),
          fill: tie('fill'),
        }),
        { minLength: 1, maxLength: 4 },
      ),
    }),
  }))
  .split.map((face) => {
    let count = 0;
    const number = (split: Cabinet['face']): Cabinet['face'] => ({
      ...split,
      parts: split.parts.map((opening) => {
        count += 1;
        const { fill } = opening;
        return {
          ...opening,
          id: `o${count}`,
          fill: isSplit(fill) ? number(fill) : fill,
        };
      }),
    });
    return number(face);
  });

/**
 * Every starting point, school, toe, top, back, joint and fill thrown together within sane sizes: most of these cannot
 * be built, and the core has to say so.
 */
export const wildDecisions: fc.Arbitrary<CabinetDecisions> = fc
  .record({
    from: fc.constantFrom('base' as const, 'wall' as const, 'tall' as const),
    width: fc.double({ min: 300, max: 1200, noNaN: true }),
    height: fc.double({ min: 500, max: 2000, noNaN: true }),
    depth: fc.double({ min: 250, max: 800, noNaN: true }),
    reading: fc.double({ min: 15, max: 22, noNaN: true }),
    settings: wildSettings,
    face: faces,
  })
  .map(({ reading, ...decisions }) => ({ ...decisions, measured: { birch18: reading } }));

/** Cabinets a shop could build, see the generator: four in five have no stop. */
export const buildableDecisions: fc.Arbitrary<CabinetDecisions> = fc
  .nat({ max: 1_000_000 })
  .map((seed) => buildable(seed).decisions);

/** Jobs and cabinets that tests start from. Nothing outside tests imports this. */
import fc from 'fast-check';
import {
  type Cabinet,
  type CabinetKind,
  type Job,
  newCabinet,
  newJob,
  type SettingOverrides,
} from '../../src/core/job/index.js';
import type { SolvedCabinet } from '../../src/core/solve.js';
import { solveCabinet } from '../../src/core/solve.js';

export interface CabinetDecisions {
  readonly kind?: CabinetKind;
  readonly width?: number;
  readonly height?: number;
  readonly depth?: number;
  readonly settings?: SettingOverrides;
  readonly parts?: Cabinet['face']['parts'];
  readonly graduation?: Cabinet['face']['graduation'];
  /** Measured thickness per material id. */
  readonly measured?: Readonly<Record<string, number>>;
}

/** A metric job with one cabinet that differs from the house's starting one only in what is given. */
export function jobWith(decisions: CabinetDecisions): Job {
  const job = newJob('Test job', 'metric');
  const cabinet = newCabinet(job, decisions.kind ?? 'base');
  cabinet.size = {
    width: decisions.width ?? cabinet.size.width,
    height: decisions.height === undefined ? cabinet.size.height : { from: 'overall', mm: decisions.height },
    depth: decisions.depth ?? cabinet.size.depth,
  };
  cabinet.settings = decisions.settings ?? {};
  if (decisions.parts) cabinet.face.parts = decisions.parts;
  if (decisions.graduation) cabinet.face.graduation = decisions.graduation;
  for (const material of job.materials) {
    const reading = decisions.measured?.[material.id];
    if (reading !== undefined) material.measured = { batch: 'test', readings: [reading] };
  }
  job.cabinets.push(cabinet);
  return job;
}

export function solveWith(decisions: CabinetDecisions): SolvedCabinet {
  const job = jobWith(decisions);
  return solveCabinet(job, job.cabinets[0] as Cabinet);
}

/** The part with a key; fails the test when there is none. */
export function partOf(solved: SolvedCabinet, key: string) {
  const part = solved.parts.find((each) => each.key === key);
  if (!part) throw new Error(`no part "${key}" among ${solved.parts.map((each) => each.key).join(', ')}`);
  return part;
}

/** Cabinets a shop could build: every kind, toe, top, lay and fill within sane sizes. */
export const buildableDecisions: fc.Arbitrary<CabinetDecisions> = fc
  .record({
    kind: fc.constantFrom('base' as const, 'wall' as const),
    width: fc.double({ min: 300, max: 1200, noNaN: true }),
    height: fc.double({ min: 500, max: 2000, noNaN: true }),
    depth: fc.double({ min: 250, max: 800, noNaN: true }),
    toe: fc.constantFrom('none' as const, 'plinth' as const),
    top: fc.constantFrom('full' as const, 'stretchers' as const),
    lay: fc.constantFrom('fronts' as const, 'openings' as const),
    means: fc.constantFrom('carcass' as const, 'fronts' as const),
    reading: fc.double({ min: 15, max: 22, noNaN: true }),
    gap: fc.double({ min: 0, max: 8, noNaN: true }),
    fills: fc.array(fc.constantFrom('drawer', 'door', 'pair', 'open'), { minLength: 1, maxLength: 5 }),
    shelves: fc.integer({ min: 0, max: 2 }),
    divider: fc.constantFrom('stretcher' as const, 'shelf' as const, 'none' as const),
  })
  .map((pick) => ({
    kind: pick.kind,
    width: pick.width,
    height: pick.height,
    depth: pick.depth,
    measured: { birch18: pick.reading },
    settings: {
      toe: { kind: pick.toe },
      top: { kind: pick.top },
      depth: { means: pick.means },
      fronts: { lay: pick.lay, gap: pick.gap },
      dividers: { betweenFronts: pick.divider, atOpenBay: pick.divider },
    },
    parts: pick.fills.map((kind, at) => ({
      id: `o${at + 1}`,
      size: { rule: 'share' as const, weight: 1 + at / 2 },
      fill:
        kind === 'drawer'
          ? { kind: 'drawer' as const }
          : kind === 'door'
            ? { kind: 'door' as const, hinged: 'left' as const, shelves: pick.shelves }
            : { kind: kind as 'pair' | 'open', shelves: pick.shelves },
    })),
  }));

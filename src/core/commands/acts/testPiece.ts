import type { Trial } from '../../cabinet/index.js';
import {
  type Cabinet,
  countedIds,
  type Hardware,
  type Job,
  newCabinet,
  type SettingOverrides,
} from '../../decisions/index.js';
import { allKinds, check, type SolvedCabinet, solveCabinet } from '../../solve/index.js';

/**
 * A small job that proves a profile on scrap of this job's own boards: two sides, a bottom and what the hardware carries,
 * bored as the profile says. Undefined where the profile goes into none of the small cabinets its kind knows.
 */
export function testPieceFor(job: Job, kind: string, id: string): Job | undefined {
  const own = allKinds.find((each) => each.id === kind);
  const profile = job.hardware[kind]?.find((each) => each.id === id);
  if (!own?.trials || !own.uses || !profile) return undefined;
  // Alone in its library it is what is chosen, or nothing is.
  const hardware = { ...structuredClone(job.hardware), [kind]: [structuredClone(profile)] } as Hardware;
  for (const trial of own.trials(profile as never)) {
    const piece = pieceOf(job, trial, hardware, `Test piece: ${profile.name}`);
    const [cabinet] = piece.cabinets;
    if (!cabinet) continue;
    const solved = solveCabinet(piece, cabinet);
    if (isSound(solved) && own.uses(solved.fitted[kind as keyof typeof solved.fitted] as never, id)) return piece;
  }
  return undefined;
}

function isSound(solved: SolvedCabinet): boolean {
  return check(solved).every(({ severity }) => severity !== 'stop');
}

/** Nothing that a test does without. */
const BARE: SettingOverrides = {
  toe: { kind: 'none' },
  top: { kind: 'stretchers' },
  back: { kind: 'none' },
  nailer: { rails: 'none' },
  ends: { left: 'neighbour', right: 'neighbour' },
};

function pieceOf(job: Job, { width, height, depth, settings, fills }: Trial, hardware: Hardware, name: string): Job {
  const { house, materials, display, standards, format, version, workshop, stock } = structuredClone(job);
  const head = { format, version, house, materials, display, standards, hardware, workshop, stock };
  const piece: Job = {
    ...head,
    name: name.slice(0, 120),
    note: 'Cut from scrap of the same boards. Fit it, measure what came out, and write the outcome into the hardware library.',
    room: { ceiling: null, doorway: null },
    cabinets: [],
  };
  const cabinet: Cabinet = newCabinet(piece, 'base', countedIds());
  cabinet.name = 'Test piece';
  cabinet.size = { width, height: { from: 'overall', mm: height }, depth };
  cabinet.settings = { ...BARE, ...settings };
  cabinet.face = {
    kind: 'columns',
    graduation: cabinet.face.graduation,
    parts: fills.map((fill, at) => ({ id: `o${at + 1}`, size: { rule: 'share', weight: 1 }, fill })),
  };
  piece.cabinets.push(cabinet);
  return piece;
}

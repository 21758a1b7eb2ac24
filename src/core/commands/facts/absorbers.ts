import { produce } from 'immer';
import {
  type Cabinet,
  type Edit,
  type EditPath,
  type Job,
  type JobHead,
  pathTo,
  subjectOf,
} from '../../decisions/index.js';
import {
  applyEdits,
  readCabinet,
  readJobHead,
  type SettingKey,
  type SolvedCabinet,
  solveCabinet,
} from '../../solve/index.js';
import { type Behind, decisionsBehind, type NumberAddress, numberAt } from '../dependents/index.js';

/** A decision behind a number, with the value it would have to have for the number to come out as it was read. */
export interface Absorber {
  readonly leaf: Behind;
  readonly value: number;
  readonly edits: readonly Edit[];
}

/** A decision behind a number that cannot take up what was read, and why. */
export interface NotAbsorbing {
  readonly leaf: Behind;
  readonly why: 'a whole number' | 'pinned' | 'beyond its limits' | 'it makes no difference' | 'it goes in steps';
}

export interface Absorbing {
  readonly answers: readonly Absorber[];
  readonly refused: readonly NotAbsorbing[];
}

/** Near enough (mm); and so far a decision is moved at first to see what it does. */
const NEAR = 1e-5;
const FEELER = 0.25;
/** So often it is tried, and so often a try that cannot be is brought half the way back. */
const TRIES = 24;
const HALVES = 8;

/**
 * For every decision a number is figured from: what it would have to be so that the number comes to a value. Each is
 * answered alone, with all others as they are; the cabinet is solved anew for each try, so that whatever stands between
 * is taken as it is. `head` is the job the cabinet was solved in.
 */
export function absorbers(head: JobHead, solved: SolvedCabinet, address: NumberAddress, value: number): Absorbing {
  const number = numberAt(solved, address);
  const leaves = number ? decisionsBehind(solved, [number]).filter(({ dim }) => dim.terms.length === 0) : [];
  const answers: Absorber[] = [];
  const refused: NotAbsorbing[] = [];
  for (const leaf of leaves) {
    const found = solvedFor(leaf, { head, solved, address, value });
    if (typeof found === 'string') refused.push({ leaf, why: found });
    else answers.push({ leaf, ...found });
  }
  return { answers, refused };
}

interface Asked {
  readonly head: JobHead;
  readonly solved: SolvedCabinet;
  readonly address: NumberAddress;
  readonly value: number;
}

/** Where a decision is made for this cabinet alone, or for the board it is made of. */
function placeOf({ source: { path } }: Behind, cabinetId: string): EditPath {
  const subject = subjectOf(path);
  return subject.kind === 'setting' ? pathTo.setting(cabinetId, subject.setting as SettingKey as never) : path;
}

function editsFor(leaf: Behind, cabinetId: string, mm: number): Edit[] {
  const path = placeOf(leaf, cabinetId);
  // A board is as thick as its readings say together: one in their place.
  return [{ path, value: path.endsWith('/measured/readings') ? [mm] : mm }];
}

/** The root of what the number comes to less what it should: a secant first, halves where that leads away. */
function solvedFor(leaf: Behind, asked: Asked): Omit<Absorber, 'leaf'> | NotAbsorbing['why'] {
  const { dim, source } = leaf;
  if (dim.measure === 'count') return 'a whole number';
  if (source.path.endsWith('/pin')) return 'pinned';
  const { id } = asked.solved.cabinet;
  const at = (mm: number): Tried | undefined => {
    const off = comesTo(asked, editsFor(leaf, id, mm));
    return off === undefined ? undefined : { mm, off };
  };
  const start = at(dim.value);
  let near = at(dim.value + FEELER) ?? at(dim.value - FEELER);
  if (!start || !near) return 'beyond its limits';
  if (near.off === start.off) return 'it makes no difference';
  let before: Tried = start;
  for (let tries = 0; tries < TRIES; tries += 1) {
    for (const { mm, off } of [near, before])
      if (Math.abs(off) < NEAR) return { value: mm, edits: editsFor(leaf, id, mm) };
    const next = stepTo(before, near, at);
    if (!next) return 'beyond its limits';
    if (Math.abs(next.mm - near.mm) < NEAR / 100) return 'it goes in steps';
    [before, near] = [near, next];
  }
  return 'it goes in steps';
}

/** A value of a decision, and how far the number is off with it. */
interface Tried {
  readonly mm: number;
  readonly off: number;
}

/** Where the line through two tries meets nothing off; half the way, as often as it takes, where that cannot be decided. */
function stepTo(before: Tried, near: Tried, at: (mm: number) => Tried | undefined): Tried | undefined {
  const level = near.off === before.off;
  let mm = level ? (near.mm + before.mm) / 2 : near.mm - (near.off * (near.mm - before.mm)) / (near.off - before.off);
  let found = at(mm);
  for (let halves = 0; !found && halves < HALVES; halves += 1) {
    mm = (near.mm + mm) / 2;
    found = at(mm);
  }
  return found;
}

/** How far the number is off its value once something else is decided; undefined where that cannot be decided. */
function comesTo({ head, solved, address, value }: Asked, edits: readonly Edit[]): number | undefined {
  const { cabinets, ...after } = produce({ ...head, cabinets: [solved.cabinet] } as Job, (draft) =>
    applyEdits(draft as Job, edits),
  );
  const cabinet = cabinets[0] as Cabinet;
  const changedHead = after.materials !== head.materials;
  if (!readCabinet(cabinet).ok || (changedHead && !readJobHead(after).ok)) return undefined;
  const number = numberAt(solveCabinet(changedHead ? after : head, cabinet), address);
  return number && number.value - value;
}

import type { SplitAxis } from '../../../build/index.js';
import { type Act, type Edit, type EditPath, type Opening, pathTo } from '../../../decisions/index.js';
import { capital } from '../../../ground/index.js';

/** A place a line may stand at for a reason. */
export interface Snap {
  readonly at: number;
  /** "equal", "lines up with 4", "32 grid" */
  readonly why: string;
}

/** A size that follows a line: so much more of it for each mm the line moves. */
export interface Following {
  readonly name: string;
  readonly mm: number;
  readonly by: 1 | -1;
}

/** A line of the drawing that can be dragged: a gap between openings, an end, an edge of the toe. All mm. */
export interface Line {
  readonly id: string;
  readonly label: string;
  /** Along which axis it moves, and where it is now. */
  readonly moves: 'h' | 'v';
  readonly at: number;
  /** From where to where it runs across that. */
  readonly from: number;
  readonly to: number;
  /** Between these it may be dragged. */
  readonly least: number;
  readonly most: number;
  readonly following: readonly Following[];
  readonly snaps: readonly Snap[];
  /** What is selected by pressing it. */
  readonly shows: string;
  /** What putting it there does. */
  place(at: number): Act;
}

/** Where a line runs, and what is selected by it. */
type Drawn = Pick<Line, 'id' | 'from' | 'to' | 'shows'>;

/** Smallest opening a line is dragged to (mm). */
const LEAST = 20;
/** Multiples of a step are reasons this far to each side of what there is (mm). */
const NEAR = 400;

/** Multiples of a step near a size, between the least opening and the most (mm). */
export function multiples(near: number, most: number, step: number): number[] {
  const found: number[] = [];
  const first = Math.max(Math.ceil(LEAST / step), Math.ceil((near - NEAR) / step));
  for (let n = first; n * step <= Math.min(most - LEAST, near + NEAR); n += 1) found.push(n * step);
  return found;
}

/** The same as reasons to stop at: "round 5". */
export const round = (near: number, most: number, step: number) =>
  multiples(near, most, step).map((mm) => ({ mm, why: `round ${step}` }));

/** A member of a division: where it is decided, what it is called and how large it came out (mm). */
export interface Member {
  readonly decided: Pick<Opening, 'size' | 'pin'>;
  readonly path: EditPath;
  readonly name: string;
  readonly mm: number;
}

/** The line between two neighbours of a division, at `middle`: what one gains the other loses. */
export function lineBetween(
  members: readonly Member[],
  at: number,
  axis: SplitAxis,
  middle: number,
  drawn: Drawn,
  more: readonly Snap[] = [],
): Line {
  const [a, b] = [members[at] as Member, members[at + 1] as Member];
  // Rows run downwards: the first lies above the line, and grows as it goes down.
  const by = axis === 'rows' ? -1 : 1;
  const ends = [middle - by * Math.max(0, a.mm - LEAST), middle + by * Math.max(0, b.mm - LEAST)];
  const sized = (size: number) => middle + by * (size - a.mm);
  return {
    label: `${capital(a.name)} and ${b.name}`,
    ...drawn,
    moves: axis === 'rows' ? 'v' : 'h',
    at: middle,
    least: Math.min(...ends),
    most: Math.max(...ends),
    following: [
      { name: a.name, mm: a.mm, by },
      { name: b.name, mm: b.mm, by: by === 1 ? -1 : 1 },
    ],
    snaps: [
      { at: sized((a.mm + b.mm) / 2), why: 'equal' },
      ...more,
      ...multiples(a.mm, a.mm + b.mm, 32).map((size) => ({ at: sized(size), why: '32 grid' })),
    ],
    place: (to) => shiftBetween(members, at, by * (to - middle)),
  };
}

/**
 * Gives the first of two neighbours so much more and takes it from the second. Where others of their division take shares,
 * both are held so that those stay; else one of them goes on taking what is left.
 */
function shiftBetween(members: readonly Member[], at: number, by: number): Act {
  const [a, b] = [members[at] as Member, members[at + 1] as Member];
  const takes = ({ decided: { size, pin } }: Member) => size.rule !== 'fixed' && pin === undefined;
  const others = members.some((each) => each !== a && each !== b && takes(each));
  const held = ({ decided, path }: Member, mm: number): Edit =>
    decided.pin === undefined
      ? { path: pathTo.openingField(path, 'size'), value: { rule: 'fixed', mm } }
      : { path: pathTo.openingField(path, 'pin'), value: mm };
  const [first, second] = [held(a, a.mm + by), held(b, b.mm - by)];
  return {
    label: `${capital(a.name)} against ${b.name}`,
    edits: !others && takes(b) ? [first] : !others && takes(a) ? [second] : [first, second],
  };
}

/** A size that is decided by itself, and the line at its end. All mm. */
export interface DecidedSize {
  readonly label: string;
  readonly mm: number;
  readonly path: EditPath;
  /** Sizes it may be dragged to. */
  readonly least: number;
  readonly most: number;
  /** Sizes for which there is a reason. */
  readonly reasons: readonly { readonly mm: number; readonly why: string }[];
}

/** The line at the end of a decided size: the size grows as it moves forward, or backward where `by` is -1. */
export function lineOf(
  { label, mm, path, least, most, reasons }: DecidedSize,
  moves: Line['moves'],
  at: number,
  drawn: Drawn,
  by: 1 | -1 = 1,
): Line {
  const sized = (size: number) => at + by * (size - mm);
  const ends = [sized(least), sized(most)];
  return {
    label,
    ...drawn,
    moves,
    at,
    least: Math.min(...ends),
    most: Math.max(...ends),
    following: [{ name: label.toLowerCase(), mm, by }],
    snaps: reasons.map(({ mm: size, why }) => ({ at: sized(size), why })),
    place: (to) => ({ label, edits: [{ path, value: mm + by * (to - at) }] }),
  };
}

import { balanceOf } from '../acts/index.js';
import type { Beside } from '../drawing/index.js';
import { neighbourShift } from '../findings/index.js';
import { type Act, type Edit, type EditPath, type Opening, pathTo } from '../job/index.js';
import { roomsInside, type SplitLayout, spanOf } from '../layout/index.js';
import type { SolvedCabinet } from '../solve.js';
import { formatLength, inches, type LengthStyle } from '../units/index.js';
import { capital } from '../words.js';
import { gapKey, leadingSpans, placeOf } from './place.js';

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

/** Smallest opening a line is dragged to (mm). */
const LEAST = 20;

/** Every line that can be dragged on the front elevation. */
export function linesOf(solved: SolvedCabinet, beside: Beside = {}): Line[] {
  const { face } = solved;
  const gaps = face.ok ? face.splits.flatMap((layout) => gapLines(solved, layout, beside)) : [];
  return [...gaps, ...roomLines(solved), ...edgeLines(solved), ...pullLines(solved)];
}

function gapLines(solved: SolvedCabinet, layout: SplitLayout, beside: Beside): Line[] {
  const { axis, parts } = layout;
  const across = spanOf(layout.within.face, axis === 'rows' ? 'columns' : 'rows');
  return parts.slice(0, -1).flatMap((opening, at): Line[] => {
    const next = parts[at + 1] as Opening;
    const [a, b] = [layout.face[at], layout.face[at + 1]];
    const [before, after] = [leadingSpans(solved, layout)[at], leadingSpans(solved, layout)[at + 1]];
    if (!a || !b || !before || !after) return [];
    const names = [
      placeOf(solved, opening.id)?.name ?? 'opening',
      placeOf(solved, next.id)?.name ?? 'opening',
    ] as const;
    // Rows run downwards: the first lies above the line, and grows as it goes down.
    const rows = axis === 'rows';
    const [low, high] = rows ? [b.high.mm, a.low.mm] : [a.high.mm, b.low.mm];
    const middle = (low + high) / 2;
    const by = rows ? -1 : 1;
    const [first, second] = [before.size.mm, after.size.mm];
    const room = Math.max(0, first - LEAST);
    const other = Math.max(0, second - LEAST);
    return [
      {
        id: `gap-${opening.id}`,
        label: `${capital(names[0])} and ${names[1]}`,
        moves: rows ? 'v' : 'h',
        at: middle,
        from: across.low.mm,
        to: across.high.mm,
        least: rows ? middle - other : middle - room,
        most: rows ? middle + room : middle + other,
        following: [
          { name: names[0], mm: first, by },
          { name: names[1], mm: second, by: by === 1 ? -1 : 1 },
        ],
        snaps: [
          { at: middle + (by * (second - first)) / 2, why: 'equal' },
          ...linedUp(solved, layout, beside, middle),
          ...multiples(first, first + second, 32).map((size) => ({ at: middle + by * (size - first), why: '32 grid' })),
        ],
        shows: gapKey(opening.id),
        place: (to) => shiftBetween(membersOf(solved, layout), at, by * (to - middle)),
      },
    ];
  });
}

/** Multiples of a step between the least opening and what both have (mm). */
function multiples(near: number, most: number, step: number): number[] {
  const found: number[] = [];
  const first = Math.max(Math.ceil(LEAST / step), Math.ceil((near - 400) / step));
  for (let n = first; n * step <= Math.min(most - LEAST, near + 400); n += 1) found.push(n * step);
  return found;
}

/** Gaps of the neighbours, and of other divisions of this face, that a gap may line up with. */
function linedUp(solved: SolvedCabinet, layout: SplitLayout, beside: Beside, own: number): Snap[] {
  const rows = layout.axis === 'rows';
  const middles = ({ face }: SolvedCabinet, shift: number) =>
    face.ok
      ? face.splits
          .filter(({ axis }) => axis === layout.axis)
          .flatMap((split) =>
            split.face.slice(0, -1).flatMap((span, at) => {
              const next = split.face[at + 1];
              return next ? [(rows ? next.high.mm + span.low.mm : span.high.mm + next.low.mm) / 2 + shift] : [];
            }),
          )
      : [];
  const here = middles(solved, 0)
    .filter((at) => Math.abs(at - own) > 0.05)
    .map((at) => ({ at, why: 'lines up with the other' }));
  if (!rows) return here;
  const there = (['left', 'right'] as const).flatMap((end) => {
    const other = beside[end];
    if (!other) return [];
    const [a, b] = end === 'left' ? [other, solved] : [solved, other];
    const { z } = neighbourShift(a, b);
    if (z === undefined) return [];
    const shift = end === 'left' ? -z : z;
    return middles(other, shift).map((at) => ({ at, why: `lines up with ${other.cabinet.number}` }));
  });
  return [...here, ...there];
}

/** A member of a division, where it is decided, what it is called and how large it came out (mm). */
interface Member {
  readonly decided: Pick<Opening, 'size' | 'pin'>;
  readonly path: EditPath;
  readonly name: string;
  readonly mm: number;
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

function membersOf(solved: SolvedCabinet, layout: SplitLayout): Member[] {
  const spans = leadingSpans(solved, layout);
  return layout.parts.map((decided, at) => ({
    decided,
    path: pathTo.opening(layout.path, decided.id),
    name: placeOf(solved, decided.id)?.name ?? 'opening',
    mm: spans[at]?.size.mm ?? 0,
  }));
}

/** Behind doors a line is taken hold of at its end only, so that the doors can be chosen (mm). */
const GRIP_BEHIND = 110;

/** What stands between rooms, behind doors or in an open bay. */
function roomLines(solved: SolvedCabinet): Line[] {
  const { interiors, cabinet } = solved;
  const names = roomsInside(cabinet.face);
  return interiors.boundaries.flatMap(({ after, axis, centre, within }): Line[] => {
    const layout = interiors.splits.find(({ parts }) => parts.some(({ id }) => id === after));
    const at = layout?.parts.findIndex(({ id }) => id === after) ?? -1;
    if (!layout?.parts[at + 1]) return [];
    const members = layout.parts.map(
      (decided, index): Member => ({
        decided,
        path: pathTo.opening(layout.path, decided.id),
        name: names.get(decided.id)?.name ?? `room ${index + 1}`,
        mm: layout.sizes[index]?.size.mm ?? 0,
      }),
    );
    const [a, b] = [members[at] as Member, members[at + 1] as Member];
    const rows = axis === 'rows';
    const by = rows ? -1 : 1;
    const across = rows ? within.inside.h : within.inside.v;
    const [room, other] = [Math.max(0, a.mm - LEAST), Math.max(0, b.mm - LEAST)];
    return [
      {
        id: `room-${after}`,
        label: `${capital(a.name)} and ${b.name}`,
        moves: rows ? 'v' : 'h',
        at: centre.mm,
        from: across.low.mm,
        to: Math.min(across.high.mm, across.low.mm + GRIP_BEHIND),
        least: rows ? centre.mm - other : centre.mm - room,
        most: rows ? centre.mm + room : centre.mm + other,
        following: [
          { name: a.name, mm: a.mm, by },
          { name: b.name, mm: b.mm, by: by === 1 ? -1 : 1 },
        ],
        snaps: [
          { at: centre.mm + (by * (b.mm - a.mm)) / 2, why: 'equal' },
          ...multiples(a.mm, a.mm + b.mm, 32).map((size) => ({ at: centre.mm + by * (size - a.mm), why: '32 grid' })),
        ],
        shows: solved.parts.find(({ key }) => key.startsWith(`divider/${after}`))?.key ?? `divider/${after}`,
        place: (to) => shiftBetween(members, at, by * (to - centre.mm)),
      },
    ];
  });
}

/** The ends, the top, the upper edge of the toe. */
function edgeLines(solved: SolvedCabinet): Line[] {
  const { box, cabinet, resolved } = solved;
  const { size } = cabinet;
  const lines: Line[] = [];
  const right = box.width.mm + box.beyondRight.mm;
  const [foot, top] = [-box.underHeight.mm, box.height.mm];
  const width = box.overallWidth.mm;
  lines.push({
    id: 'end-right',
    label: 'Overall width',
    moves: 'h',
    at: right,
    from: foot,
    to: top,
    least: right - width + 100,
    most: right - width + 5000,
    following: [{ name: 'overall width', mm: width, by: 1 }],
    snaps: multiples(width, width + 1000, 50).map((each) => ({ at: right - width + each, why: 'round 50' })),
    shows: 'side/right',
    place: (at) => ({
      label: 'Overall width',
      edits: [{ path: pathTo.cabinetField(cabinet.id, 'size/width'), value: width + at - right }],
    }),
  });
  if (size.height.from === 'overall') {
    const { mm } = size.height;
    const balance = balanceOf(solved);
    lines.push({
      id: 'end-top',
      label: 'Overall height',
      moves: 'v',
      at: top,
      from: -box.beyondLeft.mm,
      to: right,
      least: top - mm + 100,
      most: top - mm + 4000,
      following: [{ name: 'overall height', mm, by: 1 }],
      snaps: [
        ...(balance
          ? [balance.below, balance.above].map((each) => ({ at: top + each - balance.now, why: 'balanced' }))
          : []),
        ...multiples(mm, mm + 1000, 50).map((each) => ({ at: top - mm + each, why: 'round 50' })),
      ],
      shows: solved.parts.some(({ key }) => key === 'top') ? 'top' : 'side/left',
      place: (at) => ({
        label: 'Overall height',
        edits: [{ path: pathTo.cabinetField(cabinet.id, 'size/height/mm'), value: mm + at - top }],
      }),
    });
  }
  const toe = resolved.settings.toe;
  const plinth = solved.parts.find(({ role }) => role === 'plinth');
  if (box.underHeight.mm > 0 && plinth)
    lines.push({
      id: 'toe',
      label: 'Toe height',
      moves: 'v',
      at: 0,
      from: 0,
      to: box.width.mm,
      least: foot + 20,
      most: foot + 300,
      following: [{ name: 'toe height', mm: toe.height.mm, by: 1 }],
      snaps: multiples(toe.height.mm, 320, 10).map((each) => ({ at: each - toe.height.mm, why: 'round 10' })),
      shows: plinth.key,
      place: (at) => ({
        label: 'Toe height',
        edits: [{ path: pathTo.setting(cabinet.id, 'toe/height'), value: toe.height.mm + at }],
      }),
    });
  return lines;
}

/** A pull is decided to lie no further from the end of its door (mm). */
const MOST_FROM_END = 600;
/** So far to each side of a pull its line can be taken hold of (mm). */
const BESIDE_PULL = 22;

/** The end of each door's pull that is decided: from the upper edge of the door in base cabinets, from the lower in wall ones. */
function pullLines({ fronts, fitted, cabinet, resolved }: SolvedCabinet): Line[] {
  const { fromEnd } = resolved.settings.pulls;
  // In a tall cabinet most stand at a height above the floor.
  if (cabinet.kind === 'tall') return [];
  const upper = cabinet.kind === 'base';
  return fitted.pulls.flatMap(({ frontKey, upright, extent: { min, max } }): Line[] => {
    const front = fronts.find(({ key, kind }) => key === frontKey && kind === 'door');
    if (!front || !upright) return [];
    const by = upper ? -1 : 1;
    const at = upper ? max[2] : min[2];
    // As far as the other end of the door, and no further than may be decided.
    const most = Math.min(front.v.size.mm - (max[2] - min[2]) - fromEnd.mm - 10, MOST_FROM_END - fromEnd.mm);
    const ends = [at - by * (fromEnd.mm - 10), at + by * most].sort((a, b) => a - b) as [number, number];
    return [
      {
        id: `pull-${frontKey}`,
        label: 'Pull from the end of the door',
        moves: 'v',
        at,
        from: min[0] - BESIDE_PULL,
        to: max[0] + BESIDE_PULL,
        least: ends[0],
        most: ends[1],
        following: [{ name: 'pull from the end', mm: fromEnd.mm, by }],
        snaps: multiples(fromEnd.mm, fromEnd.mm + most, 32).map((each) => ({
          at: at + by * (each - fromEnd.mm),
          why: '32 grid',
        })),
        shows: front.parts[0]?.key ?? frontKey,
        place: (to) => ({
          label: 'Pull from the end of the door',
          edits: [{ path: pathTo.setting(cabinet.id, 'pulls/fromEnd'), value: fromEnd.mm + by * (to - at) }],
        }),
      },
    ];
  });
}

/** Figures a line lands on where no reason holds it: whole millimetres, or sixteenths of an inch, of the first size. */
export function landing(line: Line, at: number, style: LengthStyle): number {
  const [first] = line.following;
  if (!first) return at;
  const step = style.unit === 'in' ? inches(1 / 16) : 1;
  const size = first.mm + first.by * (at - line.at);
  return line.at + first.by * (Math.round(size / step) * step - first.mm);
}

/** Where a line comes to rest: at the nearest reason within reach, else on a figure; never beyond its ends. */
export function settle(line: Line, at: number, reach: number, style: LengthStyle): Snap {
  const within = Math.min(line.most, Math.max(line.least, at));
  const near = line.snaps
    .filter((snap) => snap.at >= line.least && snap.at <= line.most && Math.abs(snap.at - within) <= reach)
    .sort((a, b) => Math.abs(a.at - within) - Math.abs(b.at - within))[0];
  if (near) return near;
  const round = roundNear(line, within, reach / 2, style);
  if (round !== undefined) return { at: round, why: style.unit === 'in' ? 'round 1/4' : 'round 5' };
  return { at: Math.min(line.most, Math.max(line.least, landing(line, within, style))), why: '' };
}

function roundNear(line: Line, at: number, reach: number, { unit }: LengthStyle): number | undefined {
  const [first] = line.following;
  if (!first) return undefined;
  const step = unit === 'in' ? inches(1 / 4) : 5;
  const size = first.mm + first.by * (at - line.at);
  const round = Math.round(size / step) * step;
  const there = line.at + first.by * (round - first.mm);
  return Math.abs(round - size) <= reach && there >= line.least && there <= line.most ? there : undefined;
}

/** The sizes on both sides of a line when it stands at a place, as they are read: "drawer front 140". */
export function sizesAt(line: Line, at: number, style: LengthStyle): string[] {
  return line.following.map(({ name, mm, by }) => `${name} ${formatLength(mm + by * (at - line.at), style)}`);
}

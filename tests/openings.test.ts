import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Cell } from '../src/core/build/index.js';
import type { Part } from '../src/core/part/index.js';
import { check, type SolvedCabinet, solve } from '../src/core/solve/index.js';
import { buildable } from './generator/buildable.js';
import { type CabinetDecisions, jobWith } from './support/cabinets.js';

/**
 * What the layout says of openings and fronts, held against where the parts stand: nothing here knows how either is
 * figured. Cabinets with a stop are left out and counted.
 */
const SEEDS = 240;

const share = { rule: 'share' as const, weight: 1 };
const odd = { stileLeft: 47, stileRight: 61, topRail: 39, bottomRail: 43, midRail: 34, midStile: 52, lip: 3, rise: 11 };
/** A frame with no two members alike, over rows and columns, on a box with an odd overhang at each end. */
const odds: CabinetDecisions[] = (['exposed', 'neighbour', 'wall'] as const).flatMap((left) =>
  (['overlay', 'inset'] as const).map((fit) => ({
    width: 900,
    settings: {
      school: 'faceFrame' as const,
      ends: { left, right: 'exposed' as const, scribe: 9 },
      frame: { ...odd, overhangExposed: 5, overhangNeighbour: 4 },
      fronts: { fit, gap: 2.4 },
    },
    face: {
      kind: 'rows' as const,
      graduation: { kind: 'arithmetic' as const, step: 0 },
      parts: [
        {
          id: 'a',
          size: { rule: 'fixed' as const, mm: 150 },
          divider: 'shelf' as const,
          fill: { kind: 'drawer' as const },
        },
        {
          id: 'b',
          size: share,
          fill: {
            kind: 'columns' as const,
            graduation: { kind: 'arithmetic' as const, step: 0 },
            parts: [
              { id: 'c', size: share, fill: { kind: 'door' as const, hinged: 'left' as const } },
              { id: 'd', size: { rule: 'share' as const, weight: 2 }, fill: { kind: 'pair' as const } },
            ],
          },
        },
      ],
    },
  })),
);

const sound: SolvedCabinet[] = odds.map((decisions) => solve(jobWith(decisions)).cabinets[0] as SolvedCabinet);
for (let seed = 0; seed < SEEDS; seed += 1) {
  const solved = solve(jobWith(buildable(seed).decisions)).cabinets[0] as SolvedCabinet;
  if (!check(solved).some(({ severity }) => severity === 'stop')) sound.push(solved);
}

const NEAR = 0.002;
const near = (a: number, b: number) => Math.abs(a - b) < NEAR;
const cellsOf = ({ face }: SolvedCabinet): readonly Cell[] => (face.ok ? face.cells : []);
const isFramed = ({ resolved }: SolvedCabinet) => resolved.settings.frame.fitted.value === 'fitted';

/** Whether a part has a face in the plane x (or z), towards the given side, and spans a place along the other axis. */
function bounds(part: Part, axis: 0 | 2, side: 'before' | 'after', plane: number, other: number): boolean {
  const { min, max } = part.extent;
  const across = axis === 0 ? 2 : 0;
  return near(side === 'before' ? max[axis] : min[axis], plane) && min[across] < other && max[across] > other;
}

test('most of what is looked at can be built', () => {
  assert.ok(sound.length > SEEDS * 0.7, `${sound.length} of ${SEEDS}`);
  assert.ok(sound.filter(isFramed).length > 40);
});

test('behind a face frame an opening is what its stiles and rails leave', () => {
  let edges = 0;
  for (const solved of sound.filter(isFramed)) {
    const members = solved.parts.filter(({ role }) => role === 'frame');
    for (const { clear, name } of cellsOf(solved)) {
      const x = (clear.h.low.value + clear.h.high.value) / 2;
      const z = (clear.v.low.value + clear.v.high.value) / 2;
      const at = `${solved.cabinet.id} ${name}`;
      assert.ok(
        members.some((part) => bounds(part, 0, 'before', clear.h.low.value, z)),
        `${at}: left`,
      );
      assert.ok(
        members.some((part) => bounds(part, 0, 'after', clear.h.high.value, z)),
        `${at}: right`,
      );
      assert.ok(
        members.some((part) => bounds(part, 2, 'before', clear.v.low.value, x)),
        `${at}: below`,
      );
      assert.ok(
        members.some((part) => bounds(part, 2, 'after', clear.v.high.value, x)),
        `${at}: above`,
      );
      edges += 4;
    }
  }
  assert.ok(edges > 300, `${edges} edges`);
});

test('the room behind an opening ends at uprights, and at whatever lies below and above it', () => {
  let rooms = 0;
  for (const solved of sound) {
    const uprights = solved.parts.filter(({ role }) => role === 'side' || role === 'partition');
    const level = solved.parts.filter(({ role }) => ['bottom', 'top', 'divider', 'web', 'stretcher'].includes(role));
    for (const { inside, name } of cellsOf(solved)) {
      const z = (inside.v.low.value + inside.v.high.value) / 2;
      const at = `${solved.cabinet.id} ${name}`;
      const left = uprights.some((part) => bounds(part, 0, 'before', inside.h.low.value, z));
      const right = uprights.some((part) => bounds(part, 0, 'after', inside.h.high.value, z));
      const open =
        solved.face.ok && solved.face.boundaries.some(({ kind, axis }) => kind === 'none' && axis === 'columns');
      if (!open) assert.ok(left && right, `${at}: beside`);
      const below = level.some(({ extent }) => near(extent.max[2], inside.v.low.value));
      const bare =
        solved.face.ok && solved.face.boundaries.some(({ kind, axis }) => kind === 'none' && axis === 'rows');
      if (!bare) assert.ok(below, `${at}: below`);
      rooms += 1;
    }
  }
  assert.ok(rooms > 300, `${rooms} rooms`);
});

test('two fronts of one cabinet side by side or one above the other are apart, by the gap where nothing divides them', () => {
  let pairs = 0;
  for (const { fronts, resolved } of sound)
    for (const one of fronts)
      for (const other of fronts) {
        if (one === other || one.h.high.value > other.h.low.value + NEAR) continue;
        const level = one.v.low.value < other.v.high.value - 1 && one.v.high.value > other.v.low.value + 1;
        if (!level) continue;
        const left = other.h.low.value - one.h.high.value;
        assert.ok(left > -NEAR, `${one.key} and ${other.key} lap by ${-left}`);
        if (one.openingId === other.openingId) {
          assert.ok(near(left, resolved.settings.fronts.gap.value), `a pair leaves ${left}`);
          pairs += 1;
        }
      }
  assert.ok(pairs > 40, `${pairs} pairs`);
});

test('fronts lie over their opening as their way of closing says, all round', () => {
  const seen = { overlay: 0, inset: 0, lipped: 0 };
  for (const solved of sound) {
    const { fit, gap, lip } = solved.resolved.settings.fronts;
    const { overlay } = solved.resolved.settings.frame;
    for (const cell of cellsOf(solved)) {
      if (cell.fill.kind === 'open') continue;
      const over = [
        cell.clear.h.low.value - cell.face.h.low.value,
        cell.face.h.high.value - cell.clear.h.high.value,
        cell.clear.v.low.value - cell.face.v.low.value,
        cell.face.v.high.value - cell.clear.v.high.value,
      ];
      const wanted = fit.value === 'inset' ? -gap.value : fit.value === 'lipped' ? lip.value : overlay.value;
      // Overlay on the box goes by reveals to its edges, not by its openings.
      if (fit.value === 'overlay' && !isFramed(solved)) continue;
      const divided = solved.face.ok && solved.face.boundaries.every(({ clear }) => clear.size.value > 0);
      if (!divided) continue;
      seen[fit.value] += 1;
      for (const reach of over)
        assert.ok(near(reach, wanted), `${cell.name} of ${solved.cabinet.id}: ${over}, not ${wanted}`);
    }
  }
  for (const [fit, count] of Object.entries(seen)) assert.ok(count > 20, `${count} ${fit}`);
});

test('what fronts and frame are fixed to reaches where the overall sizes say', () => {
  for (const solved of sound) {
    const { box, parts, resolved } = solved;
    const outside = parts.filter(({ role }) => !['door', 'drawer front', 'drawer box', 'packing'].includes(role));
    const left = Math.min(...outside.map(({ extent }) => extent.min[0]));
    const right = Math.max(...outside.map(({ extent }) => extent.max[0]));
    close(right - left, box.overallWidth.value, `${solved.cabinet.id}: width`);
    const top = Math.max(...parts.filter(({ role }) => role === 'side').map(({ extent }) => extent.max[2]));
    const over = Math.max(top, ...parts.filter(({ role }) => role === 'top').map(({ extent }) => extent.max[2]));
    close(over + box.underHeight.value, box.overallHeight.value, `${solved.cabinet.id}: height`);
    const back = Math.max(...parts.map(({ extent }) => extent.max[1]));
    // Fillers are flush with the fronts, before the carcass.
    const front = Math.min(...outside.filter(({ role }) => role !== 'filler').map(({ extent }) => extent.min[1]));
    if (resolved.settings.depth.means.value === 'carcass')
      close(back - front, box.overallDepth.value, `${solved.cabinet.id}: depth`);
  }
});

function close(is: number, should: number, what: string): void {
  assert.ok(near(is, should), `${what} is ${is}, should be ${should}`);
}

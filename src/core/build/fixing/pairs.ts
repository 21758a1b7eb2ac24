import type { Resolved } from '../../decisions/index.js';
import { type Dim, length, within } from '../../ground/index.js';
import { axisIndex, type Part, SAME_PLANE, uprightAt } from '../../part/index.js';
import { BACK_IN_RABBET, drivenFromBehind, endShows } from '../carcass/index.js';
import type { Screwed } from './holes.js';

/** What is screwed on goes at most so far apart: end panels, fillers, plinths; a back closer, a groove's back to a nailer (mm). */
const ADDED = length(300, 'screws of what is added at most apart');
const BACK = length(150, 'screws of the back at most apart');
const SPACER = length(450, 'screws of a spacer at most apart');
const NAILER = length(250, 'screws of a nailer at most apart');
/** A rear plinth rail is screwed in front of the back groove, at least this clear of it (mm). */
const CLEAR_OF_BACK = 10;

type Pair = Omit<Screwed, 'first' | 'pilot' | 'screw' | 'step'>;

/** Which parts are screwed through which: what is added to a box that stands, and its back. */
export function screwedPairs(parts: readonly Part[], resolved: Resolved): Screwed[] {
  const { first, pilot, screwLength, screwStep } = resolved.settings.fasteners;
  const byKey = new Map(parts.map((part) => [part.key, part]));
  const pairs = [
    ...endPanels(byKey),
    ...fillerReturns(byKey),
    ...plinth(byKey, parts),
    ...toeCleats(byKey),
    ...packing(parts),
    ...spacers(parts),
    ...backs[resolved.settings.back.kind.value](byKey, parts, resolved),
  ];
  return pairs.map((pair) => ({ first, ...pair, pilot, screw: screwLength, step: screwStep }));
}

type Parts = ReadonlyMap<string, Part>;

/** An end panel is pulled on from inside the box. */
function endPanels(parts: Parts): Pair[] {
  return (['left', 'right'] as const).flatMap((hand) =>
    pair(parts.get(`side/${hand}`), parts.get(`end/${hand}`), 'pulls the end panel on, from inside', ADDED),
  );
}

/** So is the strip behind a filler. */
function fillerReturns(parts: Parts): Pair[] {
  return (['left', 'right'] as const).flatMap((hand) =>
    pair(parts.get(`side/${hand}`), parts.get(`filler/${hand}/return`), 'holds the filler, from inside', ADDED),
  );
}

/** The box is screwed to its plinth through the bottom: into both rails, or the outer cross members where the back is over the rear one. */
function plinth(parts: Parts, all: readonly Part[]): Pair[] {
  const bottom = parts.get('bottom');
  const rails = [parts.get('plinth/front'), parts.get('plinth/rear')];
  const back = parts.get('back');
  const under = (rail: Part) =>
    !back || (rail.extent.min[1] + rail.extent.max[1]) / 2 < back.extent.min[1] - CLEAR_OF_BACK;
  const crosses = all.filter(({ piece, role }) => role === 'plinth' && piece?.kind === 'cross');
  const reached = rails.filter((rail): rail is Part => rail !== undefined && under(rail));
  const held = reached.length === rails.length ? reached : [...reached, ...crosses.slice(0, 1), ...crosses.slice(-1)];
  return [
    ...held.flatMap((rail) => pair(bottom, rail, 'fastens the box to its plinth', ADDED)),
    ...crosses
      .filter(drivenFromBehind)
      .flatMap((cross) => pair(rails[1], cross, 'holds the plinth together, from behind', ADDED)),
  ];
}

/** The cleats of a toe board are screwed to the sides. */
function toeCleats(parts: Parts): Pair[] {
  return (['left', 'right'] as const).flatMap((hand) =>
    pair(parts.get(`toe/cleat/${hand}`), parts.get(`side/${hand}`), 'holds the toe cleat', ADDED),
  );
}

/** Packing of runners is screwed to the upright it lies against. */
function packing(all: readonly Part[]): Pair[] {
  return all
    .filter(({ role }) => role === 'packing')
    .flatMap((strip) => {
      const { hand, extent, placement } = strip;
      if (placement.w[1] === 'z') return pair(strip, liesOn(strip, all), 'holds the runner', ADDED);
      const x = hand === 'left' ? extent.min[0] : extent.max[0];
      const z = (extent.min[2] + extent.max[2]) / 2;
      return pair(strip, uprightAt(all, hand ?? 'left', { x, z }), 'holds the packing', ADDED);
    });
}

/** The layers of a spacer are glued up and screwed on together, through the outermost. */
function spacers(all: readonly Part[]): Pair[] {
  const units = new Map<string, Part[]>();
  for (const part of all)
    if (part.role === 'spacer' && part.unit) units.set(part.unit, [...(units.get(part.unit) ?? []), part]);
  return [...units.values()].flatMap((layers): Pair[] => {
    const { hand = 'left' } = layers[0] as Part;
    const outwards = (part: Part) => (hand === 'left' ? -part.extent.max[0] : part.extent.min[0]);
    const [outer, ...between] = [...layers].sort((a, b) => outwards(a) - outwards(b)) as [Part, ...Part[]];
    const inner = between.at(-1) ?? outer;
    const x = hand === 'left' ? inner.extent.min[0] : inner.extent.max[0];
    const z = (outer.extent.min[2] + outer.extent.max[2]) / 2;
    return pair(outer, uprightAt(all, hand, { x, z }), 'holds the spacer', SPACER).map((made) =>
      between.length > 0 ? { ...made, between } : made,
    );
  });
}

/** What a strip lies on. */
function liesOn(strip: Part, all: readonly Part[]): Part | undefined {
  const { min, max } = strip.extent;
  return all.find(({ extent, placement }) => {
    if (placement.w[1] !== 'z' || Math.abs(extent.max[2] - min[2]) > SAME_PLANE) return false;
    return extent.min[0] < max[0] && extent.max[0] > min[0] && extent.min[1] < max[1] && extent.max[1] > min[1];
  });
}

/** A grooved back is fixed to what it is not let into: nailers behind it, rails before it, a bottom it runs past. */
function grooved(parts: Parts, all: readonly Part[], { settings }: Resolved): Pair[] {
  const back = parts.get('back');
  if (!back) return [];
  return all
    .filter(
      ({ key, role }) => role === 'nailer' || role === 'stretcher' || role === 'bottom' || key === 'web/top/rail/rear',
    )
    .filter(
      (part) => liesAgainst(back, part, 'before') || (part.role === 'nailer' && liesAgainst(back, part, 'behind')),
    )
    .flatMap((part) => pair(back, part, `fixes the back to ${within(part.name)}`, NAILER, settings.fasteners.hold));
}

/** Any other back is screwed to everything it lies against, a rabbeted one in the rabbets it lies in. */
function laid(parts: Parts, all: readonly Part[], { settings }: Resolved): Pair[] {
  const back = parts.get('back');
  if (!back) return [];
  return all
    .filter(({ role }) => ROLES_AT_BACK.has(role))
    .flatMap((part): Pair[] => {
      const rabbeted = part.machining.some(({ group }) => group === BACK_IN_RABBET);
      if (!rabbeted && !liesAgainst(back, part, 'before')) return [];
      const [made] = pair(back, part, `fixes the back to ${within(part.name)}`, BACK, settings.fasteners.hold);
      return made ? [rabbeted ? { ...made, group: BACK_IN_RABBET } : made] : [];
    });
}

/** A structural back is screwed through what it stands between, but for ends that show, and to what ends at its front. */
function structural(parts: Parts, all: readonly Part[], resolved: Resolved): Pair[] {
  const sides = (['left', 'right'] as const).filter((hand) => !endShows(hand, resolved)).map((hand) => `side/${hand}`);
  return [
    ...[...sides, 'bottom', 'top'].flatMap((key) =>
      pair(parts.get(key), parts.get('back'), 'holds the back by its edge', BACK),
    ),
    ...laid(parts, all, resolved),
  ];
}

type BackKind = Resolved['settings']['back']['kind']['value'];
const backs: Readonly<Record<BackKind, (parts: Parts, all: readonly Part[], resolved: Resolved) => Pair[]>> = {
  grooved,
  rabbeted: laid,
  applied: laid,
  structural,
  none: () => [],
};

const ROLES_AT_BACK: ReadonlySet<string> = new Set([
  'side',
  'bottom',
  'top',
  'stretcher',
  'nailer',
  'partition',
  'divider',
  'web',
]);

/** True when a part touches the front, or the rear, of the back. */
function liesAgainst(back: Part, part: Part, where: 'before' | 'behind'): boolean {
  const y = axisIndex('+y');
  const apart = where === 'before' ? back.extent.min[y] - part.extent.max[y] : part.extent.min[y] - back.extent.max[y];
  return Math.abs(apart) < SAME_PLANE;
}

function pair(through: Part | undefined, into: Part | undefined, reason: string, spacing: Dim, hold?: Dim): Pair[] {
  return through && into ? [{ through, into, reason, spacing, ...(hold ? { hold } : {}) }] : [];
}

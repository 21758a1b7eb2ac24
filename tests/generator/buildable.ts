/**
 * Cabinets made so that they can be built: sizes follow from what has to go in, and choices that cannot go together are
 * not put together. One seed, one cabinet. Nothing here knows a formula of the core; it knows the trade.
 */
import {
  type Fill,
  type Interior,
  type InteriorSplit,
  interiorOf,
  isDivided,
  isSplit,
  type Opening,
  type Room,
  type Split,
  shelved,
} from '../../src/core/decisions/index.js';
import { settingLeaves } from '../../src/core/solve/index.js';
import type { CabinetDecisions } from '../support/cabinets.js';
import { Random } from './random.js';

/** The choices whose every pair is to be met. */
export const FACTORS = {
  kind: ['base', 'wall', 'tall'],
  school: ['frameless', 'faceFrame', 'traditional'],
  frame: ['none', 'fitted'],
  top: ['full', 'over', 'stretchers', 'uprightRear', 'uprightFront', 'web', 'none'],
  back: ['grooved', 'past', 'rabbeted', 'applied', 'structural', 'none'],
  toe: ['none', 'plinth', 'notched', 'legs', 'standing'],
  bottom: ['between', 'under'],
  bottomJoint: ['screws', 'pocket', 'dowels', 'tenons', 'dado', 'rabbet'],
  topJoint: ['screws', 'pocket', 'dowels', 'tenons', 'dado', 'rabbet'],
  shelfJoint: ['screws', 'pocket', 'dowels', 'tenons', 'dado'],
  partitionJoint: ['screws', 'pocket', 'dowels', 'tenons', 'dado'],
  rows: ['stretcher', 'shelf', 'web', 'none'],
  columns: ['partition', 'none'],
  fill: ['drawer', 'false', 'door', 'pair', 'open'],
  fit: ['overlay', 'inset', 'lipped'],
} as const;
export type Factor = keyof typeof FACTORS;
export type Chosen = { [F in Factor]: (typeof FACTORS)[F][number] };

/** Pairs that cannot go together, each with the reason. */
export const APART: readonly (readonly [Factor, string, Factor, string, string])[] = [
  ['bottom', 'under', 'toe', 'legs', 'a bottom under the sides needs a floor or plinth under all of it'],
  ['bottom', 'under', 'toe', 'notched', 'the sides reach the floor'],
  ['bottom', 'under', 'toe', 'standing', 'the sides reach the floor'],
  ['bottom', 'under', 'kind', 'wall', 'nothing carries the bottom of a hanging box'],
  ['bottom', 'under', 'back', 'past', 'the back cannot run past a bottom it stands on'],
  ['kind', 'wall', 'toe', 'plinth', 'a wall cabinet hangs'],
  ['kind', 'wall', 'toe', 'legs', 'a wall cabinet hangs'],
  ['kind', 'wall', 'toe', 'notched', 'a wall cabinet hangs'],
  ['kind', 'wall', 'toe', 'standing', 'a wall cabinet hangs'],
  ['columns', 'none', 'fill', 'drawer', 'the runners of a drawer want an upright at both ends'],
  ['top', 'none', 'columns', 'partition', 'the head of a partition wants something over it'],
  ['top', 'uprightFront', 'columns', 'partition', 'the head of a partition wants something flat over it'],
];

/** What a limit asks of the rest of the cabinet, so that it can still be built. */
export interface LimitUse {
  readonly key: string;
  readonly at: 'low' | 'high' | 'between';
}

export interface Buildable {
  readonly decisions: CabinetDecisions;
  readonly chosen: Chosen;
  readonly limit: LimitUse;
}

const numeric = settingLeaves.filter(({ limits }) => limits !== undefined);
/** How many seeds it takes to go once through every setting at both limits and between. */
export const LIMIT_ROUND = numeric.length * 3;

function apart(chosen: Partial<Chosen>, factor: Factor, value: string): boolean {
  return APART.some(
    ([a, x, b, y]) =>
      (a === factor && x === value && chosen[b] === y) || (b === factor && y === value && chosen[a] === x),
  );
}

const ORDER = Object.keys(FACTORS) as Factor[];

function choose(random: Random): Chosen {
  const chosen: Record<string, string> = {};
  // The order in which choices are made is drawn too, so that none is always left what others leave it.
  const order = [...ORDER].sort(() => random.next() - 0.5);
  for (const factor of order) {
    const free = (FACTORS[factor] as readonly string[]).filter((value) => !apart(chosen, factor, value));
    chosen[factor] = random.pick(free);
  }
  return chosen as unknown as Chosen;
}

/** The cabinet of a seed. */
export function buildable(seed: number): Buildable {
  const random = new Random(seed);
  const chosen = choose(random);
  const leaf = numeric[Math.floor(seed / 3) % numeric.length] as (typeof numeric)[number];
  const at = (['low', 'high', 'between'] as const)[seed % 3] as LimitUse['at'];
  const { min, max } = leaf.limits as { min: number; max: number };
  const value = at === 'low' ? min : at === 'high' ? max : random.between(min, max);
  const whole = leaf.schema.safeParse(value).success ? value : Math.round(value);
  return { decisions: decisionsFor(chosen, random, leaf.path, whole), chosen, limit: { key: leaf.key, at } };
}

function set(tree: Record<string, unknown>, path: readonly string[], value: unknown): void {
  let node = tree;
  for (const key of path.slice(0, -1)) {
    node[key] ??= {};
    node = node[key] as Record<string, unknown>;
  }
  node[path.at(-1) as string] = value;
}

/** Boxes in every way they are made and hung; wood on wood wants something under every drawer. */
function sayDrawers(chosen: Chosen, random: Random, say: (key: string, word: unknown) => void): void {
  const carried = chosen.rows === 'web' || chosen.rows === 'shelf';
  const families = ['side', 'corner', 'under', ...(carried ? ['wooden', 'wooden'] : [])];
  const family = random.pick(families);
  say('drawers/family', family);
  say('drawers/corner', random.pick(['butt', 'rabbet', 'dowels', 'lapped', 'halfblind', 'through']));
  // Hidden runners hold the bottom between the sides.
  say('drawers/bottom', random.pick(family === 'under' ? ['groove', 'slid'] : ['groove', 'slid', 'applied']));
  say('drawers/contents', random.pick(['light', 'kitchen']));
}

function decisionsFor(chosen: Chosen, random: Random, path: readonly string[], value: number): CabinetDecisions {
  const framed = chosen.frame === 'fitted';
  const settings: Record<string, unknown> = {};
  const say = (key: string, word: unknown) => set(settings, key.split('/'), word);
  say('school', chosen.school);
  say('frame/fitted', chosen.frame);
  say('toe/kind', chosen.toe);
  say('top/kind', chosen.top === 'over' ? 'full' : chosen.top);
  say('top/place', chosen.top === 'over' ? 'over' : 'between');
  say('back/kind', chosen.back === 'past' ? 'grooved' : chosen.back);
  say('back/bottomEdge', chosen.back === 'past' ? 'past' : 'captured');
  say('back/offsetFrom', random.chance(0.8) ? 'nailer' : 'set');
  // A nailer is no thicker than what stays behind the groove.
  say('back/offset', 20);
  // A structural back hangs and squares the box on its own.
  if (chosen.back === 'structural') say('materials/back', 'birch18');
  say('bottom/place', chosen.bottom);
  say('joints/bottom', chosen.bottomJoint);
  say('joints/top', chosen.topJoint);
  say('joints/shelf', chosen.shelfJoint);
  say('joints/partition', chosen.partitionJoint);
  say('dividers/betweenFronts', chosen.rows);
  say('dividers/atOpenBay', chosen.rows === 'web' ? 'shelf' : chosen.rows);
  say('dividers/partitions', chosen.columns);
  say('fronts/fit', chosen.fit);
  say('fronts/gap', random.pick([2, 3, 4]));
  // Two lips and a gap have to fit on a divider of 18.
  if (!framed) say('fronts/lip', 6);
  say('fronts/lay', random.pick(['fronts', 'openings']));
  // Planed boards are glued up to no more than they are sold; wide sides and fronts are made of sheet.
  if (chosen.school === 'traditional') {
    say('materials/front', 'front18');
    if (random.chance(0.7)) say('materials/side', 'birch18');
  }
  // The grain of a tall front runs up, or no sheet is wide enough for it.
  if (chosen.kind === 'tall') say('fronts/drawerGrain', 'up');
  // A box without a back needs rails to stay square, and so does one that hangs.
  say('nailer/rails', 'standard');
  const [left, right] = [0, 1].map(() => random.pick(['neighbour', 'neighbour', 'exposed', 'wall']));
  say('ends/left', left);
  say('ends/right', right);
  say('ends/filler', random.pick(['strip', 'strip', 'none']));
  if (random.chance(0.2)) say(`ends/${random.pick(['left', 'right'])}Panel`, 'applied');
  say('making/kind', random.pick(['slab', 'slab', 'stick', 'mitred', 'trim']));
  say('pins/kind', random.pick(['grid', 'grid', 'free', 'none']));
  say('pins/column', random.pick(['full', 'around']));
  say('pins/opposite', random.pick(['stagger', 'through']));
  say('depth/means', random.pick(['carcass', 'fronts']));
  if (framed) {
    // The side must not stand in the opening, and two fronts must fit on what divides them.
    say('frame/stileLeft', 50);
    say('frame/stileRight', 50);
    say('frame/midRail', 45);
    say('frame/midStile', 45);
    // A frame ends on the floor where nothing holds the box up.
    if (chosen.toe === 'none' && chosen.kind !== 'wall') say('frame/lip', 25);
    // Pocket holes want a plain front edge: what stands upright behind it, or shows, goes with a tongue.
    const plain =
      ['full', 'stretchers', 'none'].includes(chosen.top) && [left, right].every((end) => end !== 'exposed');
    say('frame/attachment', plain ? 'pocket' : 'tongue');
  }
  sayDrawers(chosen, random.fork(), say);
  set(settings, path, value);
  const face = faceFor(chosen, random);
  const { columns, rows } = counts(face);
  const width = Math.max(350, columns * random.between(320, 420) + (framed ? 120 : 0));
  const base = chosen.kind === 'tall' ? random.between(1500, 2100) : random.between(620, 950);
  return {
    from: chosen.kind,
    width: Math.round(Math.min(1180, width)),
    height: Math.round(Math.max(base, rows * 190 + 250)),
    depth: Math.round(random.between(chosen.kind === 'wall' ? 300 : 420, 640)),
    settings: settings as NonNullable<CabinetDecisions['settings']>,
    face,
    ...measuredAndDecided(random, chosen),
  };
}

/** Thickness as measured, and now and then a part of another board than its fellows. */
function measuredAndDecided(random: Random, chosen: Chosen): Pick<CabinetDecisions, 'measured' | 'decided'> {
  const birch18 = Math.round(random.between(17.4, 18.6) * 10) / 10;
  const other = random.fork();
  if (!other.chance(0.2)) return { measured: { birch18 } };
  const parts = ['side/left', 'side/right', 'bottom', 'top', 'divider/o1', 'shelf/o1/1', 'shelf/o2/1'];
  const decided = parts
    .filter(() => other.chance(0.4))
    .map((part, at) => ({ id: `p${at + 1}`, part, material: 'front18', bands: { rear: other.chance(0.5) } }));
  // Frame, tongue and rebates of the shop are made for sides of one thickness within a little.
  const most = chosen.frame === 'fitted' ? 19 : 21;
  return { measured: { birch18, front18: Math.round(other.between(17, most) * 10) / 10 }, decided };
}

/** How many openings stand side by side and one above the other, at most. */
function counts(split: Split | InteriorSplit): { columns: number; rows: number } {
  const inner = (split.parts as readonly { readonly fill: Fill }[]).map(({ fill }) => {
    if (isSplit(fill)) return counts(fill);
    const room = interiorOf(fill);
    return room && isDivided(room) ? counts(room) : { columns: 1, rows: 1 };
  });
  const sum = (of: 'columns' | 'rows') => inner.reduce((total, each) => total + each[of], 0);
  const most = (of: 'columns' | 'rows') => Math.max(...inner.map((each) => each[of]));
  return split.kind === 'rows'
    ? { columns: most('columns'), rows: sum('rows') }
    : { columns: sum('columns'), rows: most('rows') };
}

/** Rows with columns in one of them, so that every divider there is stands somewhere. */
function faceFor(chosen: Chosen, random: Random): Split {
  let count = 0;
  const id = () => {
    count += 1;
    return `o${count}`;
  };
  /** `shares` says at which edge the opening shares a partition with another that may hang doors on it. */
  const fillOf = (kind: Chosen['fill'], shares?: 'left' | 'right'): Fill => {
    // Adjustable shelves stand in uprights on both sides.
    const carried = !shares || chosen.columns !== 'none';
    const interior = carried && random.chance(0.3) ? roomsFor(id, random) : shelved(carried ? random.whole(0, 2) : 0);
    const own = interior ? { interior } : {};
    switch (kind) {
      case 'drawer':
      case 'false':
        return { kind };
      case 'door':
        return { kind, hinged: shares ? other(shares) : random.pick(['left', 'right'] as const), ...own };
      case 'pair':
      case 'open':
        return { kind, ...own };
    }
  };
  const opening = (fill: Fill): Opening => ({
    id: id(),
    size: { rule: 'share', weight: random.pick([1, 1, 1.5]) },
    fill,
  });
  const some = () => (random.chance(0.6) ? chosen.fill : random.pick(FACTORS.fill));
  /** Two side by side: of two pairs one would hang on the other's plates. A pair needs an upright at both edges. */
  const beside = (one: Chosen['fill'], two: Chosen['fill']): [Fill, Fill] => {
    const lone = chosen.columns === 'none';
    // Drawers run on an upright at either end.
    const single = (kind: Chosen['fill']) => (kind === 'pair' || (lone && kind === 'drawer') ? 'door' : kind);
    return [fillOf(lone ? single(one) : one, 'right'), fillOf(lone || one === 'pair' ? single(two) : two, 'left')];
  };
  const graduation = { kind: 'arithmetic' as const, step: 20 };
  const leaf = () => opening(fillOf(some()));
  const shape = random.whole(0, 3);
  if (shape === 0)
    return { kind: 'rows', graduation, parts: [opening(fillOf(chosen.fill)), ...(random.chance(0.7) ? [leaf()] : [])] };
  const [one, two] = beside(chosen.fill, some()).map(opening) as [Opening, Opening];
  const columns: Split = { kind: 'columns', graduation, parts: [one, two] };
  if (shape === 1) return columns;
  const whole = opening(columns);
  if (shape === 2) return { kind: 'rows', graduation, parts: random.chance(0.5) ? [leaf(), whole] : [whole, leaf()] };
  const upper = some() === 'pair' ? 'door' : 'drawer';
  const [left, right] = beside(upper, some());
  const stacked = opening({ kind: 'rows', graduation, parts: [opening(left), opening(beside(upper, 'drawer')[0])] });
  return { kind: 'columns', graduation, parts: [stacked, opening(right)] };
}

/** A room divided: a fixed shelf or nothing between rows, a partition between columns that stand on the bottom of it. */
function roomsFor(id: () => string, random: Random): InteriorSplit {
  const graduation = { kind: 'arithmetic' as const, step: 20 };
  const leaf = (): Interior => {
    const kind = random.pick(['shelves', 'drawer', 'tray', 'tray', 'nothing', 'bottles'] as const);
    return kind === 'shelves' ? { kind, shelves: 1 } : { kind };
  };
  const room = (fill: Interior, divider?: Room['divider']): Room => ({
    id: id(),
    size: { rule: 'share', weight: random.pick([1, 1, 1.5]) },
    ...(divider ? { divider } : {}),
    fill,
  });
  const rows = (): InteriorSplit => ({
    kind: 'rows',
    graduation,
    parts: [room(leaf(), random.pick(['shelf', 'none'] as const)), room(leaf())],
  });
  const columns = (): InteriorSplit => ({ kind: 'columns', graduation, parts: [room(leaf()), room(leaf())] });
  switch (random.whole(0, 2)) {
    case 0:
      return rows();
    case 1:
      return columns();
    default:
      return { kind: 'rows', graduation, parts: [room(leaf(), 'shelf'), room(columns())] };
  }
}

const other = (hand: 'left' | 'right') => (hand === 'left' ? 'right' : 'left');

import { type Dim, largest, length, plain } from '../../derive/index.js';
import type { ResolvedSettings } from '../../document/index.js';
import { type By, type Operation, SCREW_WAY, type Stopped } from '../../machining/index.js';
import type { BoxPlan } from './plan.js';

/** What a corner needs to know of the box it is made for. */
export interface CornerContext {
  /** Keys of the box and of its front and back. */
  readonly key: string;
  readonly plan: BoxPlan;
  readonly settings: ResolvedSettings;
  /** Thickness of all four sides. */
  readonly side: Dim;
  /** Height of the sides, and of the back, which may begin above them. */
  readonly height: Dim;
  readonly back: { readonly up: Dim; readonly height: Dim };
  readonly bottom: { readonly thickness: Dim; readonly applied: boolean };
  readonly by: (what: string) => By;
}

/** Operations by part: each of the sides alike, front, back, and the ways of screws by the key of a part. */
export interface Joined {
  readonly sides: readonly Operation[];
  readonly front: readonly Operation[];
  readonly back: readonly Operation[];
  readonly ways: readonly (readonly [key: string, operation: Operation])[];
}

/** How far the sides stop short of the box's front and rear, and how far front and back reach past their inner faces. */
export interface CornerPlace {
  readonly lead: Dim;
  readonly trail: Dim;
  readonly reach: Dim;
}

/** Where the groove of the bottom stops so that it does not show at an end. */
export interface GrooveStops {
  readonly side?: { readonly start?: Dim; readonly end?: Dim };
  readonly across?: { readonly start: Dim; readonly end: Dim };
}

/** One way of joining the corners of a box and all that is particular to it. */
export interface Corner {
  place(side: Dim, settings: ResolvedSettings): CornerPlace;
  join(context: CornerContext): Joined;
  stops?(side: Dim, settings: ResolvedSettings, open: boolean): GrooveStops;
}

const NONE = length(0, 'nothing');
const ENDS = ['u0', 'u1'] as const;
const where = (end: 'u0' | 'u1') => (end === 'u0' ? 'front' : 'back');

/** Front and back stand between the sides. */
const between = (): CornerPlace => ({ lead: NONE, trail: NONE, reach: NONE });

const butt: Corner = {
  place: between,
  join(context) {
    const { key, side, settings, by } = context;
    const { front, back } = fastenerHeights(context);
    const screw = settings.drawers.screw.minus(side).as('screw in the end of the box front');
    const way = (part: 'front' | 'back', positions: readonly Dim[]) =>
      ENDS.map((edge) => [`${key}/${part}`, screwWay(edge, side, positions, screw, by)] as const);
    return {
      sides: ENDS.map((end) => screwsThrough(end, 2, end === 'u0' ? front : back, where(end), context)),
      front: [],
      back: [],
      ways: [...way('front', front), ...way('back', onBack(context, back))],
    };
  },
};

/** Wood left behind a dowel in a box side, and how far it goes into an end (mm). */
const BEHIND_DOWEL = length(4, 'left behind the dowel');
const DOWEL_IN_END = length(22, 'in the end');

const dowels: Corner = {
  place: between,
  join(context) {
    const { side, settings, by } = context;
    const { front, back } = fastenerHeights(context);
    const half = side.over(2).as('half the thickness');
    const diameter = settings.fasteners.dowel.mm > half.mm ? half : settings.fasteners.dowel;
    const end = (edge: 'u0' | 'u1', positions: readonly Dim[]): Operation => ({
      kind: 'edge holes',
      edge,
      offset: side.over(2).as('middle of the edge'),
      positions,
      diameter,
      depth: DOWEL_IN_END,
      reason: 'dowels of the corner',
      by: by('corner'),
    });
    return {
      sides: ENDS.map((from) => ({
        kind: 'holes',
        face: 1,
        from,
        offset: side.over(2).as('middle of the front'),
        positions: from === 'u0' ? front : back,
        diameter,
        depth: side.minus(BEHIND_DOWEL).as('dowel in the side'),
        reason: `dowels of the corner, ${where(from)}`,
        by: by('corner'),
        holds: `${context.key}/${where(from)}`,
      })),
      front: ENDS.map((edge) => end(edge, front)),
      back: ENDS.map((edge) => end(edge, onBack(context, back))),
      ways: [],
    };
  },
};

/** Front and back cover the ends of the sides and are screwed into them from outside. */
const lapped: Corner = {
  place: (side) => ({
    lead: side.as('front of the box'),
    trail: side.as('back of the box'),
    reach: side.as('over the end of the side'),
  }),
  join(context) {
    const { key, side, settings, by } = context;
    const { front, back } = fastenerHeights(context);
    const screw = settings.drawers.screw.minus(side).as('screw in the end of the side');
    return {
      sides: [],
      front: ENDS.map((from) => screwsThrough(from, 2, front, 'front', context)),
      back: ENDS.map((from) => screwsThrough(from, 2, onBack(context, back), 'back', context)),
      ways: (['left', 'right'] as const).flatMap((hand) => [
        [`${key}/${hand}`, screwWay('u0', side, front, screw, by)] as const,
        [`${key}/${hand}`, screwWay('u1', side, back, screw, by)] as const,
      ]),
    };
  },
  stops(side, { drawers }) {
    const stop = side.minus(drawers.groove).as('groove stopped short of the end');
    return stop.mm > 0 ? { across: { start: stop, end: stop } } : {};
  },
};

const rabbet: Corner = {
  place: (_side, { drawers }) => ({ lead: NONE, trail: NONE, reach: drawers.engagement }),
  join: ({ key, side, settings, by }) => ({
    sides: ENDS.map((from) => ({
      kind: 'rabbet',
      face: 1,
      from,
      width: side,
      depth: settings.drawers.engagement,
      reason: `takes the ${where(from)} of the box, glued`,
      by: by('corner'),
      holds: `${key}/${where(from)}`,
    })),
    front: [],
    back: [],
    ways: [],
  }),
};

/** So much is left before half-blind tails at least; a quarter of the front where nobody has said (mm). */
const LEAST_LAP = length(3, 'left before the tails');
/** The tails go in at least so far (mm). */
const LEAST_TAIL = length(4, 'length of the tails');

/** What is left of the front before half-blind tails. */
export function lapOf(front: Dim, { drawers }: ResolvedSettings): Dim {
  const wanted = drawers.lap.mm > 0 ? drawers.lap : largest(LEAST_LAP, front.over(plain(4, 'a quarter')));
  const most = front.minus(LEAST_TAIL);
  return (wanted.mm > most.mm ? most : wanted).as('left before the tails');
}

/** Tails on the sides; front and back have the pins at the full width of the box. */
const dovetailed = (blind: boolean): Corner => ({
  place: (side, settings) => ({
    lead: blind ? lapOf(side, settings) : NONE,
    trail: NONE,
    reach: side.as('as far as the outside of the sides'),
  }),
  join(context) {
    const { key, side, settings, by, back } = context;
    const into = {
      u0: blind ? side.minus(lapOf(side, settings)).as('length of the tails') : side,
      u1: side,
    };
    const inFront = tailsOf(context, { up: NONE, height: context.height }, into.u0);
    const inBack = tailsOf(context, back, into.u1);
    const common = { kind: 'dovetails', reason: 'corner of the box, glued', by: by('corner') } as const;
    const lowered = {
      ...inBack,
      positions: inBack.positions.map((at) => at.minus(back.up).as('middle of the tail, on the back')),
    };
    return {
      sides: ENDS.map((end) => ({
        ...common,
        end,
        board: 'tails',
        length: into[end],
        depth: into[end],
        ...(end === 'u0' ? inFront : inBack),
        lower: end === 'u0' ? NONE : back.up,
        upper: end === 'u0' ? context.height : back.up.plus(back.height),
        holds: `${key}/${where(end)}`,
      })),
      front: ENDS.map((end) => ({
        ...common,
        end,
        board: 'pins',
        length: side,
        depth: into.u0,
        ...inFront,
        lower: NONE,
        upper: context.height,
      })),
      back: ENDS.map((end) => ({
        ...common,
        end,
        board: 'pins',
        length: side,
        depth: into.u1,
        ...lowered,
        lower: NONE,
        upper: back.height,
      })),
      ways: [],
    };
  },
  /** In front and back it runs out in a socket; in the sides it would show at the ends of the tails. */
  stops(side, settings, open) {
    const long = blind ? side.minus(lapOf(side, settings)) : side;
    const start = long.minus(settings.drawers.groove).as('groove stopped short of the end');
    const end = side.minus(settings.drawers.groove).as('groove stopped short of the end');
    return { side: { ...(start.mm > 0 ? { start } : {}), ...(end.mm > 0 && !open ? { end } : {}) } };
  },
});

/** Every way of joining the corners of a box. */
export const corners = {
  butt,
  dowels,
  lapped,
  rabbet,
  halfblind: dovetailed(true),
  through: dovetailed(false),
} as const satisfies Record<ResolvedSettings['drawers']['corner']['value'], Corner>;

/** The half pins at the upper and lower edge are so high at the shoulder, or end below the groove of the bottom (mm). */
const HALF_PIN = 8;
const UNDER_GROOVE = 3;
const LEAST_HALF_PIN = 3;

/**
 * Tails as wide as the shop cuts them, equal over the height of a corner; the lowest covers the groove of the bottom, so
 * that it runs out in its socket.
 */
function tailsOf(
  { plan, settings, bottom }: CornerContext,
  { up, height }: { readonly up: Dim; readonly height: Dim },
  depth: Dim,
): { readonly positions: readonly Dim[]; readonly narrow: Dim; readonly wide: Dim } {
  const { tail, pin, slope } = settings.drawers;
  const covers = !bottom.applied && up.mm === 0;
  const lowest = covers ? Math.max(LEAST_HALF_PIN, Math.min(HALF_PIN, plan.recess.mm - UNDER_GROOVE)) : HALF_PIN;
  const half = length(lowest, 'half pin at the edge');
  const room = height.minus(half.times(2)).as('room for the tails');
  const least = covers ? plan.recess.mm - lowest + bottom.thickness.mm + 1 : 0;
  let count = Math.max(1, Math.round((room.mm + pin.mm) / (tail.mm + pin.mm)));
  while (count > 1 && (room.mm - (count - 1) * pin.mm) / count < least) count -= 1;
  const narrow = (count > 1 ? room.minus(pin.times(count - 1)).over(plain(count, 'tails')) : room).as(
    'width of a tail at its shoulder',
  );
  const wide = narrow.plus(depth.over(slope).times(2)).as('width of a tail at its tip');
  const positions = Array.from({ length: count }, (_, at) => {
    const first = up.plus(half).plus(narrow.over(2));
    return (at === 0 ? first : first.plus(narrow.plus(pin).times(at))).as('middle of the tail');
  });
  return { positions, narrow, wide };
}

/** Fasteners keep this far above the groove of the bottom, from the upper edge, and from one to the next (mm). */
const ABOVE_GROOVE = length(9, 'above the groove');
const FROM_TOP = length(20, 'from the upper edge');
const FROM_LOWER = length(25, 'from the lower edge');
const APART = 100;
const LEAST_APART = 12;

/** Heights of the fasteners along the sides: two to a corner in low boxes, else at most 100 apart, clear of the groove. */
export function fastenerHeights({ plan, height, back, bottom }: CornerContext): {
  front: readonly Dim[];
  back: readonly Dim[];
} {
  const above = plan.recess.plus(bottom.thickness).plus(ABOVE_GROOVE).as('first screw above the bottom');
  const first = bottom.applied ? FROM_LOWER : plan.clear && plan.clear.mm > above.mm ? plan.clear : above;
  return { front: column(first, height), back: column(first, back.up.plus(back.height).as('top of the back')) };
}

function column(first: Dim, top: Dim): Dim[] {
  const last = top.minus(FROM_TOP).as('last screw of the corner');
  const run = last.mm - first.mm;
  if (run < LEAST_APART) return [first.plus(top).over(2).as('screw of the corner')];
  const gaps = Math.max(1, Math.ceil(run / APART));
  if (gaps === 1) return [first, last];
  const apart = last.minus(first).over(plain(gaps, 'spaces'));
  return Array.from({ length: gaps + 1 }, (_, at) =>
    at === 0 ? first : first.plus(apart.times(at)).as('screw of the corner'),
  );
}

function onBack({ back }: CornerContext, positions: readonly Dim[]): Dim[] {
  return positions.map((at) => at.minus(back.up).as('screw of the corner, on the back'));
}

/** Screws through a face of a board beside one of its ends, into the end of what stands against it there. */
export function screwsThrough(
  from: 'u0' | 'u1',
  face: 1 | 2,
  positions: readonly Dim[],
  what: string,
  { side, settings, by }: Pick<CornerContext, 'side' | 'settings' | 'by'>,
): Operation {
  return {
    kind: 'holes',
    face,
    from,
    offset: side.over(2).as('middle of what stands against it'),
    positions,
    diameter: settings.fasteners.pilot,
    reason: `corner of the box, ${what}`,
    by: by('corner'),
  };
}

/** The groove of the bottom in the inside of a board. */
export function bottomGroove(
  { key, plan, settings, bottom, by }: Pick<CornerContext, 'key' | 'plan' | 'settings' | 'bottom' | 'by'>,
  stopped?: Stopped,
): Operation[] {
  if (bottom.applied) return [];
  return [
    {
      kind: 'groove',
      face: 1,
      along: 'length',
      from: 'v0',
      offset: plan.recess,
      width: bottom.thickness,
      depth: settings.drawers.groove,
      ...(stopped && (stopped.start || stopped.end) ? { stopped } : {}),
      reason: 'holds the bottom',
      by: by('bottom'),
      holds: `${key}/bottom`,
    },
  ];
}

/** The screws go on into the end of a board. */
export function screwWay(
  edge: 'u0' | 'u1',
  side: Dim,
  positions: readonly Dim[],
  depth: Dim,
  by: CornerContext['by'],
): Operation {
  return {
    kind: 'edge holes',
    edge,
    offset: side.over(2).as('middle of the edge'),
    positions,
    diameter: SCREW_WAY,
    depth,
    reason: 'way of the screws: corners of the box',
    by: by('way'),
  };
}

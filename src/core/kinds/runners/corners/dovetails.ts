import { type Dim, largest, length, plain } from '../../../ground/index.js';
import type { RunnerResolved } from '../settings.js';
import { type Corner, type CornerContext, ENDS, NONE, where } from './corner.js';

/** So much is left before half-blind tails at least; a quarter of the front where nobody has said (mm). */
const LEAST_LAP = length(3, 'left before the tails');
/** The tails go in at least so far (mm). */
const LEAST_TAIL = length(4, 'length of the tails');

/** What is left of the front before half-blind tails. */
export function lapOf(front: Dim, { drawers }: RunnerResolved['settings']): Dim {
  const wanted = drawers.lap.value > 0 ? drawers.lap : largest(LEAST_LAP, front.over(plain(4, 'a quarter')));
  const most = front.minus(LEAST_TAIL);
  return (wanted.value > most.value ? most : wanted).as('left before the tails');
}

/** Tails on the sides; front and back have the pins at the full width of the box. */
export const dovetailed = (blind: boolean): Corner => ({
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
      sides: () =>
        ENDS.map((end) => ({
          end,
          ...common,
          board: 'tails',
          length: into[end],
          depth: into[end],
          ...(end === 'u0' ? inFront : inBack),
          lower: end === 'u0' ? NONE : back.up,
          upper: end === 'u0' ? context.height : back.up.plus(back.height),
          holds: `${key}/${where(end)}`,
        })),
      front: ENDS.map((end) => ({
        end,
        ...common,
        board: 'pins',
        length: side,
        depth: into.u0,
        ...inFront,
        lower: NONE,
        upper: context.height,
      })),
      back: ENDS.map((end) => ({
        end,
        ...common,
        board: 'pins',
        length: side,
        depth: into.u1,
        ...lowered,
        lower: NONE,
        upper: back.height,
      })),
      screwLines: [],
    };
  },
  /** In front and back it runs out in a socket; in the sides it would show at the ends of the tails. */
  stops(side, settings, open) {
    const long = blind ? side.minus(lapOf(side, settings)) : side;
    const start = long.minus(settings.drawers.groove).as('groove stopped short of the end');
    const end = side.minus(settings.drawers.groove).as('groove stopped short of the end');
    return { side: { ...(start.value > 0 ? { start } : {}), ...(end.value > 0 && !open ? { end } : {}) } };
  },
});

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
  const covers = !bottom.applied && up.value === 0;
  const lowest = covers ? Math.max(LEAST_HALF_PIN, Math.min(HALF_PIN, plan.recess.value - UNDER_GROOVE)) : HALF_PIN;
  const half = length(lowest, 'half pin at the edge');
  const room = height.minus(half.times(2)).as('room for the tails');
  const least = covers ? plan.recess.value - lowest + bottom.thickness.value + 1 : 0;
  let count = Math.max(1, Math.round((room.value + pin.value) / (tail.value + pin.value)));
  while (count > 1 && (room.value - (count - 1) * pin.value) / count < least) count -= 1;
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

import { sidesOf } from '../../decisions/index.js';
import { type Dim, length, plain, type Span, START, spanFrom, spanTo } from '../../ground/index.js';
import { makePart, type Part, partKeys } from '../../part/index.js';
import type { BuildContext, Builder, BuilderResult } from '../builder/index.js';
import type { Boundary } from '../layout/index.js';
import { endShows } from './ends.js';
import { pocketed, withPockets } from './pocketed.js';

/** Cross members of a plinth stand no further apart than this, centre to centre (mm). */
const CROSS_SPACING = 600;

/** What stands under the box or closes its toe space. */
export const toe: Builder = (context) => {
  switch (context.resolved.settings.toe.kind.value) {
    case 'plinth':
      return plinth(context);
    case 'notched':
      return notched(context);
    case 'legs':
      return legs(context);
    case 'standing':
    case 'none':
      return {};
  }
};

/** Ends round which the toe returns: those that show. An applied end panel reaches the floor and closes the toe itself. */
function returnsAt({ resolved }: BuildContext): ('left' | 'right')[] {
  return (['left', 'right'] as const).filter((end) => endShows(end, resolved));
}

/** Where a toe that returns round exposed ends starts and how long it is: box width − setback for each of them. */
function run(context: BuildContext, label: string): Span {
  const { box, resolved } = context;
  const { toe } = resolved.settings;
  const exposed = returnsAt(context);
  const whole =
    exposed.length === 2
      ? box.width.minus(toe.setback.times(2))
      : exposed.length === 1
        ? box.width.minus(toe.setback)
        : box.width;
  return spanFrom(
    exposed.includes('left') ? toe.setback : START,
    exposed.length > 0 ? whole.as(label).because('the toe returns round an exposed end') : whole,
  );
}

/** What is seen of the toe goes on under a filler or a wider stile to the wall. */
function toWalls({ box, resolved }: BuildContext, span: Span, label: string): Span {
  const { ends } = resolved.settings;
  const under = (end: 'left' | 'right') =>
    resolved.given[end].what === 'wall' && ends[`${end}Panel`].value !== 'applied'
      ? box[end === 'left' ? 'beyondLeft' : 'beyondRight']
      : START;
  const [left, right] = [under('left'), under('right')];
  if (left.value <= 0 && right.value <= 0) return span;
  const low = left.value > 0 ? span.low.minus(left).as('wall at the left') : span.low;
  const long = [left, right].reduce((size, each) => (each.value > 0 ? size.plus(each) : size), span.size);
  return spanFrom(low, long.as(label).because('it goes on to the wall'));
}

/** From the floor to the underside of the box. */
function below(height: Dim): Span {
  return spanTo(START, height);
}

/** Partitions that stand on the bottom. */
function onBottom({ boundaries, box }: BuildContext): Boundary[] {
  return boundaries.filter(
    ({ kind, within }) => kind === 'partition' && Math.abs(within.inside.v.low.value - box.bottomTop.value) < 0.001,
  );
}

/** Between rails so near, no driver reaches the second pockets of a cross member once it is on its first rail (mm). */
const ROOM_FOR_POCKETS = 140;

/** True for a cross member so short that the rear rail is screwed on through its back, which is at the wall. */
export function drivenFromBehind({ length: size }: Part): boolean {
  return size.value < ROOM_FOR_POCKETS;
}

/** A ladder plinth: two rails full length, cross members at most 600 apart and one under each partition. */
function plinth(context: BuildContext): BuilderResult {
  const { box, resolved } = context;
  const { material, thickness } = resolved.materials.toe;
  const { height, setback, rearSetback } = resolved.settings.toe;
  const depth = box.sideDepth.minus(setback).minus(rearSetback).as('plinth depth');
  const x = run(context, 'plinth length');
  const railLength = x.size;
  const z = below(height);
  const rail = (where: 'front' | 'rear', y: Span): Part =>
    makePart({
      key: partKeys.plinth.of({ what: where }),
      unit: 'plinth',
      name: 'Plinth rail',
      role: 'plinth',
      material,
      stands: { x: where === 'front' ? toWalls(context, x, 'front plinth rail') : x, y, z },
      axes: { u: '+x', v: '+z', w: where === 'front' ? '+y' : '-y' },
      piece: { kind: 'rail', where },
    });
  const bays = Math.max(1, Math.ceil((railLength.value - thickness.value) / CROSS_SPACING - 1e-9));
  const spacing = railLength.minus(thickness).over(plain(bays, 'bays')).as('plinth cross member spacing');
  const places = Array.from({ length: bays + 1 }, (_, at) => (at === 0 ? x.low : x.low.plus(spacing.times(at))));
  const partitions = onBottom(context)
    .map((boundary) => boundary.centre.minus(thickness.over(2)).as('cross member under the partition'))
    .filter((left) => places.every((place) => Math.abs(place.value - left.value) > thickness.value));
  const front = spanFrom(setback, thickness);
  const crosses = [...places, ...partitions].map((left, at) =>
    makePart({
      key: partKeys.plinth.of({ what: `cross/${at + 1}` }),
      unit: 'plinth',
      name: 'Plinth cross member',
      role: 'plinth',
      material,
      stands: {
        x: spanFrom(left, thickness),
        y: spanFrom(front.high, depth.minus(thickness.times(2))),
        z,
      },
      axes: { u: '+y', v: '+z', w: '+x' },
      piece: { kind: 'cross' },
    }),
  );
  const rails = [rail('front', front), rail('rear', spanTo(setback.plus(depth), thickness))] as const;
  const last = places.length - 1;
  // Pocket holes lie in faces that look into the ladder.
  const joined = crosses.map((cross, at) => {
    const face = at === last ? 1 : 2;
    const front = pocketed(context, { part: cross, edge: 'u0', face, into: rails[0] });
    return drivenFromBehind(cross)
      ? [front]
      : [front, pocketed(context, { part: cross, edge: 'u1', face, into: rails[1] })];
  });
  return withPockets([...rails, ...crosses], joined.flat());
}

/** A cleat goes so far back along the side it is screwed to: a pocket hole and what it needs (mm). */
const CLEAT = length(60, 'depth of a toe cleat');

/** The board of a notched toe on cleats behind it, one on each side. */
function notched(context: BuildContext): BuilderResult {
  const { box, resolved } = context;
  const { material, thickness } = resolved.materials.toe;
  const { toe } = resolved.settings;
  const made = sidesOf(resolved);
  const board = toeBoard(context);
  const cleats = (['left', 'right'] as const).map((hand) =>
    makePart({
      key: `toe/cleat/${hand}`,
      name: `Toe cleat, ${hand}`,
      role: 'plinth',
      material,
      hand,
      stands: {
        x:
          hand === 'left'
            ? spanFrom(made.left.thickness, thickness)
            : spanTo(box.width.minus(made.right.thickness), thickness),
        y: spanFrom(toe.setback.plus(thickness).as('back of the toe board'), CLEAT),
        z: spanFrom(START, toe.height),
      },
      axes: { u: '+z', v: '+y', w: hand === 'left' ? '-x' : '+x' },
      piece: { kind: 'strip', where: hand },
    }),
  );
  return withPockets(
    [board, ...cleats],
    cleats.map((cleat) => pocketed(context, { part: cleat, edge: 'v0', face: 1, into: board })),
  );
}

/** The board in a notched toe: over the sides or between them; it stops at an exposed side. */
function toeBoard(context: BuildContext): Part {
  const { box, resolved } = context;
  const { material, thickness } = resolved.materials.toe;
  const { toe: settings } = resolved.settings;
  const made = sidesOf(resolved);
  const stops = (['left', 'right'] as const).filter(
    (end) => settings.board.value === 'between' || resolved.given[end].what === 'exposed',
  );
  const size =
    stops.length === 2
      ? box.insideWidth
      : stops.length === 1
        ? box.width
            .minus(made[stops[0] as 'left' | 'right'].thickness)
            .as('toe board length')
            .because('it stops at the exposed side')
        : box.width;
  return makePart({
    key: 'toe/board',
    name: 'Toe board',
    role: 'plinth',
    material,
    stands: {
      x: spanFrom(stops.includes('left') ? made.left.thickness : START, size),
      y: spanFrom(settings.setback, thickness),
      z: spanFrom(START, settings.height),
    },
    axes: { u: '+x', v: '+z', w: '+y' },
    note: 'on cleats',
  });
}

/** On legs, which are fitted later, the toe is closed by a board on clips. */
function legs(context: BuildContext): BuilderResult {
  const { box, resolved } = context;
  const { material, thickness } = resolved.materials.toe;
  const { height, setback } = resolved.settings.toe;
  const board = makePart({
    key: 'toe/board',
    name: 'Toe board',
    role: 'plinth',
    material,
    stands: {
      x: toWalls(context, run(context, 'toe board length'), 'toe board length'),
      y: spanFrom(setback, thickness),
      z: below(height),
    },
    axes: { u: '+x', v: '+z', w: '+y' },
    note: 'on clips',
  });
  const behind = setback.plus(thickness).as('back of the toe board');
  const returns = returnsAt(context).map((end) =>
    makePart({
      key: `toe/return/${end}`,
      unit: board.key,
      name: `Toe return, ${end}`,
      role: 'plinth',
      material,
      hand: end,
      stands: {
        x: end === 'left' ? spanFrom(setback, thickness) : spanTo(box.width.minus(setback), thickness),
        y: spanFrom(behind, box.sideDepth.minus(behind).as('toe return length')),
        z: below(height),
      },
      axes: { u: '+y', v: '+z', w: end === 'left' ? '+x' : '-x' },
      note: 'on clips, joined to the board by a corner piece',
    }),
  );
  return {
    parts: [board, ...returns],
    fittings: [
      ...(returns.length > 0
        ? [{ name: 'Toe corner piece', quantity: returns.length, note: 'where the toe returns round an exposed end' }]
        : []),
    ],
  };
}

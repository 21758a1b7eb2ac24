import type { Fitting } from '../../build/index.js';
import { type Dim, formatLengthWithUnit, length } from '../../ground/index.js';
import { type Operation, uprightAt } from '../../part/index.js';
import { clearMove, movedUp, pairOfScrews } from '../paired.js';
import type { HangingContext } from './context.js';
import { hangingRoom } from './fills.js';

/** A hanging rail in its room. */
export interface HungRail {
  /** Id of the room it is in, and what that is called. */
  readonly room: string;
  readonly name: string;
  readonly length: Dim;
  /** Its left end, from the left face of the box. */
  readonly from: Dim;
  /** Its middle, above the underside of the box and behind the front edge of the case. */
  readonly up: Dim;
  readonly behind: Dim;
  /** From the plane of the fronts to what is behind it. */
  readonly depth: Dim;
  /** Below it, to the floor of its room. */
  readonly drop: Dim;
  /** Keys of what carries its ends; absent where nothing stands there. */
  readonly left: string | undefined;
  readonly right: string | undefined;
}

export interface Hung {
  readonly rail: HungRail;
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
}

/** Pilot holes of the sockets are so wide (mm). */
const PILOT = length(2.5, 'pilot hole of a socket');
/** Sockets are moved up or down by these to stand clear of what is cut, whichever comes first (mm). */
const MOVES = [0, -8, 8, -16, 16, -24, 24, -32];

/** A rail in every room that is for hanging: in the middle of its depth, a little below its top. */
export function hangRails({ interiors, parts, box, resolved }: HangingContext): Hung[] {
  const { hanging } = resolved.settings;
  return interiors.compartments.flatMap((room): Hung[] => {
    if (!hangingRoom.is(room.fill)) return [];
    const { h, v } = room.inside;
    const plane = box.mountingPlane.value > 0 ? box.mountingPlane : length(0, 'front edge of the case');
    const depth = box.clearDepth.minus(plane).as('depth of the hanging room');
    const behind = plane.plus(depth.over(2)).as('middle of the hanging room');
    const usual = v.high.minus(hanging.fromTop).as('hanging rail');
    const uprights = (['left', 'right'] as const).map((hand) =>
      uprightAt(parts, hand, { x: (hand === 'left' ? h.low : h.high).value, z: usual.value }),
    );
    const carriers = (['left', 'right'] as const).flatMap((hand, at) => {
      const part = uprights[at];
      return part ? [{ part, hand }] : [];
    });
    const screws = { behind, apart: hanging.centres, diameter: PILOT, depth: hanging.pilot };
    const up = movedUp(usual, clearMove(carriers, { up: usual, ...screws }, MOVES), 'hanging rail');
    const operations = carriers.map(({ part, hand }): [string, Operation] => [
      part.key,
      pairOfScrews(part, hand, {
        up,
        ...screws,
        reason: `socket of the hanging rail: ${room.name}`,
        by: { kind: 'hanging', opening: room.id },
        use: 'rail sockets',
      }),
    ]);
    const rail: HungRail = {
      room: room.id,
      name: room.name,
      length: h.size.minus(hanging.shorter).as('length of the hanging rail', `hanging/${room.id}.length`),
      from: h.low.plus(hanging.shorter.over(2)).as('left end of the hanging rail'),
      up,
      behind,
      depth,
      drop: up.minus(v.low).as('room to hang'),
      left: uprights[0]?.key,
      right: uprights[1]?.key,
    };
    return [{ rail, operations }];
  });
}

/** Rails are bought by their length, sockets in pairs. */
export function railsToBuy(rails: readonly HungRail[], { head }: Pick<HangingContext, 'head'>): Fitting[] {
  const lengths = rails.map((rail) => formatLengthWithUnit(rail.length.value, head.display));
  return [
    ...[...new Set(lengths)].map((words) => ({
      name: `Hanging rail, ${words}`,
      quantity: lengths.filter((each) => each === words).length,
      note: 'tube, sawn to length',
    })),
    ...(rails.length > 0 ? [{ name: 'Rail sockets, pair', quantity: rails.length, note: 'two screws each' }] : []),
  ];
}

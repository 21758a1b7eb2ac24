import type { Fitting } from '../../carcass/index.js';
import { type Dim, length, measuredFrom } from '../../derive/index.js';
import type { Compartment } from '../../layout/index.js';
import { footprintOf, type Operation, spacesOf } from '../../machining/index.js';
import { edgeOf, faceInto, type Part, sizeOf, uprightAt } from '../../parts/index.js';
import { formatLengthWithUnit } from '../../units/index.js';
import type { FitContext } from '../kind.js';

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
const SKIN = 3;

/** A rail in every room that is for hanging: in the middle of its depth, a little below its top. */
export function hangRails({ interiors, parts, box, resolved }: FitContext): Hung[] {
  const { hanging } = resolved.settings;
  return interiors.compartments.flatMap((room): Hung[] => {
    if (room.fill.kind !== 'rail') return [];
    const { h, v } = room.inside;
    const plane = box.mountingPlane.mm > 0 ? box.mountingPlane : length(0, 'front edge of the case');
    const depth = box.clearDepth.minus(plane).as('depth of the hanging room');
    const behind = plane.plus(depth.over(2)).as('middle of the hanging room');
    const usual = v.high.minus(hanging.fromTop).as('hanging rail');
    const uprights = (['left', 'right'] as const).map((hand) =>
      uprightAt(parts, hand, { x: (hand === 'left' ? h.low : h.high).mm, z: usual.mm }),
    );
    const by = MOVES.find((move) =>
      uprights.every((part) => !part || free(part, usual.mm + move, behind.mm, hanging.centres.mm)),
    );
    const up = by ? usual.plus(length(by, 'clear of what is cut there')).as('hanging rail') : usual;
    const operations = (['left', 'right'] as const).flatMap((hand, at): [string, Operation][] => {
      const part = uprights[at];
      return part ? [[part.key, socket(part, hand, up, behind, room, hanging.centres, hanging.pilot)]] : [];
    });
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

/** True where both screws of a socket stand clear of what is cut in a part. */
function free(part: Part, up: number, behind: number, centres: number): boolean {
  const size = sizeOf(part);
  const v = Math.abs(behind - edgeOf(part, 'v0').mm);
  const apart = PILOT.mm / 2 + SKIN;
  return [up - centres / 2, up + centres / 2].every((z) => {
    const u = Math.abs(z - edgeOf(part, 'u0').mm);
    if (u < SKIN * 4 || u > size.length - SKIN * 4) return false;
    return part.machining.every((operation) => {
      const { u: along, v: across } = footprintOf(operation, size);
      const beside = along[1] < u - apart || along[0] > u + apart || across[1] < v - apart || across[0] > v + apart;
      return (
        beside ||
        spacesOf(operation, size).every(
          ({ low, high }) => high[0] < u - apart || low[0] > u + apart || high[1] < v - apart || low[1] > v + apart,
        )
      );
    });
  });
}

function socket(
  part: Part,
  hand: 'left' | 'right',
  up: Dim,
  behind: Dim,
  { id, name }: Compartment,
  centres: Dim,
  depth: Dim,
): Operation {
  const along = measuredFrom(up, edgeOf(part, 'u0')).as('middle of the socket on the part');
  const half = centres.over(2);
  return {
    kind: 'holes',
    face: faceInto(part, hand),
    from: 'v0',
    offset: measuredFrom(behind, edgeOf(part, 'v0')),
    positions: [along.minus(half).as('screw of the socket'), along.plus(half).as('screw of the socket')],
    diameter: PILOT,
    depth,
    reason: `socket of the hanging rail: ${name}`,
    by: { kind: 'hanging', opening: id },
  };
}

/** Rails are bought by their length, sockets in pairs. */
export function railsToBuy(rails: readonly HungRail[], { head }: Pick<FitContext, 'head'>): Fitting[] {
  const lengths = rails.map((rail) => formatLengthWithUnit(rail.length.mm, head.display));
  return [
    ...[...new Set(lengths)].map((words) => ({
      name: `Hanging rail, ${words}`,
      quantity: lengths.filter((each) => each === words).length,
      note: 'tube, sawn to length',
    })),
    ...(rails.length > 0 ? [{ name: 'Rail sockets, pair', quantity: rails.length, note: 'two screws each' }] : []),
  ];
}

import { frontName } from '../../build/index.js';
import type { PlanPoint } from '../../cabinet/index.js';
import { travelOf } from '../../kinds/index.js';
import { turned } from '../../motions/index.js';
import type { Point } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

interface MovingFront {
  readonly id: string;
  /** As it is called: "door 2". */
  readonly name: string;
  /** Key of the front that opens it; undefined for what is pulled out behind doors. */
  readonly front: string | undefined;
  readonly parts: readonly string[];
}

/** A door about an upright line: anticlockwise from above where `hand` is -1 (degrees). */
export interface TurningDoor extends MovingFront {
  readonly kind: 'turn';
  readonly pivot: PlanPoint;
  readonly hand: 1 | -1;
  readonly stop: number;
}

/** A drawer, tray or bin, out to the front by as much as it travels (mm). */
export interface Sliding extends MovingFront {
  readonly kind: 'slide';
  readonly travel: number;
}

/** A lift about a level line along x through `y` and `z`, up to its stop (degrees). */
export interface Lifting extends MovingFront {
  readonly kind: 'lift';
  readonly y: number;
  readonly z: number;
  readonly stop: number;
}

/** Something that opens: what moves, and how. */
export type Opener = TurningDoor | Sliding | Lifting;

/** Everything of a cabinet that opens, and its way from shut to its stop. */
export function openersOf({ motions, fitted, fronts, contacts }: SolvedCabinet): Opener[] {
  const front = (key: string | undefined) => fronts.find((each) => each.key === key);
  const partsOf = (key: string | undefined) => front(key)?.parts.map((part) => part.key) ?? [];
  return [
    ...motions.flatMap(({ front: key, plan }): TurningDoor[] => {
      const door = front(key);
      return door
        ? [
            {
              kind: 'turn',
              id: key,
              name: frontName(door),
              front: key,
              parts: partsOf(key),
              pivot: plan.pivot,
              hand: plan.hand,
              stop: contacts.get(key)?.free ?? plan.stopAngle,
            },
          ]
        : [];
    }),
    ...fitted.runners
      .filter(({ plan }) => plan !== undefined)
      .map(
        (drawer): Sliding => ({
          kind: 'slide',
          id: drawer.opening,
          name: drawer.name,
          front: front(drawer.front)?.key,
          parts: [...drawer.parts, ...partsOf(drawer.front)],
          travel: travelOf(drawer),
        }),
      ),
    ...fitted.waste
      .filter(({ profile }) => profile !== undefined)
      .map(
        ({ opening, name, front: key, profile }): Sliding => ({
          kind: 'slide',
          id: opening,
          name,
          front: key,
          parts: partsOf(key),
          travel: profile?.travel ?? 0,
        }),
      ),
    ...fitted.lifts.flatMap(({ front: key, name, profile }): Lifting[] => {
      const extent = front(key)?.extent;
      return profile && extent
        ? [
            {
              kind: 'lift',
              id: key,
              name,
              front: key,
              parts: partsOf(key),
              y: extent.max[1],
              z: extent.max[2],
              stop: profile.opening,
            },
          ]
        : [];
    }),
  ];
}

/** Where a point that moves with it lies when it is open by a share of its way. */
export function movedTo(opener: Opener, [x, y, z]: Point, share: number): Point {
  switch (opener.kind) {
    case 'slide':
      return [x, y - opener.travel * share, z];
    case 'turn': {
      const at = turned(opener, { x, y }, opener.stop * share);
      return [at.x, at.y, z];
    }
    case 'lift': {
      const angle = (opener.stop * share * Math.PI) / 180;
      const [dy, dz] = [y - opener.y, z - opener.z];
      return [
        x,
        opener.y + dy * Math.cos(angle) + dz * Math.sin(angle),
        opener.z - dy * Math.sin(angle) + dz * Math.cos(angle),
      ];
    }
  }
}

/** The same for everything that moves with it, as a matrix of four columns of four (a rigid motion). */
export function motionOf(opener: Opener, share: number): readonly number[] {
  const [ox, oy, oz] = movedTo(opener, [0, 0, 0], share);
  const column = (unit: Point) => {
    const [x, y, z] = movedTo(opener, unit, share);
    return [x - ox, y - oy, z - oz, 0];
  };
  return [...column([1, 0, 0]), ...column([0, 1, 0]), ...column([0, 0, 1]), ox, oy, oz, 1];
}

import { travelOf } from '../fitted/index.js';
import { type PlanPoint, turned } from '../motions/index.js';
import type { Point } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';

interface Moving {
  readonly id: string;
  /** As it is called: "door 2". */
  readonly name: string;
  /** Key of the front that opens it; undefined for what is pulled out behind doors. */
  readonly front: string | undefined;
  readonly parts: readonly string[];
}

/** A door about an upright line: anticlockwise from above where `hand` is -1 (degrees). */
export interface TurningDoor extends Moving {
  readonly kind: 'turn';
  readonly pivot: PlanPoint;
  readonly hand: 1 | -1;
  readonly stop: number;
}

/** A drawer, tray or bin, out to the front by as much as it travels (mm). */
export interface Sliding extends Moving {
  readonly kind: 'slide';
  readonly travel: number;
}

/** A lift about a level line along x through `y` and `z`, up to its stop (degrees). */
export interface Lifting extends Moving {
  readonly kind: 'lift';
  readonly y: number;
  readonly z: number;
  readonly stop: number;
}

export type Opening = TurningDoor | Sliding | Lifting;

/** Everything of a cabinet that opens, and its way from shut to its stop. */
export function openingsOf({ motions, fitted, fronts, contacts }: SolvedCabinet): Opening[] {
  const front = (key: string | undefined) => fronts.find((each) => each.key === key);
  const partsOf = (key: string | undefined) => front(key)?.parts.map((part) => part.key) ?? [];
  const nameOf = (door: string) => fitted.hinges.find((hung) => hung.front.key === door)?.front.parts[0];
  return [
    ...motions.map(
      ({ front: key, plan }): TurningDoor => ({
        kind: 'turn',
        id: key,
        name: nameOf(key)?.whole ?? nameOf(key)?.name ?? key,
        front: key,
        parts: partsOf(key),
        pivot: plan.pivot,
        hand: plan.hand,
        stop: contacts.get(key)?.free ?? plan.stopAngle,
      }),
    ),
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
export function movedTo(opening: Opening, [x, y, z]: Point, share: number): Point {
  switch (opening.kind) {
    case 'slide':
      return [x, y - opening.travel * share, z];
    case 'turn': {
      const at = turned(opening, { x, y }, opening.stop * share);
      return [at.x, at.y, z];
    }
    case 'lift': {
      const angle = (opening.stop * share * Math.PI) / 180;
      const [dy, dz] = [y - opening.y, z - opening.z];
      return [
        x,
        opening.y + dy * Math.cos(angle) + dz * Math.sin(angle),
        opening.z - dy * Math.sin(angle) + dz * Math.cos(angle),
      ];
    }
  }
}

/** The same for everything that moves with it, as a matrix of four columns of four (a rigid motion). */
export function motionOf(opening: Opening, share: number): readonly number[] {
  const [ox, oy, oz] = movedTo(opening, [0, 0, 0], share);
  const column = (unit: Point) => {
    const [x, y, z] = movedTo(opening, unit, share);
    return [x - ox, y - oy, z - oz, 0];
  };
  return [...column([1, 0, 0]), ...column([0, 1, 0]), ...column([0, 0, 1]), ox, oy, oz, 1];
}

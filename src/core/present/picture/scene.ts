import type { PlanPoint } from '../../cabinet/index.js';
import { assemblyOf } from '../../check/index.js';
import {
  type AxisIndex,
  axisIndex,
  type Extent,
  type Part,
  type PartShape,
  type Point,
  shapeOf,
  TINT,
  type Tint,
} from '../../part/index.js';
import { allKinds, type Fitted, type SolvedCabinet } from '../../solve/index.js';
import { type Opener, openersOf } from './openers.js';

/** A part as it is seen in the round. */
export interface ScenePart {
  readonly key: string;
  readonly name: string;
  readonly mark: string;
  readonly tint: Tint;
  /** The axis of the cabinet its grain runs along, where the material has any. */
  readonly grain: AxisIndex | undefined;
  readonly shape: PartShape;
  /** Id of the door, drawer or lift it moves with. */
  readonly moves: string | undefined;
}

/** Something bought: an upright prism over an outline in plan (mm). */
export interface SceneHardware {
  readonly outline: readonly PlanPoint[];
  readonly low: number;
  readonly high: number;
  /** Key of what is selected by it. */
  readonly shows: string | undefined;
  /** The part it comes off with when the cabinet is taken apart. */
  readonly on: string | undefined;
  readonly moves: string | undefined;
}

/** Parts that come off together, and how far they are put aside (mm along each axis). */
export interface Stage {
  readonly parts: readonly string[];
  readonly away: Point;
}

/** A cabinet in the round: each of its parts once, what is fitted, and what opens. */
export interface Scene {
  readonly parts: readonly ScenePart[];
  readonly hardware: readonly SceneHardware[];
  readonly openers: readonly Opener[];
  readonly extent: Extent;
}

/** The picture of a cabinet, from the same parts and operations as panels and exports. */
export function sceneOf(solved: SolvedCabinet): Scene {
  const { parts, rows } = solved;
  const openers = openersOf(solved);
  const moves = new Map(openers.flatMap(({ id, parts: own }) => own.map((key) => [key, id] as const)));
  const marks = new Map(rows.flatMap(({ keys, mark }) => keys.map((key) => [key, mark] as const)));
  return {
    parts: parts.map((part) => ({
      key: part.key,
      name: part.name,
      mark: marks.get(part.key) ?? '',
      tint: TINT[part.role],
      grain: grainOf(part),
      shape: shapeOf(part),
      moves: moves.get(part.key),
    })),
    hardware: hardwareOf(solved, openers),
    openers,
    extent: around(parts.map(({ extent }) => extent)),
  };
}

function grainOf(part: Part): AxisIndex | undefined {
  if (part.material.grain === 'none' && part.grainRuns === undefined) return undefined;
  const { u, v } = part.placement;
  return axisIndex(part.grainRuns === 'width' ? v : u);
}

/** What is kept free between what was taken apart, as a share of the cabinet's largest size. */
const ASIDE = 0.13;

/**
 * How a cabinet is taken apart, the other way round from how it is put together: each stage just so far that it stands
 * clear of all that is left.
 */
export function stagesOf(parts: readonly Part[]): Stage[] {
  const places = new Map(
    parts.map(
      ({ key, extent }) => [key, { min: [...extent.min] as number[], max: [...extent.max] as number[] }] as const,
    ),
  );
  const { min, max } = around(parts.map(({ extent }) => extent));
  const free = ASIDE * Math.max(...max.map((high, axis) => high - at(min, axis)));
  const stages: Stage[] = [];
  for (const { parts: own, onto, way } of assemblyOf(parts).steps) {
    if (!way) continue;
    const { axis } = way;
    const across = ([0, 1, 2] as const).filter((other) => other !== axis);
    let far = 0;
    for (const key of own) {
      const a = places.get(key);
      if (!a) continue;
      for (const other of onto) {
        const b = places.get(other);
        if (!b || across.some((k) => at(a.min, k) >= at(b.max, k) || at(a.max, k) <= at(b.min, k))) continue;
        far = Math.max(far, way.sign > 0 ? at(a.max, axis) - at(b.min, axis) : at(b.max, axis) - at(a.min, axis));
      }
    }
    const shift = -way.sign * (far + free);
    const away: [number, number, number] = [0, 0, 0];
    away[axis] = shift;
    for (const key of own) {
      const place = places.get(key);
      if (!place) continue;
      place.min[axis] = at(place.min, axis) + shift;
      place.max[axis] = at(place.max, axis) + shift;
    }
    stages.push({ parts: own, away });
  }
  return stages.reverse();
}

const at = (point: readonly number[], axis: number) => point[axis] ?? 0;

/** Where each part that was moved stands when so many stages are done, the last of them perhaps in part. */
export function apartAt(stages: readonly Stage[], done: number): Map<string, Point> {
  const shifts = new Map<string, Point>();
  stages.forEach(({ parts, away }, index) => {
    const share = Math.min(1, Math.max(0, done - index));
    if (share === 0) return;
    for (const key of parts) {
      const [x, y, z] = shifts.get(key) ?? [0, 0, 0];
      shifts.set(key, [x + away[0] * share, y + away[1] * share, z + away[2] * share]);
    }
  });
  return shifts;
}

function hardwareOf(solved: SolvedCabinet, openers: readonly Opener[]): SceneHardware[] {
  const { occupied, fitted, fronts } = solved;
  const firstOf = (front: string | undefined) => fronts.find(({ key }) => key === front)?.parts[0]?.key;
  const moving = (front: string | undefined) => openers.find(({ front: own }) => front && own === front)?.id;
  return [
    ...occupied
      .filter(({ by }) => by !== 'front')
      .map(({ extent, front }) => ({
        ...upright(extent),
        shows: firstOf(front),
        on: firstOf(front),
        moves: moving(front),
      })),
    ...allKinds.flatMap(({ id, bodies }) =>
      (bodies?.(fitted[id as keyof Fitted] as never) ?? []).map(({ extent, shows, on }) => ({
        ...upright(extent),
        shows,
        on,
        moves: undefined,
      })),
    ),
    ...allKinds.flatMap(({ id, pieces }) =>
      (pieces?.(fitted[id as keyof Fitted] as never, solved) ?? []).map((piece) => ({
        ...piece,
        moves: moving(piece.moves),
      })),
    ),
  ];
}

function upright({ min, max }: Extent): Pick<SceneHardware, 'outline' | 'low' | 'high'> {
  return {
    outline: [
      { x: min[0], y: min[1] },
      { x: max[0], y: min[1] },
      { x: max[0], y: max[1] },
      { x: min[0], y: max[1] },
    ],
    low: min[2],
    high: max[2],
  };
}

function around(extents: readonly Extent[]): Extent {
  const most = (k: AxisIndex) => Math.max(...extents.map(({ max }) => max[k]));
  const least = (k: AxisIndex) => Math.min(...extents.map(({ min }) => min[k]));
  return extents.length === 0
    ? { min: [0, 0, 0], max: [0, 0, 0] }
    : { min: [least(0), least(1), least(2)], max: [most(0), most(1), most(2)] };
}

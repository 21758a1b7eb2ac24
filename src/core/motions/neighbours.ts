import type { BuiltCabinet } from '../cabinet/index.js';

/** Where the cabinet at the right stands, seen from the one at its left: frames or boxes touch, backs are level. */
export interface NeighbourShift {
  readonly x: number;
  readonly y: number;
  /** Undefined where nothing says how high one hangs against the other. */
  readonly z: number | undefined;
}

/** Base and tall cabinets stand on one floor; wall cabinets hang level at their tops. */
export function neighbourShift(left: BuiltCabinet, right: BuiltCabinet): NeighbourShift {
  const rear = ({ box, resolved }: BuiltCabinet) =>
    box.sideDepth.value +
    (resolved.settings.back.kind.value === 'applied' ? resolved.materials.back.thickness.value : 0);
  const hangs = [left, right].map(({ cabinet }) => cabinet.kind === 'wall');
  const z = hangs.every(Boolean)
    ? left.box.height.value - right.box.height.value
    : hangs.some(Boolean)
      ? undefined
      : right.box.underHeight.value - left.box.underHeight.value;
  return {
    x: left.box.width.value + left.box.beyondRight.value + right.box.beyondLeft.value,
    y: rear(left) - rear(right),
    z,
  };
}

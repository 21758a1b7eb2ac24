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
    box.sideDepth.mm + (resolved.settings.back.kind.value === 'applied' ? resolved.materials.back.thickness.mm : 0);
  const hangs = [left, right].map(({ cabinet }) => cabinet.kind === 'wall');
  const z = hangs.every(Boolean)
    ? left.box.height.mm - right.box.height.mm
    : hangs.some(Boolean)
      ? undefined
      : right.box.underHeight.mm - left.box.underHeight.mm;
  return {
    x: left.box.width.mm + left.box.beyondRight.mm + right.box.beyondLeft.mm,
    y: rear(left) - rear(right),
    z,
  };
}

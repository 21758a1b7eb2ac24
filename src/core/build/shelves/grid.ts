import type { Resolved } from '../../decisions/index.js';
import { type Dim, length, plain } from '../../ground/index.js';
import { edgeOf, type Part } from '../../part/index.js';

/** The holes a side may have, from its reference end: both sides and every partition share them. */
export interface PinGrid {
  /** Height of the first hole in the cabinet. */
  readonly base: Dim;
  readonly step: Dim;
  /** 1 when counted upwards from the lower end, −1 downwards from the upper end. */
  readonly sign: 1 | -1;
  /** How many holes the side has room for. */
  readonly count: number;
}

/** The spacing the 32 mm system is named for. */
const GRID_STEP = 32;

/** The grid of a cabinet, from the left side; undefined where no pins are bored or the side is too short. */
export function pinGrid(parts: readonly Part[], { settings }: Resolved): PinGrid | undefined {
  const { pins } = settings;
  const side = parts.find((part) => part.key === 'side/left');
  if (pins.kind.value === 'none' || !side) return undefined;
  const step = pins.kind.value === 'grid' ? length(GRID_STEP, 'grid step') : pins.spacing;
  const up = pins.from.value === 'bottom';
  const lower = edgeOf(side, 'u0');
  const base = up
    ? (lower.value === 0 ? pins.first : lower.plus(pins.first)).as('first hole')
    : (lower.value === 0 ? side.length : lower.plus(side.length)).minus(pins.first).as('first hole');
  const count = Math.floor((side.length.value - 2 * pins.first.value) / step.value + 1e-6) + 1;
  return count < 1 ? undefined : { base, step, sign: up ? 1 : -1, count };
}

/** Height of hole number k (from 0) in mm. */
export function holeHeight({ base, step, sign }: PinGrid, k: number): number {
  return base.value + sign * k * step.value;
}

/** The same as a derived number: first hole + step · k. */
export function holeDim({ base, step, sign }: PinGrid, k: number): Dim {
  if (k === 0) return base;
  const run = step.times(plain(k, 'steps'));
  return (sign > 0 ? base.plus(run) : base.minus(run)).as('hole on the grid');
}

/** Numbers of the holes between two heights, the lowest first. */
export function holesBetween(grid: PinGrid, low: number, high: number): number[] {
  const found: number[] = [];
  for (let k = 0; k < grid.count; k += 1) {
    const z = holeHeight(grid, k);
    if (z >= low - 1e-6 && z <= high + 1e-6) found.push(k);
  }
  return grid.sign > 0 ? found : found.reverse();
}

/** Heights that make a side of 32·n + 2·e0, the nearest below and above. In mm; equal when it is balanced already. */
export function balancedHeights(height: number, first: number, step: number): { below: number; above: number } {
  const n = (height - 2 * first) / step;
  const near = Math.round(n);
  if (Math.abs(n - near) < 1e-6) return { below: height, above: height };
  return { below: Math.floor(n) * step + 2 * first, above: Math.ceil(n) * step + 2 * first };
}

import type { Dim } from '../ground/index.js';
import type { Facts } from './facts.js';

/** What stands at an end: another cabinet, a wall, or nothing that hides it. */
export type BesideKind = 'neighbour' | 'exposed' | 'wall';

/** What stands at one end of a cabinet, and whatever else was measured there. */
export interface Beside {
  readonly what: BesideKind;
  /** From the end of the cabinet to it. */
  readonly clear: Dim;
  /** How high it stands above the floor; 0 for what has no height of its own. */
  readonly high: Dim;
  /** How far it comes forward of the box. */
  readonly forward: Dim;
}

/** A box of space inside a cabinet that nothing may take: a pipe, a trap, a socket. */
export interface Zone {
  readonly id: string;
  readonly name: string;
  /** Its front, as a number that can be opened: what stands behind a drawer is measured to it. */
  readonly front: Dim;
  /** Its left and right, likewise: what a drawer goes round is kept clear of. */
  readonly left: Dim;
  readonly right: Dim;
  readonly extent: { readonly min: readonly [number, number, number]; readonly max: readonly [number, number, number] };
}

/** All that stands around a cabinet, made before it is solved. */
export interface Surroundings {
  readonly left: Beside;
  readonly right: Beside;
  /** What needs room inside of it. */
  readonly zones: readonly Zone[];
}

/** What a cabinet is told: what stands around it, and readings laid over its numbers. */
export interface Given extends Surroundings {
  readonly facts: Facts;
}

import type { Extent } from '../parts/index.js';
import type { PlanDoor } from './turning.js';

/** The space something takes when everything is shut. `front` says which front it is fixed to and moves with. */
export interface Room {
  /** Which kind of fitted thing it belongs to: `pulls`; `front` for the fronts themselves. */
  readonly by: string;
  /** "door 2", "the pull of drawer front 1" */
  readonly name: string;
  readonly front?: string;
  readonly extent: Extent;
}

/** A front that turns about an upright line: where it stands in plan at every angle, and between which heights. */
export interface Turn {
  readonly kind: 'turn';
  readonly by: string;
  readonly front: string;
  readonly plan: PlanDoor;
  readonly low: number;
  readonly high: number;
  /** Least gap (mm) beside its hinge edge for it to clear; absent where nobody has said. */
  readonly needsBeside?: number;
}

/** The space something sweeps. */
export type Motion = Turn;

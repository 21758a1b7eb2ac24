import type { Extent } from '../part/index.js';

/** The space something takes when everything is shut. `front` says which front it is fixed to and moves with. */
export interface Occupied {
  /** Which kind of fitted thing it belongs to: `pulls`; `front` for the fronts themselves. */
  readonly by: string;
  /** "door 2", "the pull of drawer front 1" */
  readonly name: string;
  readonly front?: string;
  /** True for what fills its room, and cannot be where something else needs it. */
  readonly fills?: true;
  readonly extent: Extent;
}

/** A point of the plan in cabinet coordinates: x to the right, y to the rear (mm). */
export interface PlanPoint {
  readonly x: number;
  readonly y: number;
}

/** A door in plan, and the point it turns about. */
export interface PlanDoor {
  /** 1 when it is hinged at the left and opens to the left. */
  readonly hand: 1 | -1;
  readonly pivot: PlanPoint;
  /** Closed: hinge edge, free edge, face and back. */
  readonly hingeEdge: number;
  readonly freeEdge: number;
  readonly face: number;
  readonly back: number;
  readonly stopAngle: number;
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

/** Something that comes straight out to the front: a drawer with its face, a tray, bins. */
export interface Slide {
  readonly kind: 'slide';
  readonly by: string;
  /** The opening, or the room behind one, it comes out of. */
  readonly of: string;
  /** As it is called: "Drawer 2". */
  readonly name: string;
  /** The front that goes with it; absent for what is pulled out behind doors. */
  readonly front?: string;
  /** Keys of its own parts. */
  readonly parts: readonly string[];
  /** How far it comes (mm). */
  readonly travel: number;
}

/** A front that turns about a level line along x: up to its stop, or down to it. */
export interface Tilt {
  readonly kind: 'lift' | 'drop';
  readonly by: string;
  readonly front: string;
  readonly name: string;
  /** The line it turns about (mm). */
  readonly y: number;
  readonly z: number;
  /** Degrees. */
  readonly stop: number;
}

/** How something of a cabinet moves. The picture, the plan and what is checked read the same travel. */
export type Motion = Turn | Slide | Tilt;

/** Something a door may swing into: a rectangle in plan with the heights it stands between. All in cabinet mm. */
export interface PlanObstacle {
  /** "the wall", "the pull of drawer front 1" */
  readonly name: string;
  readonly min: PlanPoint;
  readonly max: PlanPoint;
  readonly low: number;
  readonly high: number;
}

/** What a door touches on its way. */
export interface SwingContact {
  readonly obstacle: PlanObstacle;
  /** What touches: the front itself, or the kind of thing that is fixed to it. */
  readonly by: string;
  /** The widest angle at which it is still free, in whole degrees. */
  readonly free: number;
}

/** Heights (mm, above the underside of the box) between which something of a room will stand, before it is chosen. */
export interface ForeseenStrip {
  /** The opening, and the room behind it. */
  readonly opening: string;
  readonly room: string;
  readonly low: number;
  readonly high: number;
}

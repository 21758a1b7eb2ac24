import type * as z from 'zod/mini';
import type { Box, Front } from '../../build/index.js';
import type { PlanDoor, PlanPoint } from '../../cabinet/index.js';
import type { Dim } from '../../ground/index.js';
import type { DimensionItem, DrawingItem, DrawingPoint, Operation, Part } from '../../part/index.js';
import type { HingeFigures } from './figures.js';
import type { HingePlace, HingeWish, HungDoor } from './hung.js';
import type { HingeSolution } from './solution.js';

/** What the machining of one door needs to know. */
export interface BoringContext {
  /** The part of the door on its hinge side. */
  readonly door: Part;
  readonly frontKey: string;
  readonly hinged: 'left' | 'right';
  readonly carrier: Part;
  /** What is free beside the hinge edge. */
  readonly gap: Dim;
  readonly box: Box;
  readonly settings: HingeFigures;
}

/** A shut door in plan, before it is known about what it turns. */
export interface ShutDoor extends Omit<PlanDoor, 'pivot'> {
  readonly front: Front;
  readonly wish: HingeWish;
}

/** From cabinet x and y to a point of the corner drawing. */
export type ToCorner = (x: number, y: number) => DrawingPoint;

/** A family of hinges and all that is particular to it. A new one is one file and one line in `families/index.ts`. */
export interface HingeFamily<S extends HingeSolution = HingeSolution> {
  readonly id: S['profile']['family'];
  /** "a concealed hinge" */
  readonly words: string;
  /** As it is chosen: "concealed, two-piece". */
  readonly option: string;
  readonly schema: z.ZodMiniType<S['profile']>;
  /** Every way a profile does what a door asks; the order is the solver's. */
  solve(profile: S['profile'], wish: HingeWish): S[];
  /** Why a profile that was not ruled out does not serve: "does not reach this overlay". */
  readonly misses: string;
  /** The room it takes up: behind the mounting plane, up and down in all, out from what carries it (mm). */
  body(solution: S): { readonly behind: number; readonly height: number; readonly out: number };
  /** Half of what it needs along the edge of the door (mm). */
  reach(solution: S): number;
  /** From the door's end to the middle of the first hinge. */
  firstFromEnd(solution: S, settings: HingeFigures): Dim;
  /** How far apart its plate's holes are, where they may fall on a grid (mm). */
  platesApart(solution: S): number | undefined;
  /** Everything cut and bored for the hinges of a door, by part key. */
  bore(solution: S, places: readonly HingePlace[], context: BoringContext): Map<string, Operation[]>;
  pivot(solution: S, door: ShutDoor): PlanPoint;
  /** Least gap at the hinge edge by the maker's table (mm), where there is one. */
  leastGap(solution: S, thickness: number): number | undefined;
  /** The numbers a maker compares its profiles by, in one line. */
  figures(profile: S['profile']): string;
  /** What is bought: name of one hinge. */
  bought(solution: S): string;
  /** Its marks on door and case on the front elevation. */
  symbols(solution: S, door: HungDoor, place: HingePlace, key: string): DrawingItem[];
  /** The hinge itself in the corner in plan, and the sizes that are its own. */
  corner(solution: S, plan: PlanDoor, door: HungDoor, at: ToCorner): DrawingItem[];
  cornerDimensions(solution: S, plan: PlanDoor, door: HungDoor): DimensionItem[];
}

import { type Dim, length } from '../../../ground/index.js';
import type { By, Operation } from '../../../part/index.js';
import type { BoxPlan } from '../plan.js';
import type { RunnerResolved } from '../settings.js';

/** What a corner needs to know of the box it is made for. */
export interface CornerContext {
  /** Keys of the box and of its front and back. */
  readonly key: string;
  readonly plan: BoxPlan;
  readonly settings: RunnerResolved['settings'];
  /** Thickness of all four sides. */
  readonly side: Dim;
  /** Height of the sides, and of the back, which may begin above them. */
  readonly height: Dim;
  readonly back: { readonly up: Dim; readonly height: Dim };
  readonly bottom: { readonly thickness: Dim; readonly applied: boolean };
  readonly by: (what: string) => By;
  /** True where the back is in two pieces, round something. */
  readonly divided: boolean;
  /** Heights above the lower edge of the sides at which something is bored through the ends of the front, and how far to each side (mm). */
  readonly crossed?: readonly { readonly at: number; readonly half: number }[];
}

/** Operations by part: each of the sides, front, back, and the lines of screws by the key of a part. */
export interface Joined {
  readonly sides: (hand: 'left' | 'right') => readonly Operation[];
  readonly front: readonly Operation[];
  readonly back: readonly Operation[];
  readonly screwLines: readonly (readonly [key: string, operation: Operation])[];
}

/** How far the sides stop short of the box's front and rear, and how far front and back reach past their inner faces. */
export interface CornerPlace {
  readonly lead: Dim;
  readonly trail: Dim;
  readonly reach: Dim;
}

/** Where the groove of the bottom stops so that it does not show at an end. */
export interface GrooveStops {
  readonly side?: { readonly start?: Dim; readonly end?: Dim };
  readonly across?: { readonly start: Dim; readonly end: Dim };
}

/** One way of joining the corners of a box and all that is particular to it. */
export interface Corner {
  place(side: Dim, settings: RunnerResolved['settings']): CornerPlace;
  join(context: CornerContext): Joined;
  stops?(side: Dim, settings: RunnerResolved['settings'], open: boolean): GrooveStops;
}

/** No length at all. */
export const NONE = length(0, 'nothing');
/** Both ends of a side, and what stands there. */
export const ENDS = ['u0', 'u1'] as const;
export const HANDS = { u0: 'left', u1: 'right' } as const;

/** The part at the rear end of a side: the back, or the piece of it there where the box goes round something. */
export const backAt = ({ key, divided }: Pick<CornerContext, 'key' | 'divided'>, hand: 'left' | 'right') =>
  divided ? `${key}/back/${hand}` : `${key}/back`;

export const where = (end: 'u0' | 'u1') => (end === 'u0' ? 'front' : 'back');

/** Front and back stand between the sides. */
export const between = (): CornerPlace => ({ lead: NONE, trail: NONE, reach: NONE });

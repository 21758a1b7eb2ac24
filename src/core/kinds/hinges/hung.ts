import type { Front } from '../../build/index.js';
import type { Dim } from '../../ground/index.js';
import type { Part } from '../../part/index.js';
import type { HingeFigures } from './figures.js';
import type { CarcassKind, HingeFit, HingeProfile } from './profile.js';
import type { HingeSolution } from './solution.js';

/** What a door asks of its hinges: the answers to the five questions, and the numbers to be reached. */
export interface HingeWish {
  readonly carcass: CarcassKind;
  readonly fit: HingeFit;
  /** How far the hinge edge of the door lies beyond the edge of its opening; negative for a front within it. */
  readonly overlay: Dim;
  /** What is free beside the hinge edge. */
  readonly gap: Dim;
  readonly opening: number;
  readonly closing: HingeFigures['hinges']['closing']['value'];
  readonly family: HingeProfile['family'] | 'any' | 'none';
}

/** One hinge on its door: the same height read on the door and on the case. */
export interface HingePlace {
  /** Its middle above the door's lower edge. */
  readonly onDoor: Dim;
  /** Its middle above the underside of the box; differs by where the door's lower edge lies. */
  readonly onCase: Dim;
  /** How far it was moved from where the rule puts it (mm). */
  readonly moved: number;
  /** False where nothing within reach was free: it is not bored until that is settled. */
  readonly clear: boolean;
  /** True where the maker decided the height. */
  readonly decided: boolean;
}

/** A door with its hinges. */
export interface HungDoor {
  readonly front: Front;
  readonly hinged: 'left' | 'right';
  /** kg: its parts and its pull. */
  readonly weight: Dim;
  readonly wish: HingeWish;
  /** Undefined when no profile reaches the overlay. */
  readonly chosen: HingeSolution | undefined;
  readonly places: readonly HingePlace[];
  /** The part the cups are bored in, or the leaves let into. */
  readonly bored: Part | undefined;
  /** True when the door is too small for two hinges. */
  readonly tooSmall: boolean;
  /** The case part that carries the hinges, and where its face or edge lies (x, mm). */
  readonly carrier: Part | undefined;
  readonly plane: number;
  /** Degrees: how far it opens, by its hinge or by what stops it. */
  readonly stopAngle: number;
}

import type { Dim } from '../../../ground/index.js';
import type { Extent, Operation, Part } from '../../../part/index.js';
import type { BoxParts } from '../box.js';
import type { BoxPlan } from '../plan.js';
import type { RunnerProfile } from '../profile.js';
import type { DrawerRoom } from '../room.js';
import type { RunnerResolved } from '../settings.js';

/** What a family may look at to say where its runners stand. */
export interface BodiesContext {
  readonly room: DrawerRoom;
  readonly box: BoxParts;
  readonly plan: BoxPlan;
  /** From the front end of a runner to its rear end (mm, in the cabinet). */
  readonly from: number;
  readonly to: number;
}

/** What a family may look at where it adds parts of its own. */
export interface AddedContext {
  readonly room: DrawerRoom;
  readonly box: BoxParts;
  readonly plan: BoxPlan;
  readonly run: Dim;
  /** The cabinet so far. */
  readonly parts: readonly Part[];
  readonly resolved: RunnerResolved;
}

export interface Added {
  readonly parts: readonly Part[];
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
}

/** One way of hanging a drawer and all that is particular to it. A new one is a file and a line in `index.ts`. */
export interface RunnerFamily<P extends RunnerProfile = RunnerProfile> {
  /** Why a profile cannot carry boxes made as this shop makes them; undefined when it can. */
  against?(profile: P, resolved: RunnerResolved, show: (mm: number) => string): string | undefined;
  /** The box it carries. */
  plan(profile: P, room: DrawerRoom, length: Dim, resolved: RunnerResolved): BoxPlan;
  /** Height of its screw line on the case above the floor of the opening. */
  line(profile: P): Dim;
  /** Where its runners stand, as blocks, from where they begin to their rear end. */
  bodies(profile: P, context: BodiesContext): readonly Extent[];
  /** What it wants cut and bored in the box. */
  onBox(profile: P, box: BoxParts, length: Dim): (readonly [key: string, operation: Operation])[];
  /** Parts of its own, with what is bored in them and in what they stand on. */
  added?(profile: P, context: AddedContext): Added;
  /** What comes with a pair of them besides the runners themselves. */
  extras?(profile: P): readonly { readonly name: string; readonly quantity: number }[];
}

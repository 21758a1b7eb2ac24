import type { Bay, Box, FaceLayout, Fitting, Front, Interiors, Joint, PinGrid } from '../build/index.js';
import type { Cabinet, DecidedHeight, Design, JobHead, OwnPath, Resolved } from '../decisions/index.js';
import type { LeftOut, LetteredRow, Operation, Part, PartRow } from '../part/index.js';
import type { Motion, Occupied, SwingContact } from './motion.js';

/** Heights that are decided for things of an opening, and how many of them there are to follow. */
export interface DecidedHeights {
  readonly what: 'hinge';
  /** What they stand in: "door 2", and how high that is (mm). */
  readonly name: string;
  readonly room: number;
  /** Where they are decided. */
  readonly list: OwnPath;
  readonly decided: readonly DecidedHeight[];
  readonly count: number;
}

/**
 * A cabinet with everything but its findings, and whichever cabinet it is: those that are decided and given alike are one.
 * Its reader says what settings it knows beside those of the construction,
 * and which results of kinds of fitted things.
 */
export interface BuiltCabinet<R extends Resolved = Resolved, F = unknown> {
  /** The job it was figured in, without its cabinets. */
  readonly head: JobHead;
  readonly cabinet: Design;
  readonly resolved: R;
  readonly box: Box;
  readonly face: FaceLayout;
  /** The rooms behind the fronts and in open bays. */
  readonly interiors: Interiors;
  readonly fronts: readonly Front[];
  readonly parts: readonly Part[];
  /** Parts the maker leaves out. */
  readonly leftOut: readonly LeftOut[];
  readonly joints: readonly Joint[];
  /** The lines screws take in parts nothing is bored in for them, by part key. */
  readonly screwLines: ReadonlyMap<string, readonly Operation[]>;
  /** The holes a side may have; undefined where no pins are bored. */
  readonly grid: PinGrid | undefined;
  /** The openings with adjustable shelves. */
  readonly bays: readonly Bay[];
  /** What each kind of fitted thing made of it, by kind. */
  readonly fitted: F;
  /** True where something fitted holds it on the wall. */
  readonly hung: boolean;
  readonly decidedHeights: readonly DecidedHeights[];
  /** The space things take when shut, and the space they sweep. */
  readonly occupied: readonly Occupied[];
  readonly motions: readonly Motion[];
  /** What doors touch when they open, by front. */
  readonly contacts: ReadonlyMap<string, SwingContact>;
  /** Bought things that are counted, such as legs. */
  readonly fittings: readonly Fitting[];
  readonly rows: readonly LetteredRow[];
}

/** The same as one cabinet of the job: with its id, its number and its name. */
export type Named<C extends Pick<BuiltCabinet, 'cabinet' | 'rows'> = BuiltCabinet> = Omit<C, 'cabinet' | 'rows'> & {
  readonly cabinet: Cabinet;
  readonly rows: readonly PartRow[];
};

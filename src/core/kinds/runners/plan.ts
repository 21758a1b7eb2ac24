import type { Dim } from '../../ground/index.js';

/** The sizes of a box and where it stands in its opening. */
export interface BoxPlan {
  /** Outside and inside width. */
  readonly outside: Dim;
  readonly inside: Dim;
  /** Front to rear. */
  readonly length: Dim;
  readonly height: Dim;
  /** Height of its lower edge above the floor of the opening, and free space above it. */
  readonly above: Dim;
  readonly free: Dim;
  /** From the lower edge of the sides to the underside of the bottom. */
  readonly recess: Dim;
  /** Nothing is screwed into its corners below this, from the lower edge of the sides. */
  readonly clear?: Dim;
  /** True where a wide bottom is kept thin and stiffened from below. */
  readonly stiffened?: true;
}

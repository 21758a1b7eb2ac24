import type { HouseSet } from '../declare.js';

/**
 * A school of construction: its name, what it is for, and the standards that choosing it brings, in either starting set.
 * They lie between the house's own standards for the kind of cabinet and the rest of the house; a shop changes them in
 * its house. What is built follows from the settings alone, so a school needs no builder of its own.
 */
export interface School {
  /** As it reads in a list: "face frame". */
  readonly label: string;
  /** The trade in one line. */
  readonly trade: string;
  readonly standards: Readonly<Record<HouseSet, object>>;
}

import type { Dim } from '../../ground/index.js';

/** What money goes into. */
export const COST_KINDS = {
  sheets: 'Sheets',
  solid: 'Solid wood',
  bands: 'Edge band',
  hardware: 'Hardware',
  labour: 'Labour',
} as const;
export type CostKind = keyof typeof COST_KINDS;

/** What time goes into. */
export const OPERATIONS = {
  sheet: 'Sheets fetched and set up',
  setUp: 'Set-ups and test cuts',
  cut: 'Saw cuts',
  band: 'Banding',
  groove: 'Grooves, dadoes, rabbets',
  hole: 'Holes',
  part: 'Assembly',
  fitting: 'Fitting hardware',
} as const;
export type CostedOperation = keyof typeof OPERATIONS;

export type Sums<K extends string> = Readonly<Record<K, Dim>>;

/** What one cabinet costs, takes in minutes, and weighs; each a number that shows its arithmetic. */
export interface CabinetCost {
  readonly cabinet: string;
  readonly number: string;
  readonly name: string;
  readonly cost: Sums<CostKind>;
  readonly minutes: Sums<CostedOperation>;
  readonly time: Dim;
  readonly total: Dim;
  /** Kilograms of its parts. */
  readonly weight: Dim;
}

export interface MaterialCost {
  readonly material: string;
  readonly name: string;
  /** So many sheets, or cubic metres of boards, or metres of band. */
  readonly quantity: number;
  readonly unit: 'sheets' | 'm³' | 'm';
  readonly cost: Dim;
  /** Kilograms of the parts of it. */
  readonly weight: number;
}

export interface JobCost {
  readonly cabinets: readonly CabinetCost[];
  readonly materials: readonly MaterialCost[];
  readonly cost: Sums<CostKind>;
  readonly minutes: Sums<CostedOperation>;
  readonly time: Dim;
  readonly total: Dim;
  readonly weight: Dim;
  /** What is used and has no price yet, by name. */
  readonly unpriced: readonly string[];
}

import type { Method } from '../../decisions/index.js';
import type { PackPart, PackProblem } from './problem.js';

/** A rectangle on a raw sheet, from its corner (mm). */
export interface Area {
  readonly x: number;
  readonly y: number;
  readonly length: number;
  readonly width: number;
}

/** Sheets of one size that pieces may be cut from (mm). */
export interface SheetSupply {
  readonly id: string;
  readonly length: number;
  readonly width: number;
  readonly trim: number;
  /** So many there are; as many as it takes where it is left out. */
  readonly count?: number | undefined;
  /** What one costs, in the shop's money. */
  readonly price: number;
  /** What is left of another sheet: taken before a whole one is. */
  readonly offcut: boolean;
  /** What lies on it and stays where it is, and what of it is kept clear. Such a sheet is part of every layout. */
  readonly fixed?: readonly Area[] | undefined;
}

/** A part, or a blank that is cut up into several pieces which belong together, each from the blank's corner. */
export interface Blank extends PackPart {
  readonly pieces?: readonly (Area & { readonly id: string })[] | undefined;
}

/** What is looked for first, and what among layouts that are equal in it. */
export interface Goals {
  readonly first: 'sheets' | 'cost';
  readonly next: 'offcut' | 'fences' | 'nothing';
}
const PLAIN_GOALS: Goals = { first: 'sheets', next: 'nothing' };

/** What has to come out of which sheets, and how they are cut. All mm. */
export interface CuttingProblem {
  readonly method: Method;
  readonly kerf: number;
  readonly stages?: number | undefined;
  readonly spacing?: number | undefined;
  /** No strip is ripped narrower than this; a narrower piece is trimmed out of one. */
  readonly minimumStrip?: number | undefined;
  /** The first cuts are made so much oversize, to be cut again to size. */
  readonly oversize?: number | undefined;
  /** Routed pieces with a side under `size` stay this far inside the edges of what is usable. */
  readonly small?: { readonly size: number; readonly inside: number } | undefined;
  readonly goals: Goals;
  readonly sheets: readonly SheetSupply[];
  readonly parts: readonly Blank[];
}

/** The id of the sheets of a plain problem. */
export const PLAIN_SHEET = 'sheet';

/** A plain problem: one size of sheet, as many as it takes. */
export function plainCutting({ sheet, parts, ...way }: PackProblem): CuttingProblem {
  return { parts, ...way, goals: PLAIN_GOALS, sheets: [{ id: PLAIN_SHEET, ...sheet, price: 0, offcut: false }] };
}

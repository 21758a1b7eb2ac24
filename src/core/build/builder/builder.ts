import type { Choice, Design, Resolved } from '../../decisions/index.js';
import { byStandard, type Dim, longer, type Span } from '../../ground/index.js';
import { type Band, bandsOn, type Operation, type Part } from '../../part/index.js';
import type { Joint } from '../joints/index.js';
import type { Boundary, Box, Cell } from '../layout/index.js';

/**
 * A rail that runs from side to side within the clear depth. What stands in its way is notched round it, or stops in
 * front of it.
 */
export interface Crossing {
  readonly key: string;
  readonly y: Span;
  readonly z: Span;
  /** In pieces between the uprights, which stay whole. */
  readonly divided?: boolean;
}

/** What every builder may look at. */
export interface BuildContext {
  readonly cabinet: Design;
  readonly box: Box;
  readonly cells: readonly Cell[];
  /** What lies between the openings of the face. */
  readonly face: readonly Boundary[];
  /** All that divides the box: between openings, and between the rooms behind them. */
  readonly boundaries: readonly Boundary[];
  readonly resolved: Resolved;
  /** The rails that run through from side to side. */
  readonly crossings: readonly Crossing[];
}

/** Bought things that are counted, not cut. */
export interface Fitting {
  readonly name: string;
  readonly quantity: number;
  readonly note: string;
  /** The name its price is kept under, where its own says a length: that in millimetres. */
  readonly keptAs?: string;
  /** On which shelf of the shop it lies, where it is no hardware. */
  readonly group?: 'fasteners';
}

export interface BuilderResult {
  readonly parts?: readonly Part[];
  readonly joints?: readonly Joint[];
  readonly fittings?: readonly Fitting[];
  /** The lines screws take in parts nothing is bored in for them. */
  readonly screwLines?: readonly (readonly [key: string, operation: Operation])[];
}

/** Builds one kind of part for a cabinet. */
export type Builder = (context: BuildContext) => BuilderResult;

/** Bands on the front edges of case parts; none behind a face frame, which hides them. */
export function caseBands({ settings }: Resolved): readonly Band[] {
  if (settings.banding.caseEdges.value !== 'front' || settings.frame.fitted.value === 'fitted') return [];
  return bandsOn(['v0'], settings.banding.caseThickness, settings.banding.preMilling);
}

/** The kind of a joint, and whether it is only the shop's standard. */
export function kindOf({ value, source }: Choice): { readonly kind: string; readonly standard: boolean } {
  return { kind: value, standard: byStandard({ source }) };
}

/** From upright to upright and as far as it enters each: clear width + 2 · engagement. */
export function across(h: Span, engagement: Dim, name: string): Span {
  if (engagement.value === 0) return h;
  const { low, high, size } = longer(h, engagement);
  const called = name.toLowerCase();
  return { low: low.as(`left end of the ${called}`), high: high.as(`right end of the ${called}`), size };
}

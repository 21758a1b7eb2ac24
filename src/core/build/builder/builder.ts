import type { Choice, Design, JointKind, Resolved } from '../../decisions/index.js';
import { byStandard, type Dim, longer, type Span } from '../../ground/index.js';
import { type Band, bandsOn, type EdgeReference, type Operation, type Part } from '../../part/index.js';
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

/**
 * One end of a part meeting the face of another. The receiving part is found by where the joint lies, so builders need
 * not know their neighbours.
 */
export interface Joint {
  /** `x`: a horizontal meets an upright panel. `z`: an upright meets a horizontal panel. */
  readonly normal: 'x' | 'z';
  /** Cabinet position (mm) of the receiving face along the normal. */
  readonly plane: number;
  /**
   * How its fasteners stand on the receiving part: from front to rear, or for what is joined on edge along its height or
   * its length, at one depth.
   */
  readonly runs?: 'across' | 'along';
  /** Near edge of what joins, along the receiving part: z for `x` joints, x for `z` joints; and how far it goes there. */
  readonly level: Dim;
  readonly thickness: Dim;
  /** From front to rear: where the joining part starts and how deep it is. */
  readonly front: Dim;
  readonly depth: Dim;
  readonly kind: JointKind;
  /** True where nobody has decided the kind but the shop's standard: where screws would show, it is made otherwise. */
  readonly standard?: boolean;
  /** How far it enters. */
  readonly engagement: Dim;
  /** How far its fasteners may be apart, where that is not the shop's rule. */
  readonly spacing?: Dim;
  /** The joining part and its end or edge; a dadoed web frame joins as a whole and has no single one. */
  readonly member?: {
    readonly key: string;
    readonly end: EdgeReference;
    readonly pocketFace: 1 | 2;
    readonly pocketsShow: boolean;
  };
  /** Whose front corner is notched where a dado stops short of the front edge, where that is not the member. */
  readonly corner?: { readonly key: string; readonly end: EdgeReference };
  /** What joins, for the reason of the machining: "carries the bottom". */
  readonly reason: string;
  readonly holds: string;
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
export function kindOf({ value, source }: Choice<JointKind>): { readonly kind: JointKind; readonly standard: boolean } {
  return { kind: value, standard: byStandard({ source }) };
}

/** From upright to upright and as far as it enters each: clear width + 2 · engagement. */
export function across(h: Span, engagement: Dim, name: string): Span {
  if (engagement.value === 0) return h;
  const { low, high, size } = longer(h, engagement);
  const called = name.toLowerCase();
  return { low: low.as(`left end of the ${called}`), high: high.as(`right end of the ${called}`), size };
}

import type { Dim } from '../../ground/index.js';
import type { EdgeReference, PanelFace, Part } from '../../part/index.js';

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
  /** The id of its kind. */
  readonly kind: string;
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

/** Where a joint lies on a part that receives it. */
export interface Seat {
  readonly part: Part;
  readonly face: PanelFace;
  /** From the front of what joins to where both parts are, and how deep that is. */
  readonly start: Dim;
  readonly depth: Dim;
}

/** A line of fasteners on the receiving part. */
export interface OnPart {
  readonly from: EdgeReference;
  readonly offset: Dim;
  readonly positions: readonly Dim[];
}

/** The same in the end or the edge of what joins: along its middle line, from its own first edge. */
export interface InEnd {
  readonly edge: EdgeReference;
  readonly offset: Dim;
  readonly positions: readonly Dim[];
}

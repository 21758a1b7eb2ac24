import type { Dim } from '../derive/index.js';

/** Which face an operation enters: face 1 is the inside or show face. */
export type Face = 1 | 2;

/**
 * An edge of a part: where u (along the length) or v (along the width) is 0 or full. Distances on a part are measured
 * from a named edge, the one the fence or the stop runs against.
 */
export type EdgeReference = 'u0' | 'u1' | 'v0' | 'v1';

interface Why {
  /** Why it is there. */
  readonly reason: string;
  /** Key of the part that sits in it or is fastened through it. */
  readonly holds?: string;
  /** Operations of one group belong into each other, as pilot holes into their mortise. */
  readonly group?: string;
}

/** A groove or dado along the whole length or width of a face. */
export interface Groove extends Why {
  readonly kind: 'groove';
  readonly face: Face;
  readonly along: 'length' | 'width';
  readonly from: EdgeReference;
  /** From that edge to the groove's near wall: the fence setting at the saw. */
  readonly offset: Dim;
  readonly width: Dim;
  /** Blade or cutter height. */
  readonly depth: Dim;
  /** What cuts it: crept to the panel, or one pass of a cutter with its centre line given. */
  readonly cutter?: { readonly width: Dim; readonly centre: Dim };
}

/** A step along an edge. */
export interface Rabbet extends Why {
  readonly kind: 'rabbet';
  readonly face: Face;
  readonly from: EdgeReference;
  /** How far in from the edge. */
  readonly width: Dim;
  readonly depth: Dim;
}

/** A corner cut away through the whole thickness. */
export interface Notch extends Why {
  readonly kind: 'notch';
  /** The two edges that meet in the corner. */
  readonly corner: readonly ['u0' | 'u1', 'v0' | 'v1'];
  readonly alongLength: Dim;
  readonly alongWidth: Dim;
}

/** A line of equal holes in a face. */
export interface Holes extends Why {
  readonly kind: 'holes';
  readonly face: Face;
  /** The line lies this far from this edge. */
  readonly from: EdgeReference;
  readonly offset: Dim;
  /** Along the line, from the start (u0 or v0) of the part. */
  readonly positions: readonly Dim[];
  readonly diameter: Dim;
  /** Absent for a through hole. */
  readonly depth?: Dim;
}

/** A line of equal holes bored into an edge. */
export interface EdgeHoles extends Why {
  readonly kind: 'edge holes';
  readonly edge: EdgeReference;
  /** From face 1 to the line. */
  readonly offset: Dim;
  readonly positions: readonly Dim[];
  readonly diameter: Dim;
  readonly depth: Dim;
}

/** Slots for loose tenons, or mortises for hinge leaves, in a face or an edge. Positions are of their middles. */
export interface Slots extends Why {
  readonly kind: 'slots' | 'mortises';
  readonly place: { readonly face: Face; readonly from: EdgeReference } | { readonly edge: EdgeReference };
  /** From the edge, or from face 1, to the slot's centre line. */
  readonly offset: Dim;
  readonly positions: readonly Dim[];
  readonly length: Dim;
  readonly thickness: Dim;
  readonly depth: Dim;
}

/** Pocket holes in a face, leaving through an edge. */
export interface Pockets extends Why {
  readonly kind: 'pockets';
  readonly face: Face;
  readonly edge: EdgeReference;
  readonly positions: readonly Dim[];
  /** True when the face shows and the pockets have to be plugged. */
  readonly plugged: boolean;
}

/** Something cut or bored in a part. */
export type Operation = Groove | Rabbet | Notch | Holes | EdgeHoles | Slots | Pockets;
export type OperationKind = Operation['kind'];

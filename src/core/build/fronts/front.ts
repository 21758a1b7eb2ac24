import type { FrontAsked } from '../../decisions/index.js';
import type { Dim, Span } from '../../ground/index.js';
import type { Extent, Part } from '../../part/index.js';

/** A drawer front, a door, or a front that only closes the view, with where it lies on the face. Edges in mm from the box's lower left corner. */
export interface Front extends FrontAsked {
  readonly key: string;
  readonly openingId: string;
  /** What its opening is: a drawer, a door. */
  readonly kind: string;
  readonly hinged?: 'left' | 'right';
  readonly h: Span;
  readonly v: Span;
  /** What is free beside its left and right edges: a reveal at the end of the box, a gap within it. */
  readonly beside: { readonly left: Dim; readonly right: Dim };
  /** kg, of its own parts. */
  readonly weight: Dim;
  /** Width of the rebate round the back of a lipped front (mm), else 0. */
  readonly lap: number;
  /** How far the hinge edge of a door lies beyond the edge of its opening. */
  readonly overlay?: Dim;
  /** One part for a slab; stiles, rails and panel for a framed front. */
  readonly parts: readonly Part[];
  /** The space it takes up (mm). */
  readonly extent: Extent;
}

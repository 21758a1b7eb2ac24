import { type Facts, laid } from '../../given/index.js';
import type { Span } from '../../ground/index.js';

/** A rectangle seen from the front: `h` to the right, `v` upwards. */
export interface Rectangle {
  readonly h: Span;
  readonly v: Span;
}

/** A part of the face, in its three meanings. */
export interface Region {
  /** What the fronts cover, reveals and gaps taken off. */
  readonly face: Rectangle;
  /** The opening the fronts close: between dividers, or between the members of a face frame. */
  readonly clear: Rectangle;
  /** The room behind it, between the faces of case parts: what shelves and drawers have. */
  readonly inside: Rectangle;
}

/** `rows` divide from top to bottom, `columns` from left to right. */
export type SplitAxis = 'rows' | 'columns';

export function spanOf(rectangle: Rectangle, axis: SplitAxis): Span {
  return axis === 'rows' ? rectangle.v : rectangle.h;
}

/** A span whose size was measured ends where the measure does. */
export function asRead(span: Span): Span {
  const { low, high, size } = span;
  return size.operation === 'read' ? { low, high: low.plus(size).as(high.label), size } : span;
}

/** A rectangle with what was measured of it, by the addresses of its width and its height. */
export function rectangleAsRead({ h, v }: Rectangle, address: string, facts: Facts): Rectangle {
  const read = ({ low, high, size }: Span, which: 'width' | 'height') =>
    asRead({ low, high, size: laid(facts, size.at(`${address}.${which}`)) });
  return { h: read(h, 'width'), v: read(v, 'height') };
}

export function withSpan(rectangle: Rectangle, axis: SplitAxis, span: Span): Rectangle {
  return axis === 'rows' ? { ...rectangle, v: span } : { ...rectangle, h: span };
}

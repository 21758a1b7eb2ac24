import { type Dim, length } from './dim.js';

/** From `low` to `high` along one direction, in mm. Any two of the three give the other. */
export interface Span {
  readonly low: Dim;
  readonly high: Dim;
  readonly size: Dim;
}

/** What starts at `low` and is so long. */
export function spanFrom(low: Dim, size: Dim): Span {
  return { low, size, high: low.value === 0 ? size : low.plus(size) };
}

/** What ends at `high` and is so long. */
export function spanTo(high: Dim, size: Dim): Span {
  return { low: high.minus(size), size, high };
}

/** What lies between two places. */
export function spanBetween(low: Dim, high: Dim): Span {
  return { low, high, size: high.minus(low) };
}

/** The same, so much longer at both ends. */
export function longer(span: Span, by: Dim): Span {
  if (by.value === 0) return span;
  return { low: span.low.minus(by), high: span.high.plus(by), size: span.size.plus(by.times(2)) };
}

/** Where nothing is left off: the line everything along this direction is measured from. */
export const START = length(0);

/** A place told from another one instead of from the cabinet's own zero; under a name of its own only where it moves. */
export function measuredFrom(place: Dim, base: Dim, name?: string): Dim {
  if (base.value === 0) return place;
  const told = place.minus(base);
  return name === undefined ? told : told.as(name);
}

import { type Dim, measuredFrom } from '../../ground/index.js';
import { type By, type EdgeReference, edgeOf, faceInto, type Part } from '../../part/index.js';
import type { BoringContext } from './family.js';
import type { HingePlace } from './hung.js';

/** Why an operation of a hinge is there. */
export const reasonOf = (door: Part) => `hinge of ${(door.whole ?? door.name).toLowerCase()}`;

/** Whose work it is. */
export const byHinge = (context: BoringContext, what: string): By => ({
  kind: 'hinges',
  what,
  front: context.frontKey,
});

/** The edge of a door's part that the hinges are on. */
export function doorEdge(part: Part, hinged: 'left' | 'right'): EdgeReference {
  const along = part.placement.u === '+x' ? 'u' : 'v';
  return `${along}${hinged === 'left' ? 0 : 1}`;
}

/** Heights on the case become heights on the part that carries the hinge. */
export function onCarrier(places: readonly HingePlace[], carrier: Part): Dim[] {
  const start = edgeOf(carrier, 'u0');
  return places.map(({ onCase }) => measuredFrom(onCase, start, 'hinge on this part'));
}

/** Both faces of a partition may carry hinges; a side has its inside face. */
export function carrierFace({ carrier, hinged }: BoringContext): 1 | 2 {
  return faceInto(carrier, hinged);
}

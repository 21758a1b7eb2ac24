import { cutsOf } from '../machining/index.js';
import { type Part, sizeOf } from '../parts/index.js';
import { type Block, blockIn, overlap } from '../solids/index.js';
import { holdsAt, leaving } from './fasteners.js';
import { lets } from './solids.js';

/** Parts that no fastener goes through or into, and that are neither let into another nor have one let into them. */
export function unheld(parts: readonly Part[]): Part[] {
  const held = new Set<Part>();
  for (const part of parts)
    for (const { tip } of leaving(part)) {
      const into = parts.find((other) => other !== part && holdsAt(other, tip));
      if (into) held.add(part).add(into);
    }
  const loose = parts.filter((part) => !held.has(part));
  return loose.filter((part) => !parts.some((other) => other !== part && letIn(part, other)));
}

/** True when one of two parts sits in a groove, a recess or a mortise of the other. */
function letIn(a: Part, b: Part): boolean {
  if (!overlap(a.extent, b.extent)) return false;
  return seats(a).some((seat) => overlap(seat, b.extent)) || seats(b).some((seat) => overlap(seat, a.extent));
}

/** What holds another part where it is cut; round a notch or in a cut-out it only has room. */
function seats(part: Part): Block[] {
  const size = sizeOf(part);
  return part.machining
    .filter((operation) => lets(operation) && operation.kind !== 'notch' && operation.kind !== 'cut-out')
    .flatMap((operation) => cutsOf(operation, size))
    .flatMap((cut) => (cut.shape === 'block' ? [blockIn(part, cut)] : []));
}

import { cutsOf } from '../machining/index.js';
import { type Part, sizeOf } from '../parts/index.js';
import { type Block, blockIn, overlap } from '../solids/index.js';
import { connectionsOf } from './connections.js';
import { lets } from './solids.js';

/**
 * Parts that nothing holds to the sides of the box, directly or through others: neither a fastener that finds wood, nor a
 * groove, a recess or a mortise that one of them sits in.
 */
export function unheld(parts: readonly Part[]): Part[] {
  const joined = new Map<Part, Set<Part>>(parts.map((part) => [part, new Set()]));
  const join = (a: Part, b: Part) => {
    joined.get(a)?.add(b);
    joined.get(b)?.add(a);
  };
  for (const [at, part] of parts.entries()) {
    for (let next = at + 1; next < parts.length; next += 1) {
      const other = parts[next] as Part;
      if (letIn(part, other)) join(part, other);
    }
  }
  for (const { from, into } of connectionsOf(parts)) if (into) join(from, into);
  const held = new Set(parts.filter(({ role }) => role === 'side'));
  for (const part of held) for (const other of joined.get(part) ?? []) held.add(other);
  return parts.filter((part) => !held.has(part));
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

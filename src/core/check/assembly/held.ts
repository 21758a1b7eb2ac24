import { gather } from '../../ground/index.js';
import { type Block, blockIn, cutsOf, overlap, type Part, sizeOf } from '../../part/index.js';
import type { Meetings } from './connections.js';
import { lets } from './solids.js';

/**
 * Parts that nothing holds to the sides of the box, directly or through others: neither a fastener that finds wood, nor a
 * groove, a recess or a mortise that one of them sits in.
 */
export function unheld(parts: readonly Part[], { connections, overlapping }: Meetings): Part[] {
  const joined = new Map<Part, Set<Part>>(parts.map((part) => [part, new Set()]));
  const join = (a: Part, b: Part) => {
    joined.get(a)?.add(b);
    joined.get(b)?.add(a);
  };
  const seats = seatsOf();
  for (const [first, second] of overlapping) {
    const [part, other] = [parts[first] as Part, parts[second] as Part];
    if (seats(part, other) || seats(other, part)) join(part, other);
  }
  const byKey = new Map(parts.map((part) => [part.key, part]));
  for (const { from, into, leaving } of connections) {
    if (!into) continue;
    join(from, into);
    for (const key of leaving.fastens.passes ?? []) {
      const passed = byKey.get(key);
      if (passed) join(from, passed);
    }
  }
  const held = new Set(parts.filter(({ role }) => role === 'side'));
  for (const part of held) for (const other of joined.get(part) ?? []) held.add(other);
  return parts.filter((part) => !held.has(part));
}

/** Whether one part sits in a groove, a recess or a mortise of another; what each part is cut for is found once. */
function seatsOf(): (part: Part, other: Part) => boolean {
  const known = new Map<Part, Block[]>();
  return (part, other) => {
    let seats = known.get(part);
    if (!seats) {
      seats = seatsIn(part);
      known.set(part, seats);
    }
    return seats.some((seat) => overlap(seat, other.extent));
  };
}

/** What holds another part where it is cut; round a notch or in a cut-out it only has room. */
function seatsIn(part: Part): Block[] {
  const size = sizeOf(part);
  const seats = part.machining.filter(
    (operation) => lets(operation) && operation.kind !== 'notch' && operation.kind !== 'cut-out',
  );
  const cuts = gather(seats, (operation) => cutsOf(operation, size));
  return gather(cuts, (cut) => (cut.shape === 'block' ? [blockIn(part, cut)] : []));
}

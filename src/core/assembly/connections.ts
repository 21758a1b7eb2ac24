import type { Part } from '../parts/index.js';
import { holdsAt, type Leaving, leaving } from './fasteners.js';

/** One fastener, and what it holds; nothing where it ends in the air. */
export interface Connection {
  readonly from: Part;
  readonly into: Part | undefined;
  readonly leaving: Leaving;
}

/** Every fastener of construction between the parts of a cabinet. */
export function connectionsOf(parts: readonly Part[]): readonly Connection[] {
  const found: Connection[] = [];
  for (const from of parts) {
    let last: Part | undefined;
    for (const each of leaving(from)) {
      // Fasteners of one row mostly end in one part.
      const into =
        last && holdsAt(last, each.tip) ? last : parts.find((part) => part !== from && holdsAt(part, each.tip));
      last = into;
      found.push({ from, into, leaving: each });
    }
  }
  return found;
}

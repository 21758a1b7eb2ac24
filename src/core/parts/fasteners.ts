import type { Dim } from '../derive/index.js';
import { gather } from '../gather.js';
import type { Face, Fastens, Operation } from '../machining/index.js';
import type { Part } from './part.js';

/** A row of fasteners of one kind and size, from where their heads lie or where they leave the part they stand in. */
export interface FastenerRow extends Fastens {
  readonly through: Part;
  /** Along the edge that the row is measured from (mm). */
  readonly at: readonly Dim[];
  /** The face their heads lie in; absent for what stands inside the wood. */
  readonly head: Face | undefined;
  readonly operation: Operation;
}

/** Every fastener of some parts, once. */
export function fastenersOf(parts: readonly Part[]): FastenerRow[] {
  return gather(parts, (through) =>
    gather(through.machining, (operation): FastenerRow[] => {
      if (!operation.fastens || !('positions' in operation)) return [];
      const head = 'face' in operation ? operation.face : undefined;
      return [{ ...operation.fastens, through, at: operation.positions, head, operation }];
    }),
  );
}

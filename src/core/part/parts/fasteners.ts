import type { Dim } from '../../ground/index.js';
import type { Fastens, Operation } from '../machining/index.js';
import type { Part } from './part.js';

/** A row of fasteners of one kind and size, from where their heads lie or where they leave the part they stand in. */
export interface FastenerRow {
  readonly fastens: Fastens;
  readonly through: Part;
  readonly operation: FasteningOperation;
}

/** An operation in which fasteners may begin: those that have places. */
type FasteningOperation = Extract<Operation, { readonly positions: readonly Dim[] }>;

/** Every fastener of some parts, once. */
export function fastenersOf(parts: readonly Part[]): FastenerRow[] {
  const rows: FastenerRow[] = [];
  for (const through of parts)
    for (const operation of through.machining) {
      const { fastens } = operation;
      if (fastens !== undefined) rows.push({ fastens, through, operation: operation as FasteningOperation });
    }
  return rows;
}

import { Dim } from '../ground/index.js';

/** A reading of a number that is figured as well: it is laid over the number's address, and holds in its place. */
export interface Fact {
  /** The name the number keeps: `box.insideWidth`. */
  readonly address: string;
  readonly mm: number;
  /** When and how it was taken, for the reader: "measured in place". */
  readonly note: string;
}

/** The readings of one cabinet, by the addresses of what was read. */
export type Facts = ReadonlyMap<string, Fact>;
export const NO_FACTS: Facts = new Map();

export const factsOf = (facts: readonly Fact[]): Facts => new Map(facts.map((fact) => [fact.address, fact]));

/**
 * A number as it was read, where it was: what is figured from it goes on from the reading, and its tape shows both. All
 * builders read levels and edges through here.
 */
export function laid(facts: Facts, dim: Dim): Dim {
  const { address, label, measure } = dim;
  const fact = facts.size > 0 && address !== undefined ? facts.get(address) : undefined;
  if (!fact) return dim;
  const figured = new Dim(dim.value, `${label}, figured`, dim.operation, dim.terms, measure, dim.source, dim.reason);
  return new Dim(fact.mm, label, 'read', [figured], measure, { kind: 'measured', note: fact.note }, undefined, address);
}

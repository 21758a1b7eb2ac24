import { Dim, type Source } from '../ground/index.js';
import type { Cabinet } from './document/index.js';
import { type AnyPath, pathOf } from './job/index.js';

/** What stands by a number that a cabinet decides itself, until it is known which cabinet that is. */
export const THIS_CABINET = 'this cabinet';

/** The cabinet a result is read as. */
export type ReadAs = Pick<Cabinet, 'id' | 'number'>;

/** Where a number of a result was decided, for the cabinet the result is read as. */
export function sourceOf(cabinet: ReadAs, source: Source): Source {
  const { path, note } = source;
  const at = path === undefined ? undefined : pathOf(cabinet, path as AnyPath);
  if (at === path && note !== THIS_CABINET) return source;
  return {
    ...source,
    ...(note === THIS_CABINET ? { note: `cabinet ${cabinet.number}` } : {}),
    ...(at === undefined ? {} : { path: at }),
  };
}

/**
 * A number of a result as one of a cabinet, whoever reads it: for what is figured from two cabinets. What says nothing of
 * the cabinet stays the same number.
 */
export function numberOf(cabinet: ReadAs, dim: Dim): Dim {
  const known = new Map<Dim, Dim>();
  const named = (one: Dim): Dim => {
    const before = known.get(one);
    if (before) return before;
    const { value, label, operation, measure, reason, address } = one;
    const source = one.source && sourceOf(cabinet, one.source);
    const terms = one.terms.map(named);
    const same = source === one.source && terms.every((term, at) => term === one.terms[at]);
    const made = same ? one : new Dim(value, label, operation, terms, measure, source, reason, address);
    known.set(one, made);
    return made;
  };
  return named(dim);
}

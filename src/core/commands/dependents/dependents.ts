import { type EditPath, pathFromText, sourceOf } from '../../decisions/index.js';
import { Dim, namedTerms, type Source } from '../../ground/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** A decision that stands behind numbers: what it is called, what it is worth, and where it was made. */
export interface Behind {
  readonly dim: Dim;
  readonly source: Source & { readonly path: EditPath };
}

/** Every decision some numbers of a cabinet come from, each once, the nearest to them first. */
export function decisionsBehind({ cabinet }: Pick<SolvedCabinet, 'cabinet'>, dims: readonly Dim[]): Behind[] {
  const found = new Map<string, Behind>();
  const seen = new Set<Dim>(dims);
  for (const dim of seen) {
    const { terms } = dim;
    const source = dim.source && sourceOf(cabinet, dim.source);
    if (source?.path !== undefined && !found.has(source.path))
      found.set(source.path, { dim, source: { ...source, path: pathFromText(source.path) } });
    for (const term of terms) seen.add(term);
  }
  return [...found.values()];
}

/** A number that is figured with another. */
export interface User {
  readonly dim: Dim;
  /** The part it is a size of, where it is one. */
  readonly part: string | undefined;
}

/** Numbers that are figured directly with this one, by their names: the tape read the other way. */
export function usersOf(solved: SolvedCabinet, of: Dim): User[] {
  const named = new Map<string, User>();
  const parts = new Map(solved.parts.map(({ key }) => [key, key]));
  for (const dim of numbersOf(solved)) {
    if (dim.label === '' || isSame(dim, of) || !namedTerms(dim).some((term) => isSame(term, of))) continue;
    const part = dim.address === undefined ? undefined : parts.get(dim.address.replace(/\.[^.]*$/, ''));
    const key = `${dim.address ?? ''} ${dim.label} ${dim.value.toFixed(4)}`;
    if (!named.has(key)) named.set(key, { dim, part });
  }
  return [...named.values()];
}

function isSame(a: Dim, b: Dim): boolean {
  if (a === b) return true;
  if (a.address !== undefined && a.address === b.address) return true;
  return a.source?.path !== undefined && a.source.path === b.source?.path && a.label === b.label;
}

const known = new WeakMap<SolvedCabinet, readonly Dim[]>();

/** Every number of a cabinet's result, and all that they come from. */
function numbersOf(solved: SolvedCabinet): readonly Dim[] {
  const before = known.get(solved);
  if (before) return before;
  const dims = new Set<Dim>();
  const seen = new Set<object>();
  const open: unknown[] = [
    solved.parts,
    solved.box,
    solved.face,
    solved.fronts,
    solved.fitted,
    solved.bays,
    solved.interiors,
    solved.resolved.settings,
  ];
  while (open.length > 0) {
    const value = open.pop();
    if (typeof value !== 'object' || value === null || seen.has(value)) continue;
    seen.add(value);
    if (value instanceof Dim) {
      dims.add(value);
      open.push(...value.terms);
    } else if (value instanceof Map) open.push(...value.values());
    else open.push(...Object.values(value));
  }
  const all = [...dims];
  known.set(solved, all);
  return all;
}

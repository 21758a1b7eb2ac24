declare const decided: unique symbol;
declare const within: unique symbol;
/**
 * Where a decision lies in the job document: slashes, and in a list the id of the entry. Made only by `pathTo`, and from
 * there inwards, so that a path that leads nowhere does not compile.
 */
export type EditPath = string & { readonly [decided]: true };

/**
 * Where a decision lies within a cabinet, whichever it is. Results are figured once for cabinets that are decided alike, so
 * this is how they say it; who reads one knows the cabinet, and asks `pathOf`.
 */
export type OwnPath = string & { readonly [within]: true };

/** A path as results have it: in the cabinet they are of, or in the job. */
export type AnyPath = EditPath | OwnPath;

/** A path that came from outside, as text: it is checked when it is carried out. */
export function pathFromText(text: string): EditPath {
  return text as EditPath;
}

/** Stands before what lies within a cabinet; no path of a job begins so. */
const OWN = '~/';

/** The way to something within a cabinet, from its fields inwards. */
export const ownPath = (within: string): OwnPath => `${OWN}${within}` as OwnPath;

/** A path of a result as it is in the job, for the cabinet the result is read as. */
export function pathOf(cabinet: { readonly id: string }, path: AnyPath): EditPath {
  return pathFromText(path.startsWith(OWN) ? `cabinets/${cabinet.id}/${path.slice(OWN.length)}` : path);
}

/** The way on from a place: to a field, or to an entry of a list by its id. */
export const pathIn = <P extends AnyPath>(place: P, key: string): P => `${place}/${key}` as P;

declare const decided: unique symbol;
/**
 * Where a decision lies in the job document: slashes, and in a list the id of the entry. Made only by `pathTo`, and from
 * there inwards, so that a path that leads nowhere does not compile.
 */
export type EditPath = string & { readonly [decided]: true };

/** A path that came from outside, as text: it is checked when it is carried out. */
export function pathFromText(text: string): EditPath {
  return text as EditPath;
}

/** The way on from a place: to a field, or to an entry of a list by its id. */
export const pathIn = (place: EditPath, key: string): EditPath => pathFromText(`${place}/${key}`);

/**
 * Version 11 knows the room behind a front as a division of its own. Adjustable shelves belonged to the front; they
 * belong to the room behind it now. Sizes stay. Names have no control characters any more: a space stands for one.
 */
import { type Data, isData } from '../data.js';

export function toVersion11(before: Data): Data {
  const data = printable(before) as Data;
  if (!Array.isArray(data.cabinets)) return data;
  return {
    ...data,
    cabinets: data.cabinets.map((cabinet) =>
      isData(cabinet) && isData(cabinet.face) ? { ...cabinet, face: withRooms(cabinet.face) } : cabinet,
    ),
  };
}

/** The same with names that print. */
function printable(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(printable);
  if (!isData(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [
      key,
      (key === 'name' || key === 'number') && typeof each === 'string'
        ? each.replaceAll(/\p{Cc}/gu, ' ').trim() || 'unnamed'
        : printable(each),
    ]),
  );
}

/** A face whose openings say of their shelves as before; what does not is left as it is. */
export function withRooms(face: Data): Data {
  if (!Array.isArray(face.parts)) return face;
  return {
    ...face,
    parts: face.parts.map((opening) =>
      isData(opening) && isData(opening.fill) ? { ...opening, fill: inRoom(opening.fill) } : opening,
    ),
  };
}

function inRoom(fill: Data): Data {
  if (Array.isArray(fill.parts)) return withRooms(fill);
  if (!('shelves' in fill) && !('shelvesAt' in fill)) return fill;
  const { shelves, shelvesAt, ...rest } = fill;
  const none = (shelves === 0 || shelves === undefined) && shelvesAt === undefined;
  if (none || 'interior' in fill) return rest;
  return {
    ...rest,
    interior: { kind: 'shelves', shelves: shelves ?? 0, ...(shelvesAt === undefined ? {} : { shelvesAt }) },
  };
}

/**
 * Version 4 gives decided heights of shelves and hinges the id of what they place. A list with gaps for what was not
 * decided becomes a list of what was: `s2` the second shelf from below, `h1` the lowest hinge.
 */
type Data = Record<string, unknown>;

const isData = (value: unknown): value is Data => typeof value === 'object' && value !== null && !Array.isArray(value);

export function toVersion4(data: Data): Data {
  if (!Array.isArray(data.cabinets)) return data;
  return {
    ...data,
    cabinets: data.cabinets.map((cabinet) =>
      isData(cabinet) && isData(cabinet.face) ? { ...cabinet, face: split(cabinet.face) } : cabinet,
    ),
  };
}

function split(face: Data): Data {
  if (!Array.isArray(face.parts)) return face;
  return {
    ...face,
    parts: face.parts.map((opening) =>
      isData(opening) && isData(opening.fill) ? { ...opening, fill: fill(opening.fill) } : opening,
    ),
  };
}

function fill(before: Data): Data {
  if (Array.isArray(before.parts)) return split(before);
  const { shelvesAt, hingesAt, ...rest } = before;
  return { ...rest, ...heights('shelvesAt', shelvesAt, 's'), ...heights('hingesAt', hingesAt, 'h') };
}

/** What is no list of heights is left for the schema to refuse. */
function heights(key: string, value: unknown, prefix: string): Data {
  if (value === undefined) return {};
  if (!Array.isArray(value)) return { [key]: value };
  const decided = value.flatMap((mm, at) => (mm === null ? [] : [{ id: `${prefix}${at + 1}`, mm }]));
  return decided.length > 0 ? { [key]: decided } : {};
}

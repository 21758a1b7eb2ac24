import type { LengthUnit } from '../../ground/index.js';
import { startingGraduation } from '../job/index.js';
import { houseSetFor } from '../settings/index.js';
import { type Data, isData, unitOf } from './data.js';
import { newJob } from './defaults.js';
import type { Form } from './form.js';
import { withRooms } from './migrations/11-interiors.js';
import type { Job } from './schemas.js';

/**
 * A job file as somebody writes it with an editor leaves out what a new job starts with: it is put in, and what the file
 * says stays as it is. A file that Alcove wrote leaves nothing out.
 */
export function withLeftOut(form: Form, data: Data): Data {
  const unit = unitOf(data);
  const start = newJob(form, 'New job', houseSetFor(unit));
  const { version = form.version, name = start.name, note = '', room, standards, display } = data;
  return {
    ...data,
    version,
    name,
    note,
    display: isData(display) ? { ...start.display, ...display } : (display ?? start.display),
    room: isData(room) ? { ...start.room, ...room } : (room ?? start.room),
    standards: isData(standards) ? { ...start.standards, ...standards } : (standards ?? start.standards),
    house: data.house ?? start.house,
    materials: data.materials ?? start.materials,
    hardware: data.hardware ?? start.hardware,
    ...withStock(data, start),
    cabinets: Array.isArray(data.cabinets)
      ? data.cabinets.map((cabinet) => wholeCabinet(cabinet, unit))
      : (data.cabinets ?? []),
  };
}

/** The shop's way of cutting, figure by figure, and its stock, list by list. */
function withStock({ workshop, stock, materials }: Data, start: Job): Data {
  const groups = isData(workshop) ? workshop : {};
  const own = start.workshop as unknown as Data;
  return {
    workshop:
      workshop === undefined || isData(workshop)
        ? Object.fromEntries(
            [...new Set([...Object.keys(own), ...Object.keys(groups)])].map((group) => [
              group,
              isData(groups[group]) && isData(own[group])
                ? { ...own[group], ...groups[group] }
                : (groups[group] ?? own[group]),
            ]),
          )
        : workshop,
    // Boards are those of the materials a new job has: what has others says what it buys.
    stock: {
      sheets: [],
      boards: materials === undefined ? start.stock.boards : [],
      bands: [],
      ...(isData(stock) ? stock : {}),
    },
  };
}

function wholeCabinet(cabinet: unknown, unit: LengthUnit): unknown {
  if (!isData(cabinet)) return cabinet;
  const { leftNeighbour = null, settings = {}, face, parts } = cabinet;
  const whole = wholeSplit(face, unit);
  return {
    ...cabinet,
    leftNeighbour,
    settings,
    face: isData(whole) ? withRooms(whole) : whole,
    // What is decided of a part is known by the part, until it is edited.
    ...(Array.isArray(parts)
      ? { parts: parts.map((part: unknown, at) => (isData(part) ? { id: `p${at + 1}`, ...part } : part)) }
      : {}),
  };
}

/** A split needs its graduation only where something is graduated. */
function wholeSplit(split: unknown, unit: LengthUnit): unknown {
  if (!isData(split) || !Array.isArray(split.parts)) return split;
  const { graduation = startingGraduation('arithmetic', unit) } = split;
  const parts = split.parts.map((part: unknown) =>
    isData(part) && isData(part.fill) ? { ...part, fill: wholeFill(part.fill, unit) } : part,
  );
  return { ...split, graduation, parts };
}

function wholeFill(fill: Data, unit: LengthUnit): unknown {
  if ('parts' in fill) return wholeSplit(fill, unit);
  return isData(fill.interior) && 'parts' in fill.interior
    ? { ...fill, interior: wholeSplit(fill.interior, unit) }
    : fill;
}

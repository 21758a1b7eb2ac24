import { libraries, startingHardware } from '../fitted/index.js';
import { houseSetFor, startingGraduation, subjectOf } from '../job/index.js';
import { type LengthUnit, parseLength } from '../units/index.js';
import { type Data, isData } from './data.js';
import { newJob } from './defaults.js';
import { JOB_VERSION, type Job } from './document.js';
import { withRooms } from './migrations/11-interiors.js';
import { type SettingPath, settingLeaf } from './settings.js';

function unitOf({ display }: Data): LengthUnit {
  return isData(display) && display.unit === 'in' ? 'in' : 'mm';
}

/**
 * A job file as somebody writes it with an editor leaves out what a new job starts with: it is put in, and what the file
 * says stays as it is. A file that Alcove wrote leaves nothing out.
 */
export function withLeftOut(data: Data): Data {
  const unit = unitOf(data);
  const start = newJob('New job', houseSetFor(unit));
  const { version = JOB_VERSION, name = start.name, note = '', room, standards, display } = data;
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
    hardware: data.hardware ?? startingHardware(),
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

/** Fields outside the settings that hold a length; what stands in a list of readings is one as well. */
const LENGTHS = new Set(
  'width height depth left right up behind length mm pin raised dividerOff finished step ceiling doorway nominal readings thickness rough x y trim kerf spacing'.split(
    ' ',
  ),
);

/** True for a place of the document where a number is a length. */
export function isLength(path: readonly (string | number)[]): boolean {
  const subject = subjectOf(path.join('/'));
  if (subject.kind === 'setting') return settingLeaf(subject.setting as SettingPath)?.measure === 'mm';
  if (path.includes('oversize')) return true;
  const last = path.filter((key): key is string => typeof key === 'string').at(-1);
  return last !== undefined && LENGTHS.has(last);
}

export type LengthRead = { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly message: string };

/**
 * The length that is written as a text at a place of a document ("23 3/4 in"; without a unit, in that of the job);
 * undefined where no length belongs or no text stands.
 */
export function lengthAt(data: unknown, path: readonly (string | number)[]): LengthRead | undefined {
  const text = valueIn(data, path);
  if (typeof text !== 'string' || !isLength(path)) return undefined;
  const read = parseLength(text, { unit: isData(data) ? unitOf(data) : 'mm' });
  return read.ok ? { ok: true, mm: read.mm } : { ok: false, message: `"${text}" is not a length. ${read.message}` };
}

/** What stands at a place of a document. */
export function valueIn(data: unknown, path: readonly (string | number)[]): unknown {
  return path.reduce<unknown>(
    (node, key) => (typeof node === 'object' && node !== null ? (node as Data)[key] : undefined),
    data,
  );
}

/** Puts a number at a place of a document that has something there; in place. */
export function putNumber(data: unknown, path: readonly (string | number)[], value: number): void {
  const last = path.at(-1);
  if (last !== undefined) (valueIn(data, path.slice(0, -1)) as Data)[last] = value;
}

/** What one entry of a list is called; a profile as its kind says. */
const ONE: Readonly<Record<string, string>> = {
  cabinets: 'cabinet',
  parts: 'opening',
  zones: 'keep-out box',
  standing: 'standing cabinet',
  materials: 'material',
  readings: 'reading',
  shelvesAt: 'shelf',
  hingesAt: 'hinge',
  ...Object.fromEntries(libraries.map(({ id, one }) => [id, one])),
};

/**
 * A place of a document in words: "cabinet 3, opening o2, fill/shelves". A cabinet goes by its number, anything else in a
 * list by its id, or by its place where it has none.
 */
export function placeInWords(data: unknown, path: readonly (string | number)[]): string {
  const words: string[] = [];
  let fields: string[] = [];
  path.forEach((key, at) => {
    const list = path[at - 1];
    const within = valueIn(data, path.slice(0, at));
    if (!Array.isArray(within) || typeof list !== 'string') {
      fields.push(String(key));
      return;
    }
    fields.pop();
    if (fields.length > 0) words.push(fields.join('/'));
    fields = [];
    const entry = within[Number(key)];
    const name = isData(entry) ? (entry.number ?? entry.id) : undefined;
    const decided = list === 'parts' && at === 3 && path[0] === 'cabinets';
    words.push(
      `${decided ? 'decided part' : (ONE[list] ?? `${list} entry`)} ${typeof name === 'string' ? name : Number(key) + 1}`,
    );
  });
  if (fields.length > 0) words.push(fields.join('/'));
  return words.join(', ');
}

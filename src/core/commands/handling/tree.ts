import { openingKey, openingNames } from '../../build/index.js';
import { isSplit, type Split } from '../../decisions/index.js';
import { capital, formatLengthWithUnit, type LengthStyle } from '../../ground/index.js';
import { type Runner, runnersOf } from '../../kinds/index.js';
import type { Part } from '../../part/index.js';
import { cutKey, machiningTable } from '../../present/index.js';
import { form, type SolvedCabinet } from '../../solve/index.js';
import { faceOf } from './place.js';

/** A thing of a drawing with what it consists of: the drawing as it is read out. */
export interface TreeEntry {
  /** What is selected by it; undefined for what only gathers others. */
  readonly key: string | undefined;
  readonly name: string;
  /** Its sizes as a shop says them. */
  readonly said: string;
  readonly within: readonly TreeEntry[];
}

/** A runner with its screws. */
function tellRunner({ key, hand, held, drawer: { runner } }: Runner, size: (mm: number) => string): TreeEntry {
  const screws = held ? `, screws ${held.holes.map(({ value: mm }) => size(mm)).join(', ')} from the front edge` : '';
  return { key, name: `Runner, ${hand}`, said: `${runner ? size(runner.length.value) : ''} long${screws}`, within: [] };
}

/** A cabinet as a tree: its openings, each with its fronts, box and shelves, then the case; parts with their cuts and holes. */
export function treeOf(solved: SolvedCabinet, style: LengthStyle): TreeEntry {
  const { cabinet, box, fronts, fitted, parts } = solved;
  const names = openingNames(cabinet.face, form.fills);
  const size = (mm: number) => formatLengthWithUnit(mm, style);
  const told = new Set<string>();
  const tell = (part: Part): TreeEntry => {
    told.add(part.key);
    return {
      key: part.key,
      name: part.name,
      said: `${size(part.length.value)} by ${size(part.width.value)}, ${size(part.thickness.value)} thick`,
      within: machiningTable(part).map((row, at) => ({
        key: cutKey(part.key, at),
        name: row.positions.length > 1 ? `${row.positions.length} ${row.what.toLowerCase()}` : row.what,
        said: `${size(row.size.value)}, ${row.reason}`,
        within: [],
      })),
    };
  };
  const partsOf = (keys: readonly string[]) => parts.filter(({ key }) => keys.includes(key)).map(tell);
  const inside = ({ parts: members }: Split): TreeEntry[] =>
    members.map(({ id, fill }) => {
      const face = faceOf(solved, id);
      const front = fronts.filter(({ openingId }) => openingId === id);
      const drawers = fitted.runners.filter(({ opening }) => opening === id);
      return {
        key: openingKey(id),
        name: capital(names.get(id) ?? 'opening'),
        said: face ? `${size(face.h.size.value)} wide, ${size(face.v.size.value)} high` : '',
        within: isSplit(fill)
          ? inside(fill)
          : [
              ...partsOf(front.flatMap((each) => each.parts.map(({ key }) => key))),
              ...partsOf(drawers.flatMap((drawer) => drawer.parts)),
              ...drawers.flatMap(runnersOf).map((runner) => tellRunner(runner, size)),
              ...partsOf(parts.filter(({ opening }) => opening === id).map(({ key }) => key)),
            ],
      };
    });
  const openings = inside(cabinet.face);
  const rest = parts.filter(({ key }) => !told.has(key)).map(tell);
  // Of drawers that are in a room behind a front, not behind one of their own.
  const inner = fitted.runners.filter(({ opening }) => !names.has(opening)).flatMap(runnersOf);
  return {
    key: undefined,
    name: `${cabinet.number} ${cabinet.name}`,
    said: `${size(box.overallWidth.value)} wide, ${size(box.height.value + box.underHeight.value)} high, ${size(box.overallDepth.value)} deep`,
    within: [
      ...openings,
      {
        key: undefined,
        name: 'Case',
        said: `${rest.length} parts`,
        within: [...rest, ...inner.map((runner) => tellRunner(runner, size))],
      },
    ],
  };
}

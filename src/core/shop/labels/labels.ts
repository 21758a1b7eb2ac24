import { type Job, pieceName } from '../../decisions/index.js';
import { EDGES, type Edge, edgeName, faceName, type Part } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** A label for one piece. */
export interface Label {
  /** Cabinet and part, for good: `c1 side/left`. */
  readonly id: string;
  readonly mark: string;
  readonly name: string;
  readonly cabinet: string;
  readonly material: string;
  /** Finished sizes, length along the grain (mm). */
  readonly length: number;
  readonly width: number;
  readonly thickness: number;
  /** Edges that are banded. */
  readonly banded: readonly Edge[];
  /** The edge the arrow points at, and what it says: the front edge, or the top of what has none. */
  readonly arrow: { readonly edge: Edge; readonly says: string } | undefined;
  /** Which face shows: the one the label goes on the back of. */
  readonly show: string;
  /** What the code on it says: its mark. */
  readonly code: string;
  /** Where it lies: material and number of the sheet, in the layout that was accepted. */
  readonly sheet: string | undefined;
}

/** A label for every piece that is made in the shop, sheet by sheet where a layout was accepted, else cabinet by cabinet. */
export function labelsOf(job: Job, cabinets: readonly SolvedCabinet[]): Label[] {
  const places = new Map<string, { sheet: string; order: number }>();
  let order = 0;
  for (const layout of job.layouts ?? []) {
    const name = job.materials.find(({ id }) => id === layout.id)?.name ?? layout.id;
    layout.sheets.forEach((sheet, at) => {
      for (const { cabinet, part } of sheet.placements)
        places.set(pieceName(cabinet, part), { sheet: `${name}, sheet ${at + 1}`, order: order++ });
    });
  }
  const labels = cabinets.flatMap(({ cabinet, rows, parts }) => {
    const byKey = new Map(parts.map((part) => [part.key, part]));
    return rows.flatMap(({ mark, part, keys }) =>
      part.bought
        ? []
        : keys.map(
            (key): Label =>
              labelOf(
                pieceName(cabinet.id, key),
                mark,
                `${cabinet.number} ${cabinet.name}`,
                byKey.get(key) ?? part,
                places,
              ),
          ),
    );
  });
  const rank = ({ id }: Label) => places.get(id)?.order ?? Number.POSITIVE_INFINITY;
  return labels
    .map((label, at) => ({ label, at }))
    .sort((a, b) => (rank(a.label) === rank(b.label) ? a.at - b.at : rank(a.label) - rank(b.label)))
    .map(({ label }) => label);
}

function labelOf(
  id: string,
  mark: string,
  cabinet: string,
  part: Part,
  places: ReadonlyMap<string, { readonly sheet: string }>,
): Label {
  const named = (name: string) => EDGES.find((edge) => edgeName(part.placement, edge) === name);
  const front = named('front');
  const top = named('top');
  return {
    id,
    mark,
    name: part.name,
    cabinet,
    material: part.material.name,
    length: part.length.value,
    width: part.width.value,
    thickness: part.thickness.value,
    banded: part.bands.map(({ edge }) => edge),
    arrow: front ? { edge: front, says: 'front' } : top ? { edge: top, says: 'top' } : undefined,
    show: faceName(part, 1),
    code: mark,
    sheet: places.get(id)?.sheet,
  };
}

/** A sheet of labels as it is sold, by its measures (mm). */
export interface LabelSheet {
  readonly name: string;
  readonly page: readonly [width: number, height: number];
  readonly across: number;
  readonly down: number;
  readonly label: readonly [width: number, height: number];
  /** From the page's left and upper edge to the first label. */
  readonly first: readonly [left: number, top: number];
  /** From the corner of one label to that of the next. */
  readonly step: readonly [across: number, down: number];
}

const A4 = [210, 297] as const;
const LETTER = [215.9, 279.4] as const;

/** Sizes of label sheets that are sold everywhere. */
export const labelSheets: Readonly<Record<string, LabelSheet>> = {
  'a4-24': {
    name: 'A4, 24 of 70 × 37 mm',
    page: A4,
    across: 3,
    down: 8,
    label: [70, 37],
    first: [0, 0.5],
    step: [70, 37],
  },
  'a4-14': {
    name: 'A4, 14 of 99.1 × 38.1 mm',
    page: A4,
    across: 2,
    down: 7,
    label: [99.1, 38.1],
    first: [4.7, 15.1],
    step: [101.6, 38.1],
  },
  'a4-8': {
    name: 'A4, 8 of 99.1 × 67.7 mm',
    page: A4,
    across: 2,
    down: 4,
    label: [99.1, 67.7],
    first: [4.7, 13.1],
    step: [101.6, 67.7],
  },
  'letter-30': {
    name: 'Letter, 30 of 2 5/8 × 1 in',
    page: LETTER,
    across: 3,
    down: 10,
    label: [66.68, 25.4],
    first: [4.76, 12.7],
    step: [69.85, 25.4],
  },
  'letter-10': {
    name: 'Letter, 10 of 4 × 2 in',
    page: LETTER,
    across: 2,
    down: 5,
    label: [101.6, 50.8],
    first: [3.97, 12.7],
    step: [106.36, 50.8],
  },
};

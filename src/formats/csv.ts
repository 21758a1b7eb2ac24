import { stringify } from 'csv-stringify/sync';
import { formatLength, type LengthStyle } from '../core/ground/index.js';
import { bandedEdges, grainWords, machiningSummary, noteWords } from '../core/present/index.js';
import { shoppingList } from '../core/shop/index.js';
import { cutListOf, type SolvedJob } from '../core/solve/index.js';

export const CUT_LIST_COLUMNS = [
  'mark',
  'name',
  'quantity',
  'material',
  'thickness',
  'cut length',
  'cut width',
  'finished length',
  'finished width',
  'banded edges',
  'grain',
  'machining',
  'note',
] as const;

/** The cut list as CSV: one row per mark, grouped by material, lengths in the given style. */
export function cutListCsv(solved: SolvedJob, style: LengthStyle): string {
  const show = (mm: number) => formatLength(mm, style);
  const cell = (mm: number) => noDate(show(mm));
  const rows = cutListOf(solved).flatMap((group) =>
    group.rows.map(({ mark, part, quantity }) =>
      [
        mark,
        part.name,
        quantity,
        part.material.name,
        cell(part.thickness.value),
        cell(part.cutLength.value),
        cell(part.cutWidth.value),
        cell(part.length.value),
        cell(part.width.value),
        bandedEdges(part),
        grainWords(part),
        machiningSummary(part, show),
        noteWords(part, show),
      ].map(inert),
    ),
  );
  return forSpreadsheets([
    CUT_LIST_COLUMNS.map((column) => `${column}${LENGTHS.has(column) ? ` (${style.unit})` : ''}`),
    ...rows,
  ]);
}

export const SHOPPING_COLUMNS = ['group', 'what', 'quantity', 'unit', 'packs', 'note', 'cabinets'] as const;

/** What to buy as CSV: one row a thing, by group, with the cabinets it is for. */
export function shoppingListCsv({ cabinets, standing }: SolvedJob, style: LengthStyle): string {
  const rows = shoppingList([...cabinets, ...standing], style).map(
    ({ group, name, quantity, unit, packs, note, cabinets: numbers }) =>
      [group, name, quantity, unit, packs ? `${packs.count} of ${packs.of}` : '', note, numbers.join(' ')].map(inert),
  );
  return forSpreadsheets([[...SHOPPING_COLUMNS], ...rows]);
}

const LENGTHS: ReadonlySet<string> = new Set([
  'thickness',
  'cut length',
  'cut width',
  'finished length',
  'finished width',
]);

/** A bare 3/4 is the third of April to a spreadsheet; 0 3/4 is three quarters. */
function noDate(length: string): string {
  return /^-?\d+\/\d+$/.test(length) ? `0 ${length}` : length;
}

/** Spreadsheets take a text with other letters for what it is only after a byte-order mark. */
function forSpreadsheets(rows: readonly (readonly (string | number)[])[]): string {
  const text = stringify(rows.map((row) => [...row]));
  return /[^\t\n\r -~]/.test(text) ? `\uFEFF${text}` : text;
}

/** What a formula begins with in a spreadsheet; some take the full-width letters of other keyboards for the same. */
const FORMULA = /^[=+\-@\t\r\uFF1D\uFF0B\uFF0D\uFF20]/;

/** A text that a spreadsheet would take for a formula is led by an apostrophe. */
function inert(value: string | number): string | number {
  return typeof value === 'string' && FORMULA.test(value) ? `'${value}` : value;
}

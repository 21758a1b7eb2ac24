import {
  type Act,
  type Edit,
  type IdMaker,
  type Job,
  keptFrom,
  type LayoutSheet,
  newId,
  pathTo,
  type SheetLayout,
  type StockSheets,
} from '../../decisions/index.js';
import { freeOf } from './offcut.js';
import { isKept, sequenceOf } from './sequence.js';
import type { Area } from './supply.js';

const layoutOf = (job: Job, material: string) => job.layouts?.find(({ id }) => id === material);
const materialName = (job: Job, id: string) => job.materials.find((material) => material.id === id)?.name ?? id;

/** Keeps a layout as the one that is cut by. Ticks of set-ups begin anew. */
export function acceptLayout(job: Job, layout: SheetLayout): Act {
  return {
    label: `Layout of ${materialName(job, layout.id)} accepted`,
    edits: [{ path: pathTo.layout(layout.id), value: layout }],
  };
}

/** Lets an accepted layout go; sheets that are cut stay in it. */
export function letLayoutGo(job: Job, material: string): Act {
  const layout = layoutOf(job, material);
  const cut = layout?.sheets.filter((sheet) => sheet.cut) ?? [];
  return {
    label: `Layout of ${materialName(job, material)} let go`,
    edits: [
      {
        path: pathTo.layout(material),
        value: layout && cut.length > 0 ? { ...layout, sheets: cut, ticks: [] } : undefined,
      },
    ],
  };
}

/** The offcuts a sheet leaves that are worth keeping: by the shop's own measure, unless another is given. */
export function offcutsOf(
  job: Job,
  layout: SheetLayout,
  sheet: LayoutSheet,
  keep = keptFrom(job.workshop),
): readonly Area[] {
  const sequence = sequenceOf(sheet, layout, keep);
  if (sequence) return sequence.offcuts;
  const free = freeOf(sheet.placements, { sheet, kerf: Math.max(layout.kerf, layout.spacing) });
  return free && isKept(free, keep) ? [free] : [];
}

/** Where a piece goes on what is left of a sheet, however small that is; undefined where nothing takes it. */
export function roomFor(job: Job, layout: SheetLayout, sheet: LayoutSheet, piece: Pick<Area, 'length' | 'width'>) {
  return offcutsOf(job, layout, sheet, { length: 0, width: 0 }).find(
    (room) => room.length >= piece.length - NEAR && room.width >= piece.width - NEAR,
  );
}

/** Sizes agree to this (mm). */
const NEAR = 0.001;

/** Marks for offcuts of a material, one after another, none that is in stock already: `birch18 R4`. */
function freshMarks({ stock }: Job, material: string): () => string {
  const taken = new Set(stock.sheets.map(({ mark }) => mark));
  let number = 0;
  return () => {
    do number += 1;
    while (taken.has(`${material} R${number}`));
    return `${material} R${number}`;
  };
}

/** The next free mark for an offcut of a material. */
export function freshMark(job: Job, material: string): string {
  return freshMarks(job, material)();
}

/** The marks the offcuts of each sheet get, sheet after sheet. */
export function offcutMarks(job: Job, layout: SheetLayout): ReadonlyMap<string, readonly string[]> {
  const next = freshMarks(job, layout.id);
  return new Map(
    layout.sheets
      .filter(({ cut }) => !cut)
      .map((sheet) => [sheet.id, offcutsOf(job, layout, sheet).map(next)] as const),
  );
}

/**
 * Marks a sheet cut: it changes no more, leaves the stock it was taken from, and its offcuts come into stock, each with a
 * mark.
 */
export function markCut(job: Job, material: string, sheetId: string, ids: IdMaker = newId): Act {
  const layout = layoutOf(job, material);
  const at = layout?.sheets.findIndex(({ id }) => id === sheetId) ?? -1;
  const sheet = layout?.sheets[at];
  if (!layout || !sheet || sheet.cut) return { label: 'Sheet cut', edits: [] };
  const edits: Edit[] = [{ path: pathTo.layoutSheetField(material, sheetId, 'cut'), value: true }];
  const row = job.stock.sheets.find(({ id }) => id === sheet.from);
  if (row && row.count !== null)
    edits.push(
      row.offcut && row.count <= 1
        ? { path: pathTo.entry(pathTo.stock('sheets'), row.id), value: undefined }
        : { path: pathTo.stockField('sheets', row.id, 'count'), value: Math.max(0, row.count - 1) },
    );
  const marks = offcutMarks(job, layout).get(sheetId) ?? [];
  offcutsOf(job, layout, sheet).forEach(({ length, width }, index) => {
    const mark = marks[index] ?? '';
    const entry: StockSheets = { id: ids('r'), material, length, width, count: 1, price: 0, offcut: true, mark };
    edits.push({ path: pathTo.stock('sheets'), insert: entry });
  });
  return { label: `Sheet ${at + 1} of ${materialName(job, material)} cut`, edits };
}

/**
 * Ticks a set-up off, or unticks it, in every accepted layout whose pieces are at it. Solid wood has no sheets to lay out:
 * its ticks are kept in a layout without any. Nothing comes of it where a layout has to be accepted first.
 */
export function tickSetUp(
  job: Job,
  setUp: { readonly id: string; readonly what: string; readonly materials: readonly string[] },
  done: boolean,
): Act {
  return {
    label: done ? `${setUp.what} done` : `${setUp.what} not done`,
    edits: setUp.materials.flatMap((material): Edit[] => {
      const layout = layoutOf(job, material);
      if (!layout) return done && isSolid(job, material) ? [boardsTicked(job, material, setUp.id)] : [];
      const ticked = layout.ticks.some((tick) => tick.id === setUp.id);
      if (ticked === done) return [];
      return done
        ? [{ path: pathTo.layoutTicks(material), insert: { id: setUp.id } }]
        : [{ path: pathTo.entry(pathTo.layoutTicks(material), setUp.id), value: undefined }];
    }),
  };
}

const isSolid = (job: Job, id: string) => job.materials.some((each) => each.id === id && each.form === 'solid');

/** The first tick of what is cut from boards. */
function boardsTicked(job: Job, material: string, setUp: string): Edit {
  const { kerf } = job.workshop.cutting;
  const value: SheetLayout = {
    id: material,
    method: 'strips',
    stages: null,
    kerf,
    spacing: 0,
    oversize: 0,
    bound: 0,
    sheets: [],
    ticks: [{ id: setUp }],
  };
  return { path: pathTo.layout(material), value };
}

/** True where a set-up is ticked in every layout it belongs to that is accepted, and there is one. */
export function isTicked(job: Job, setUp: { readonly id: string; readonly materials: readonly string[] }): boolean {
  const layouts = (job.layouts ?? []).filter(({ id }) => setUp.materials.includes(id));
  return layouts.length > 0 && layouts.every(({ ticks }) => ticks.some(({ id }) => id === setUp.id));
}

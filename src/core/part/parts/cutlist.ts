import { type Material, thicknessOf } from '../../decisions/index.js';
import type { PartRow } from './marks.js';
import { lengthAlong } from './part.js';

export interface CutListRow extends PartRow {
  readonly cabinetId: string;
}

/** All parts of one material, equal widths together. */
export interface CutListGroup {
  readonly material: Material;
  /** mm, measured where it has been. */
  readonly thickness: number;
  readonly rows: readonly CutListRow[];
  readonly totals: {
    /** Square metres of cut parts. */
    readonly area: number;
    /** Metres of edge to band. */
    readonly band: number;
    /** Kilograms. */
    readonly weight: number;
  };
}

/** Groups part rows by material; inside a group wide parts come first and equal widths stand together. */
export function cutList(rows: readonly CutListRow[]): CutListGroup[] {
  const groups = new Map<string, CutListRow[]>();
  for (const row of rows) {
    const list = groups.get(row.part.material.id);
    if (list) list.push(row);
    else groups.set(row.part.material.id, [row]);
  }
  return [...groups.values()]
    .map((list): CutListGroup => {
      const material = (list[0] as CutListRow).part.material;
      const sorted = [...list].sort(
        (a, b) =>
          b.part.cutWidth.value - a.part.cutWidth.value ||
          b.part.cutLength.value - a.part.cutLength.value ||
          compareMarks(a.mark, b.mark),
      );
      return { material, thickness: thicknessOf(material).value, rows: sorted, totals: totalsOf(sorted) };
    })
    .sort((a, b) => b.thickness - a.thickness || (a.material.id < b.material.id ? -1 : 1));
}

const { compare: compareMarks } = new Intl.Collator('en', { numeric: true });

function totalsOf(rows: readonly CutListRow[]): CutListGroup['totals'] {
  let area = 0;
  let band = 0;
  let weight = 0;
  for (const { part, quantity } of rows) {
    area += (quantity * part.cutLength.value * part.cutWidth.value) / 1e6;
    weight += (quantity * part.length.value * part.width.value * part.thickness.value * part.material.density) / 1e9;
    for (const { edge } of part.bands) band += (quantity * lengthAlong(part, edge).value) / 1000;
  }
  return { area, band, weight };
}

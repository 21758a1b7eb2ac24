import type { Material } from '../job/index.js';
import { type CutListRow, cutList } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';
import type { Method, PackPart, PackProblem } from './problem.js';

/** How a shop cuts its sheets, until its own figures are decided (mm). */
export interface Cutting {
  readonly kerf: number;
  readonly trim: number;
  readonly stages?: number | undefined;
  readonly spacing?: number | undefined;
}

/** A table saw's blade, and what is taken off the edges of a sheet as it comes; between routed pieces cutter and margin. */
export const USUAL_CUTTING: Readonly<Record<Method, Cutting>> = {
  strips: { kerf: 3.2, trim: 10 },
  guillotine: { kerf: 3.2, trim: 10 },
  nested: { kerf: 8, trim: 10, spacing: 10 },
};

/** What has to be cut out of one material. */
export interface MaterialProblem {
  readonly material: Material;
  readonly problem: PackProblem;
}

/** The parts of cabinets that are cut from sheets here, material by material, as problems; ids are the marks of parts. */
export function problemsOf(
  cabinets: readonly SolvedCabinet[],
  method: Method,
  cutting: Cutting = USUAL_CUTTING[method],
): MaterialProblem[] {
  const rows = cabinets.flatMap(({ cabinet, rows: own }) =>
    own.map((row): CutListRow => ({ ...row, cabinetId: cabinet.id })),
  );
  const { kerf, trim, stages, spacing } = cutting;
  return cutList(rows)
    .filter(({ material }) => material.form === 'sheet')
    .flatMap(({ material, rows: list }): MaterialProblem[] => {
      const parts = list.filter(({ part }) => !part.bought).map(packPart);
      return parts.length === 0
        ? []
        : [
            {
              material,
              problem: {
                sheet: { length: material.sheet.length, width: material.sheet.width, trim },
                kerf,
                method,
                ...(stages === undefined ? {} : { stages }),
                ...(spacing === undefined ? {} : { spacing }),
                parts,
              },
            },
          ];
    });
}

/** A part by its cut sizes, its grain along the sheet where it has any to keep. */
function packPart({ mark, part, quantity }: CutListRow): PackPart {
  const { cutLength, cutWidth, material, grainRuns } = part;
  const [length, width] = grainRuns === 'width' ? [cutWidth.mm, cutLength.mm] : [cutLength.mm, cutWidth.mm];
  return { id: mark, length, width, quantity, turn: material.grain === 'none' || grainRuns === 'either' };
}

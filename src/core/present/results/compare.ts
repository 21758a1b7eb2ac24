import { type Cabinet, type JobHead, SCHOOL_IDS, type SchoolId, schools } from '../../decisions/index.js';
import { check, solveCabinet } from '../../solve/index.js';

/** What a school makes of the same overall size: the numbers a maker chooses by. */
export interface SchoolComparison {
  readonly school: SchoolId;
  readonly label: string;
  readonly trade: string;
  /** mm between the sides, and between stiles where there is a frame. */
  readonly insideWidth: number;
  readonly openingWidth: number;
  readonly pieces: number;
  /** Square metres of sheet and solid stock, cut sizes. */
  readonly area: number;
  /** mm of case or frame seen beside a front at the left. */
  readonly visibleReveal: number;
  readonly stops: number;
}

/** Solves one cabinet in every school, everything else as decided. */
export function compareSchools(head: JobHead, cabinet: Cabinet): SchoolComparison[] {
  return SCHOOL_IDS.map((school) => {
    const solved = solveCabinet(head, { ...cabinet, settings: { ...cabinet.settings, school } });
    const { box, face, parts, fronts } = solved;
    const leftmost = Math.min(...fronts.map((front) => front.h.low.value));
    const area = parts.reduce((sum, part) => sum + (part.cutLength.value * part.cutWidth.value) / 1e6, 0);
    return {
      school,
      label: schools[school].label,
      trade: schools[school].trade,
      insideWidth: box.insideWidth.value,
      openingWidth: face.ok ? face.root.clear.h.size.value : box.insideWidth.value,
      pieces: parts.length,
      area,
      visibleReveal: fronts.length > 0 ? leftmost + box.beyondLeft.value : 0,
      stops: check(solved).filter((finding) => finding.severity === 'stop').length,
    };
  });
}

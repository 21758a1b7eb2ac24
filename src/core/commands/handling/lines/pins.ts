import { LEAST_BETWEEN_LINES, pinLines } from '../../../build/index.js';
import { pathOf, settingPath } from '../../../decisions/index.js';
import { edgeOf, type Part } from '../../../part/index.js';
import { pinColumns } from '../../../present/index.js';
import { type SolvedCabinet, settingLeaf } from '../../../solve/index.js';
import { type Line, lineOf } from './line.js';

/** A column can be taken hold of so far beyond its outermost holes (mm). */
const BEYOND = 8;
/** Columns nearer than this to where a line of holes should stand are that line (mm). */
const SAME = 0.01;

/** The columns of pin holes in the upright behind the section: their distances from the front and from the back. */
export function pinColumnLines(solved: SolvedCabinet): Line[] {
  const { grid, box, resolved } = solved;
  if (!grid) return [];
  const { pins } = resolved.settings;
  return pinColumns(solved).flatMap(({ bay, upright, holes, shows }): Line[] => {
    const lines = pinLines(box, resolved, grid, bay.stopsAt);
    const at = holes[0]?.h ?? 0;
    const heights = holes.map(({ v }) => v);
    const drawn = { from: Math.min(...heights) - BEYOND, to: Math.max(...heights) + BEYOND, shows };
    if (Math.abs(at - lines.front.value) < SAME) {
      const room = (lines.rear ?? box.clearDepth).value - at - LEAST_BETWEEN_LINES;
      const size = decided(solved, 'pins/front', pins.front.value, room);
      const reasons = platesOn(upright).map((mm) => ({
        mm: mm - Math.max(0, box.mountingPlane.value),
        why: 'in line with the hinge plates',
      }));
      return [
        lineOf({ label: 'Front line of pin holes', ...size, reasons }, 'h', at, {
          id: `pins-front-${bay.room.id}`,
          ...drawn,
        }),
      ];
    }
    // In whole steps behind the front line the rear one follows that.
    if (!lines.rear || Math.abs(at - lines.rear.value) > SAME || pins.rear.value !== 'groove') return [];
    const room = at - lines.front.value - LEAST_BETWEEN_LINES;
    const size = decided(solved, 'pins/rearSet', pins.rearSet.value, room);
    const reasons = [{ mm: pins.front.value, why: 'as far from the back as the front line from the front' }];
    return [
      lineOf(
        { label: 'Rear line of pin holes before the back', ...size, reasons },
        'h',
        at,
        { id: `pins-rear-${bay.room.id}`, ...drawn },
        -1,
      ),
    ];
  });
}

/** A distance as its setting is limited, and no more of it than there is room for. */
function decided(solved: SolvedCabinet, setting: 'pins/front' | 'pins/rearSet', mm: number, room: number) {
  const { min = mm, max = mm } = settingLeaf(setting).limits ?? {};
  return {
    mm,
    path: pathOf(solved.cabinet, settingPath(solved, setting)),
    least: min,
    most: Math.max(mm, Math.min(max, mm + room)),
  };
}

/** How far behind the front edge of the case the plates on an upright are bored (mm), each once. */
function platesOn(upright: Part): number[] {
  const offsets = upright.machining.flatMap((operation) =>
    operation.kind === 'holes' && operation.by.kind === 'hinges'
      ? [edgeOf(upright, operation.from).value + operation.offset.value]
      : [],
  );
  return [...new Set(offsets)];
}

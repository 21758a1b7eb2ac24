import { cutKey, sectionPlane } from '../../drawing/index.js';
import { pathTo } from '../../job/index.js';
import { edgeOf } from '../../parts/index.js';
import { pinLines } from '../../shelves/index.js';
import type { SolvedCabinet } from '../../solve.js';
import { type Line, lineOf } from './line.js';

/** The front line stays so far before the rear one (mm). */
const APART = 48;
/** As the settings of the lines are limited (mm). */
const LEAST = { front: 10, rear: 5 } as const;
const MOST = 300;
/** Half of what a column is drawn higher than its holes (mm). */
const BEYOND = 8;

/** The columns of pin holes in the upright behind the section: their distances from the front and from the back. */
export function pinColumnLines(solved: SolvedCabinet): Line[] {
  const { bays, grid, box, resolved, cabinet, parts } = solved;
  if (!grid) return [];
  const x = sectionPlane(solved);
  const { pins } = resolved.settings;
  return bays.flatMap(({ room, right, stopsAt }): Line[] => {
    const { low, high } = room.inside.h;
    const upright = parts.find(({ key }) => key === right?.key);
    if (!upright || low.mm > x || high.mm < x) return [];
    const lines = pinLines(box, resolved, grid, stopsAt);
    const column = (y: number) => {
      const at = upright.machining.findIndex(
        (operation) =>
          operation.kind === 'holes' &&
          operation.by.kind === 'pins' &&
          operation.by.opening === room.id &&
          Math.abs(edgeOf(upright, operation.from).mm + operation.offset.mm - y) < 0.01,
      );
      const operation = upright.machining[at];
      if (operation?.kind !== 'holes') return undefined;
      const heights = operation.positions.map(({ mm }) => edgeOf(upright, 'u0').mm + mm);
      return {
        from: Math.min(...heights) - BEYOND,
        to: Math.max(...heights) + BEYOND,
        shows: cutKey(upright.key, at),
      };
    };
    const front = column(lines.front.mm);
    const rear = lines.rear && column(lines.rear.mm);
    const until = (lines.rear ?? box.clearDepth).mm - APART;
    const plates = platesOn(solved, upright.key).map((mm) => ({
      mm: mm - Math.max(0, box.mountingPlane.mm),
      why: 'in line with the hinge plates',
    }));
    const found: Line[] = [];
    if (front)
      found.push(
        lineOf(
          {
            label: 'Front line of pin holes',
            mm: pins.front.mm,
            path: pathTo.setting(cabinet.id, 'pins/front'),
            least: LEAST.front,
            most: Math.max(pins.front.mm, Math.min(MOST, pins.front.mm + until - lines.front.mm)),
            reasons: plates,
          },
          'h',
          lines.front.mm,
          { id: `pins-front-${room.id}`, ...front },
        ),
      );
    // In whole steps behind the front line the rear one follows that.
    if (rear && lines.rear && pins.rear.value === 'groove')
      found.push(
        lineOf(
          {
            label: 'Rear line of pin holes before the back',
            mm: pins.rearSet.mm,
            path: pathTo.setting(cabinet.id, 'pins/rearSet'),
            least: LEAST.rear,
            most: Math.max(pins.rearSet.mm, Math.min(MOST, pins.rearSet.mm + lines.rear.mm - lines.front.mm - APART)),
            reasons: [{ mm: pins.front.mm, why: 'as far from the back as the front line from the front' }],
          },
          'h',
          lines.rear.mm,
          { id: `pins-rear-${room.id}`, ...rear },
          -1,
        ),
      );
    return found;
  });
}

/** How far behind the front edge of the case the plates on an upright are bored (mm), each once. */
function platesOn({ parts }: SolvedCabinet, key: string): number[] {
  const upright = parts.find((part) => part.key === key);
  const offsets = (upright?.machining ?? []).flatMap((operation) =>
    upright && operation.kind === 'holes' && operation.by.kind === 'hinges'
      ? [edgeOf(upright, operation.from).mm + operation.offset.mm]
      : [],
  );
  return [...new Set(offsets)];
}

import { balanceOf } from '../../../build/index.js';
import { pathTo } from '../../../decisions/index.js';
import type { SolvedCabinet } from '../../../solve/index.js';
import { type Line, lineOf, round } from './line.js';

/** The right end, the top, the upper edge of the toe. */
export function edgeLines(solved: SolvedCabinet): Line[] {
  const { box, cabinet, parts, resolved } = solved;
  const right = box.width.value + box.beyondRight.value;
  const [foot, top] = [-box.underHeight.value, box.height.value];
  const width = box.overallWidth.value;
  const { height } = cabinet.size;
  const balance = balanceOf(solved);
  const toe = resolved.settings.toe.height.value;
  const plinth = parts.find(({ role }) => role === 'plinth');
  return [
    lineOf(
      {
        label: 'Overall width',
        mm: width,
        path: pathTo.cabinetField(cabinet.id, 'size/width'),
        least: 100,
        most: 5000,
        reasons: round(width, width + 1000, 50),
      },
      'h',
      right,
      { id: 'end-right', from: foot, to: top, shows: 'side/right' },
    ),
    ...(height.from === 'overall'
      ? [
          lineOf(
            {
              label: 'Overall height',
              mm: height.mm,
              path: pathTo.cabinetField(cabinet.id, 'size/height/mm'),
              least: 100,
              most: 4000,
              reasons: [
                ...(balance ? [balance.below, balance.above] : []).map((side) => ({
                  mm: height.mm + side - (balance?.now ?? 0),
                  why: 'balanced',
                })),
                ...round(height.mm, height.mm + 1000, 50),
              ],
            },
            'v',
            top,
            {
              id: 'end-top',
              from: -box.beyondLeft.value,
              to: right,
              shows: parts.some(({ key }) => key === 'top') ? 'top' : 'side/left',
            },
          ),
        ]
      : []),
    ...(box.underHeight.value > 0 && plinth
      ? [
          lineOf(
            {
              label: 'Toe height',
              mm: toe,
              path: pathTo.setting(cabinet.id, 'toe/height'),
              least: 20,
              most: 300,
              reasons: round(toe, 320, 10),
            },
            'v',
            0,
            { id: 'toe', from: 0, to: box.width.value, shows: plinth.key },
          ),
        ]
      : []),
  ];
}

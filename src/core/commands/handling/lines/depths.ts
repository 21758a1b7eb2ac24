import { pathTo } from '../../../decisions/index.js';
import { type SolvedCabinet, settingLeaf } from '../../../solve/index.js';
import { type Line, lineOf, round } from './line.js';

/** On the side section: the rear of the cabinet, and how far the toe stands back. */
export function depthLines({ box, cabinet, parts, resolved }: SolvedCabinet): Line[] {
  const { depth } = cabinet.size;
  const [foot, top] = [-box.underHeight.value, box.height.value];
  const rear = Math.max(...parts.map(({ extent }) => extent.max[1]));
  const setback = resolved.settings.toe.setback.value;
  const { min = 0, max = setback } = settingLeaf('toe/setback').limits ?? {};
  const plinth = parts.find(({ role }) => role === 'plinth');
  return [
    lineOf(
      {
        label: 'Overall depth',
        mm: depth,
        path: pathTo.cabinetField(cabinet.id, 'size/depth'),
        least: 100,
        most: 1500,
        reasons: round(depth, depth + 500, 10),
      },
      'h',
      rear,
      { id: 'end-rear', from: foot, to: top, shows: parts.some(({ key }) => key === 'back') ? 'back' : 'side/left' },
    ),
    ...(plinth && Math.abs(plinth.extent.min[1] - setback) < 0.01
      ? [
          lineOf(
            {
              label: 'Toe set back',
              mm: setback,
              path: pathTo.setting(cabinet.id, 'toe/setback'),
              least: min,
              most: max,
              reasons: round(setback, max, 10),
            },
            'h',
            setback,
            { id: 'toe-setback', from: foot, to: 0, shows: plinth.key },
          ),
        ]
      : []),
  ];
}

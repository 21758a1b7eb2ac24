import type { LengthStyle } from '../../ground/index.js';
import type { Drawing, TitleBlock } from '../../part/index.js';
import { type LaidSheet, type SheetSpace, scaleName, scalesOf } from '../views/index.js';
import { dimensionFigures, dimensionGround, dimensionLines } from './dimensions.js';
import { TEXT_HEIGHT } from './figures.js';
import { itemInk } from './items.js';
import type { Mark } from './mark.js';

/** Sheet units per millimetre of paper: those of a screen. */
const UNITS_PER_MM = 96 / 25.4;
/** Room of the title block below the drawing (sheet units). */
export const TITLE_HEIGHT = 30;
/** Narrower than this the title block leaves out unit and date (sheet units). */
const NARROW = 520;

export interface SheetSize {
  readonly width: number;
  readonly height: number;
}

/** Room for the drawing above the title block. */
export function spaceOf({ width, height }: SheetSize, { unit }: LengthStyle): SheetSpace {
  return {
    width,
    height: height - TITLE_HEIGHT,
    unitsPerMm: UNITS_PER_MM,
    scales: scalesOf(unit),
    textHeight: TEXT_HEIGHT[unit],
  };
}

/** The title block along the foot of a sheet: cabinet, view, scale, unit and date. */
export function titleInk(
  { cabinet, view }: TitleBlock,
  { width, height }: SheetSize,
  scale: number,
  { unit }: LengthStyle,
  date: string,
): Mark[] {
  const y = height - TITLE_HEIGHT;
  const narrow = width < NARROW;
  const words = [
    { x: 12, text: cabinet, weight: 700 },
    { x: width * (narrow ? 0.46 : 0.34), text: view, weight: 400 },
    { x: width * (narrow ? 0.8 : 0.52), text: scaleName(scale, unit), weight: 400 },
    ...(narrow
      ? []
      : [
          { x: width * 0.68, text: unit === 'mm' ? 'millimetres' : 'inches', weight: 400 },
          { x: width * 0.83, text: date, weight: 400 },
        ]),
  ];
  const line = (from: readonly [number, number], to: readonly [number, number], pen: number): Mark => ({
    kind: 'line',
    points: [from, to].map(([h, v]) => ({ x: h, y: v })),
    stroke: { colour: 'ink', width: pen },
  });
  return [
    { kind: 'rect', x: 0, y, width, height: TITLE_HEIGHT, fill: 'sheet' },
    line([0, y], [width, y], 1.1),
    ...words.flatMap(({ x, text, weight }, at): Mark[] => [
      ...(at > 0 ? [line([x - 10, y], [x - 10, height], 0.7)] : []),
      { kind: 'text', x, y: y + 20, size: 15, weight, fill: 'ink', text },
    ]),
  ];
}

/** A view as it is laid on its sheet, without what belongs to a screen: nothing is chosen, and nothing can be pressed. */
export function viewInk(drawing: Drawing, laid: LaidSheet, style: LengthStyle): Mark[] {
  return [
    ...drawing.items.flatMap((item) => itemInk(item, laid)?.marks ?? []),
    ...laid.dimensions.flatMap(dimensionLines),
    ...laid.dimensions.flatMap((placed) => [dimensionGround(placed, style), ...dimensionFigures(placed, style, 'ink')]),
  ];
}

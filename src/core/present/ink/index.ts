export { dimensionFigures, dimensionGround, dimensionLines } from './dimensions.js';
export { lengthInk, TEXT_HEIGHT, textWidthIn } from './figures.js';
export { type ItemInk, itemInk } from './items.js';
export type { Colour, Mark, Stroke } from './mark.js';
export { type SheetSize, spaceOf, TITLE_HEIGHT, titleInk, viewInk } from './paper.js';

export { dimensionFigures, dimensionGround, dimensionLines } from './dimensions.js';
export { textWidthIn } from './figures.js';
export { type ItemInk, itemInk } from './items.js';
export type { Colour, Mark, Stroke } from './mark.js';
export { drawOverview, layOverview, overviewInk, overviewTitle } from './overview.js';
export { type SheetSize, spaceOf, TITLE_HEIGHT, titleInk } from './paper.js';

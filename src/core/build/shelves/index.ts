export { buildShelves } from './adjustable.js';
export { type Balance, balanceOf } from './balanced.js';
export {
  type Bay,
  layOutBays,
  oppositeDepth,
  passesRails,
  type ShelfPlace,
  shelfHeights,
  thickestShelf,
  tooThinForBoth,
} from './bays.js';
export { balancedHeights, holeDim, holeHeight, holesBetween, type PinGrid, pinGrid } from './grid.js';
export { LEAST_BETWEEN_LINES, type PinLines, pinLines } from './lines.js';
export { loadedShelf } from './loaded.js';
export { type LoadedShelf, longestSpan, type Sag, SHELF_LOADS, shelfSag, smallestStrip } from './sag.js';

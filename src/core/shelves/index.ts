export { buildShelves } from './adjustable.js';
export { type Bay, layOutBays, oppositeDepth, type ShelfPlace, shelfHeights, tooThinForBoth } from './bays.js';
export { balancedHeights, holeDim, holeHeight, holesBetween, type PinGrid, pinGrid } from './grid.js';
export { loadedShelf } from './loaded.js';
export { borePins, holesOf, type PinLines, pinFittings, pinLines, withoutShared } from './pins.js';
export { type LoadedShelf, longestSpan, type Sag, SHELF_LOADS, shelfSag, smallestStrip } from './sag.js';

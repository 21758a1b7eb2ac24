export { buildShelves } from './adjustable.js';
export { loadedShelf } from './loaded.js';
export { type LoadedShelf, longestSpan, type Sag, SHELF_LOADS, shelfSag, smallestStrip } from './sag.js';

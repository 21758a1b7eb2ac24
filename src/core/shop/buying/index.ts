export { bandBought, bandedLength, bandFor, bandsMissing, isLeftOnFor, isTooNarrow, leastBandWidth } from './bands.js';
export { GROUPS, shoppingList, type ToBuy } from './list.js';

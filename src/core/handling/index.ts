export {
  distribute,
  divide,
  duplicate,
  free,
  MAKES,
  type MakeKey,
  make,
  merge,
  mirror,
  mirrorOne,
  pin,
  remove,
} from './acts.js';
export { type Following, type Line, linesOf, type Snap, settle, sizesAt } from './lines.js';
export {
  faceOf,
  gapKey,
  layoutOf,
  namedByKey,
  nextOpening,
  type OpeningPlace,
  openingAt,
  openingKey,
  placeOf,
  type Way,
} from './place.js';
export { type Told, treeOf } from './tree.js';

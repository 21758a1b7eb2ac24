export { distribute, divide, duplicate, free, MAKES, make, mergeOpening, mirror, pin } from './acts.js';
export { type Line, linesOf, type Snap, sectionLinesOf } from './lines/index.js';
export { actByKey, actOn, HANDS, type HandKey, type OpeningAct } from './menu.js';
export { faceOf, type Heading, layoutOf, nextOpening, openingAt, openingPlaceOf } from './place.js';
export { lastGood, settle, sizesAt } from './rest.js';
export { type TreeEntry, treeOf } from './tree.js';

export { editsBetween, isSame, withEdits } from './between.js';
export { type Conflict, conflictsBetween, type Merged, merge, placeOf, touch } from './merge.js';
export { decidedAt, type Said, saidOf } from './words.js';

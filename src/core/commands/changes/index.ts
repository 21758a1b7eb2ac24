export { editsBetween, isSame, withEdits } from './between.js';
export { blamed, laid } from './laying.js';
export { type Conflict, conflictsBetween, isRemoval, type Merged, merge, placeOf, touch } from './merge.js';
export type { SaveEntry } from './save.js';
export { decidedAt, saidInShort, saidOf } from './words.js';

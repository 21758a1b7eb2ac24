export { type Findable, findables, type Lead } from './find.js';
export { otherWords } from './synonyms.js';

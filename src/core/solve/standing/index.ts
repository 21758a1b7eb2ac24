export { type Converted, convert } from './convert.js';

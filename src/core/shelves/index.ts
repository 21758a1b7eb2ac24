export { buildShelves } from './adjustable.js';

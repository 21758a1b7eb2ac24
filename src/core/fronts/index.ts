export { buildFronts, type Front } from './fronts.js';

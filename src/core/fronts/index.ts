export { buildFronts, type Front } from './overlay.js';

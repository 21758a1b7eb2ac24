export { buildCarcass } from './frameless.js';

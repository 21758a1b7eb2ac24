export { holdsAt, leaving } from './fasteners.js';
export { unheld } from './held.js';
export { type AssemblyStep, assemblyOf } from './order.js';

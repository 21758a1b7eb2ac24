export { type Meetings, meetingsOf } from './connections.js';
export { leaving } from './fasteners.js';
export { unheld } from './held.js';
export { type AssemblyStep, assemblyOf, stuckOf } from './order.js';

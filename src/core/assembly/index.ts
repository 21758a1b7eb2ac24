export { type Connection, connectionsOf } from './connections.js';
export { leaving } from './fasteners.js';
export { unheld } from './held.js';
export { type AssemblyStep, assemblyOf, stuckOf } from './order.js';

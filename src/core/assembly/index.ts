export { DRIVER, holdsAt, type Leaving, leaving, SHORT_DRIVER } from './fasteners.js';
export { unheld } from './held.js';
export { type Assembly, type AssemblyStep, assemblyOf, type Fastened, type Stuck } from './order.js';
export { firstWood, meetsOnTheWay, type Way, woodOf } from './solids.js';

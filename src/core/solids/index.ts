export { loadSolids, type Solids } from './manifold.js';
export { type Block, type Bore, type PartShape, shapeOf } from './shape.js';
export { meeting, sharedVolume } from './shared.js';

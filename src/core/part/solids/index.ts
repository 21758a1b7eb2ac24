export { loadSolids, type Mesh, type Solids } from './manifold.js';
export {
  type Block,
  type Bore,
  blockIn,
  type Cuboid,
  type Hollowed,
  hollowedOf,
  type PartShape,
  shapeOf,
} from './shape.js';
export { meeting, overlap, overlappingPairs, sharedVolume, without } from './shared.js';

export type {
  DimensionItem,
  DragHandle,
  Drawing,
  DrawingItem,
  DrawingPoint,
  DrawingSide,
  HardwareItem,
  HardwareSymbol,
  HoleItem,
  LineItem,
  LineWeight,
  MarkItem,
  RegionItem,
  ShapeItem,
  Tint,
  TitleBlock,
} from '../../part/index.js';
export { drawChoice, hasChoicePicture } from './choices.js';
export { type CutPlane, drawSection, pinColumns } from './cut.js';
export { between, type DrawnEdge, edgeNear, edgesOf } from './edges.js';
export { drawElevation } from './elevation.js';
export { ALL_LAYERS, inLayers, isCalledFor, type Layers, SIZES, type Sizes } from './layers.js';
export type { Beside } from './neighbours.js';
export { cutKey, cutOfKey, drawPanel, machiningTable } from './panel.js';
export { drawPlan, type PlanLevel, planLevels } from './plan.js';
export { type LaidProjection, layProjection, laySheet, type ProjectedView, type ViewOf } from './projection.js';
export { scaleName, scalesOf } from './scales.js';
export {
  type LaidSheet,
  onSheet,
  type PlacedDimension,
  type SheetPoint,
  type SheetSpace,
} from './sheet.js';
export { drawThumbnail, type Picture, type Thumbnail } from './thumbnail.js';

export type {
  DimensionItem,
  Drawing,
  DrawingItem,
  DrawingPoint,
  DrawingSide,
  LineItem,
  LineWeight,
  MarkItem,
  RegionItem,
  Tint,
  TitleBlock,
} from './drawing.js';
export { drawElevation } from './elevation.js';
export {
  type LaidSheet,
  laySheet,
  type PlacedDimension,
  type SheetPoint,
  type SheetSpace,
} from './sheet.js';
export { drawThumbnail, type Thumbnail } from './thumbnail.js';

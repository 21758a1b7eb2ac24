export {
  type DecidedPart,
  decidedPartSchema,
  GRAIN_RUNS,
  type GrainRuns,
  MADE,
  type Made,
  type PartSide,
} from './decidedParts.js';
export {
  type Act,
  applyEdits,
  countedIds,
  type Edit,
  EditPathError,
  type Entry,
  editSchema,
  type IdMaker,
  isDecidedList,
  newId,
} from './edit.js';
export {
  bookOf,
  type FillBook,
  type FillChoice,
  type FillForm,
  type FillSays,
  type FillWith,
  type FrontAsked,
  fillForm,
  isFill,
  type KindFill,
  type LeafFill,
  type RoomFill,
} from './fills.js';
export { type DecidedHeight, heightsField } from './heights.js';
export {
  type LayoutSheet,
  layoutSchema,
  METHODS,
  type Method,
  type PlacedPiece,
  pieceName,
  type SheetLayout,
} from './layouts.js';
export { type Material, materialSchema, type ResolvedMaterial, spreadOf, thicknessOf } from './materials.js';
export {
  type DividerKind,
  depthOf,
  type Fill,
  type Graduation,
  type Interior,
  type InteriorSplit,
  interiorOf,
  isDivided,
  isSplit,
  type MoreFields,
  memberIds,
  type Opening,
  openingsOf,
  type Room,
  roomsOf,
  type SizeRule,
  type Split,
  shelved,
  splitSchemaOf,
  startingGraduation,
} from './openings.js';
export { ownFills } from './ownFills.js';
export {
  type EditPath,
  type PartField,
  pathFromText,
  pathTo,
  type StandingField,
  subjectOf,
  type ZoneField,
} from './paths.js';
export { madeOf, sidesOf } from './pieces.js';
export { type Standing, standingSchema } from './standing.js';
export {
  BAND_WIDER,
  type StockBand,
  type StockBoards,
  type StockList,
  type StockSheets,
  startingStock,
  stockSchema,
  usualBoards,
} from './stock.js';
export {
  keptFrom,
  startingWorkshop,
  type Workshop,
  type WorkshopGroup,
  workshopGroups,
  workshopSchema,
} from './workshop.js';

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
  actOf,
  applyEdits,
  countedIds,
  type Edit,
  EditPathError,
  type Entry,
  editSchema,
  type IdMaker,
  isDecidedList,
  newId,
  type ProposedAct,
} from './edit.js';
export { type AnyPath, type EditPath, type OwnPath, ownPath, pathFromText, pathIn, pathOf } from './editPath.js';
export { type MoreFields, splitSchemaOf } from './face.js';
export {
  bookOf,
  type FillBook,
  type FillChoice,
  type FillForm,
  type FillSays,
  type FillWith,
  type FrontAsked,
  fillForm,
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
  isFill,
  isSplit,
  type KindFill,
  type LeafFill,
  memberIds,
  type Opening,
  openingsOf,
  type Room,
  type RoomFill,
  roomsOf,
  type SizeRule,
  type Split,
  shelved,
  startingGraduation,
} from './openings.js';
export { ownFills, shelvesFill } from './ownFills.js';
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

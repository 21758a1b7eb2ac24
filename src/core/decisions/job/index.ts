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
  type DecidedHeight,
  type DividerKind,
  type DrawerContents,
  depthOf,
  FILL_NAMES,
  type Fill,
  type Graduation,
  hasRoom,
  type Interior,
  type InteriorSplit,
  interiorOf,
  isDivided,
  isSplit,
  type LeafFill,
  memberIds,
  type Opening,
  openingsOf,
  ROOM_NAMES,
  type Room,
  type RoomFill,
  roomsOf,
  type SizeRule,
  type Split,
  shelved,
  splitSchema,
  startingGraduation,
} from './openings.js';
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

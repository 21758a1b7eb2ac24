export { type Box, backOfFronts, deriveBox } from './box.js';
export { type Boundary, type Cell, type FaceLayout, layOutFace, type SplitLayout } from './face.js';
export {
  type Compartment,
  dividerInside,
  type InteriorLayout,
  type Interiors,
  layOutInteriors,
  type RefusedInterior,
  type RoomName,
  roomsInside,
  shelvedRoom,
} from './interior.js';
export { gapKey, namedByKey, openingKey } from './keys.js';
export { openingNames } from './names.js';
export { type Rectangle, type Region, type SplitAxis, spanOf, withSpan } from './region.js';
export { dividerAfter, endReveal, frameOpening, insideOf, panelCovered, sharesGap, stileWidth } from './scheme.js';
export { divideStack, LEAST_MEMBER, type StackMember, type StackRefusal, type StackSizes } from './stack.js';
export { meets } from './zones.js';

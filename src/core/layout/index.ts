export { type Box, deriveBox } from './box.js';
export { type Cell, type Divider, dividerBelow, type Face, layOutFace, openingName, type Rectangle } from './face.js';
export { divideStack, LEAST_MEMBER, type StackMember, type StackRefusal, type StackSizes } from './stack.js';

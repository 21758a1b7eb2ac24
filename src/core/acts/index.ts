export { type Balance, balanceOf, makeBalanced } from './balanced.js';
export { addCabinet, copyOf, neighbourAtLeft, neighbourAtRight, removeCabinet } from './cabinets.js';
export { type Consequences, consequenceLine, consequencesOf } from './consequences.js';
export { FILLS, type FillWord, fillFor, fillWord, openingLike } from './fills.js';
export { ROOMS, type RoomWord, roomFor, roomLike } from './interiors.js';
export { sizeNames } from './names.js';
export { documentRefusal, stackRefusal } from './refusals.js';
export { typeOver } from './typed.js';
export { addZone } from './zones.js';

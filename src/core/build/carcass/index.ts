export { BACK_IN_RABBET } from './back.js';
export { type BuiltCarcass, buildCarcass } from './carcass.js';
export { endShows } from './ends.js';
export { shrinkage } from './movement.js';
export { seatsOf } from './seats.js';
export { drivenFromBehind } from './toe.js';
export { crossMembersIn } from './web.js';

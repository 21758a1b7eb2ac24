export { BACK_IN_RABBET } from './back.js';
export type { BuildContext, Builder, Fitting, Joint } from './build.js';
export { type Built, buildCarcass } from './carcass.js';
export type { Crossing } from './crossings.js';
export { endShows } from './ends.js';
export { shrinkage } from './movement.js';
export { seatsOf } from './seats.js';
export { drivenFromBehind } from './toe.js';
export { crossMembersIn } from './web.js';

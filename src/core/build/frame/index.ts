export { faceFrame, frameSizes } from './members.js';

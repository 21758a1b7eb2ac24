export { hingeSettings } from './hinges/settings.js';
export { pinSettings } from './pins/settings.js';
export { pullSettings } from './pulls/settings.js';

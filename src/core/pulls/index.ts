export { borePulls, type PlacedPull, placePulls, pullFittings } from './pulls.js';

import { inches } from '../../units/index.js';
import { length, section } from '../declare.js';

export const drawers = section('Drawer boxes', {
  drawers: {
    runnerThickness: length('side runner thickness', { max: 40, metric: 12.7 }),
    runnerPlay: length('play beside the runners, in all', { max: 6, metric: 0.8, inch: inches(1 / 32) }),
    boxSide: length('drawer side thickness', { min: 3, max: 40, metric: 12, inch: inches(1 / 2) }),
  },
});

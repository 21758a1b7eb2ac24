import { inches } from '../../ground/index.js';
import { length, section } from './declare.js';

/** Outside these the shop wants to be asked. */
export const usual = section(
  'Usual sizes',
  {
    usual: {
      width: {
        least: length('narrowest usual cabinet', { metric: 200, inch: inches(9) }),
        most: length('widest usual cabinet', { metric: 1200, inch: inches(48) }),
      },
      height: {
        least: length('lowest usual cabinet', { metric: 200, inch: inches(9) }),
        most: length('highest usual cabinet', { metric: 2400, inch: inches(96) }),
      },
      depth: {
        least: length('shallowest usual cabinet', { metric: 150, inch: inches(6) }),
        most: length('deepest usual cabinet', { metric: 750, inch: inches(30) }),
      },
    },
  },
  { elsewhere: true },
);

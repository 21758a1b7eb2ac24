import { length, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const SINCE = 12;

export const bottleSettings = section('Bottle cells', {
  bottles: {
    cell: length('bottle cells: clear width and height at least', {
      min: 60,
      max: 200,
      metric: 95,
      inch: inches(3.75),
      since: SINCE,
    }),
    setback: length('bottle cells behind the front edge', {
      max: 150,
      metric: 20,
      inch: inches(3 / 4),
      since: SINCE,
    }),
    play: length('bottle cells: play round the crate, in all', {
      max: 6,
      metric: 2,
      inch: inches(1 / 16),
      since: SINCE,
    }),
    slot: length('bottle cells: play of a slot', { max: 2, metric: 0.3, inch: inches(1 / 64), since: SINCE }),
  },
});

export type BottleSettings = (typeof bottleSettings)['settings'];
/** A cabinet's settings with these among them. */
export type BottleResolved = ResolvedWith<ValuesOf<BottleSettings>>;

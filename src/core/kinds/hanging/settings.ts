import { length, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const SINCE = 11;

export const hangingSettings = section('Hanging rails', {
  hanging: {
    fromTop: length('hanging rail below the top of its room', {
      min: 20,
      max: 400,
      metric: 60,
      inch: inches(2.5),
      since: SINCE,
    }),
    shorter: length('hanging rail shorter than its room', {
      max: 20,
      metric: 2,
      inch: inches(1 / 16),
      since: SINCE,
    }),
    centres: length('rail sockets: screws apart', { min: 8, max: 120, metric: 32, inch: inches(1.25), since: SINCE }),
    pilot: length('rail sockets: pilot hole depth', { min: 3, max: 40, metric: 12, inch: inches(1 / 2), since: SINCE }),
    hangs: length('what hangs wants in depth', { min: 200, max: 900, metric: 530, inch: inches(21), since: SINCE }),
  },
});

export type HangingSettings = (typeof hangingSettings)['settings'];
/** A cabinet's settings with these among them. */
export type HangingResolved = ResolvedWith<ValuesOf<HangingSettings>>;

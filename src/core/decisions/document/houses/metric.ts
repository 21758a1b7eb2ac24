import { type Declarations, schoolStandards, startingSettings } from '../../settings/index.js';
import type { House } from '../schemas.js';

/** Starting standards in millimetres. A shop makes them its own. */
export function metricHouse(declared: Declarations): House {
  return {
    name: 'Metric house standards',
    all: startingSettings(declared, 'metric'),
    base: { toe: { kind: 'plinth' }, top: { kind: 'stretchers' }, fronts: { reveal: { top: 3, bottom: 0 } } },
    wall: { toe: { kind: 'none' } },
    tall: { toe: { kind: 'plinth' } },
    schools: schoolStandards('metric'),
    starts: {
      base: { width: 800, height: 870, depth: 580 },
      wall: { width: 800, height: 720, depth: 350 },
      tall: { width: 600, height: 2100, depth: 580 },
    },
  };
}

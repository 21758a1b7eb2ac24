import { inches } from '../../../ground/index.js';
import { type Declarations, schoolStandards, startingSettings } from '../../settings/index.js';
import type { House } from '../schemas.js';
import { metricHouse } from './metric.js';

/** The inch set: the same choices, its own numbers. */
export function inchHouse(declared: Declarations): House {
  return {
    ...metricHouse(declared),
    name: 'Inch house standards',
    all: startingSettings(declared, 'inch'),
    base: {
      toe: { kind: 'plinth' },
      top: { kind: 'stretchers' },
      fronts: { reveal: { top: inches(1 / 8), bottom: 0 } },
    },
    schools: schoolStandards('inch'),
    starts: {
      base: { width: inches(30), height: inches(34.5), depth: inches(24) },
      wall: { width: inches(30), height: inches(30), depth: inches(12) },
      tall: { width: inches(24), height: inches(84), depth: inches(24) },
    },
  };
}

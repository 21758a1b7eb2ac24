import type { Declarations, HouseSet } from '../../settings/index.js';
import type { House } from '../schemas.js';
import { inchHouse } from './inch.js';
import { metricHouse } from './metric.js';

/** The two starting sets of house standards. A shop makes them its own. */
export function houseOf(declared: Declarations, set: HouseSet): House {
  return set === 'inch' ? inchHouse(declared) : metricHouse(declared);
}

export { inchMaterials, metricMaterials } from './stock.js';

/** The two starting sets of house standards. A shop makes them its own. */
export { inchHouse } from './inch.js';
export { metricHouse } from './metric.js';
export { inchMaterials, metricMaterials } from './stock.js';

export { costOf } from './costs.js';
export {
  type CabinetCost,
  COST_KINDS,
  type CostedOperation,
  type CostKind,
  type JobCost,
  OPERATIONS,
} from './figures.js';
export { pricedList, priceFor } from './priced.js';

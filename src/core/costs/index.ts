export {
  type CabinetCost,
  COST_KINDS,
  type CostedOperation,
  type CostKind,
  costOf,
  type JobCost,
  OPERATIONS,
  pricedList,
} from './costs.js';

export {
  type CabinetCost,
  COST_KINDS,
  type CostedOperation,
  type CostKind,
  costOf,
  type JobCost,
  OPERATIONS,
} from './costs.js';

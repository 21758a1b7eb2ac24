export {
  across,
  type BuildContext,
  type Builder,
  type BuilderResult,
  type Crossing,
  caseBands,
  type Fitting,
  type Joint,
  kindOf,
} from './builder.js';

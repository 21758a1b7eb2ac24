export {
  across,
  type BuildContext,
  type Builder,
  type BuilderResult,
  type Crossing,
  caseBands,
  type Fitting,
  kindOf,
} from './builder.js';

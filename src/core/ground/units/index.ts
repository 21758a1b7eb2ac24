export {
  formatLength,
  formatLengthWithUnit,
  formatMm,
  GRADUATIONS,
  KEPT_IN,
  type LengthFigures,
  type LengthStyle,
  lengthFigures,
  type Remainder,
} from './format.js';
export { inches, type LengthUnit, TOLERANCE_MM } from './length.js';
export { type ParseContext, type ParsedLength, parseLength } from './parse.js';
export { weightIn, weightUnit } from './weight.js';

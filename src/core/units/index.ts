export {
  formatLength,
  formatLengthWithUnit,
  formatMm,
  GRADUATIONS,
  inchFigures,
  type LengthFigures,
  type LengthStyle,
  lengthFigures,
  type Remainder,
} from './format.js';
export { inches, type LengthUnit, MM_PER_INCH, TOLERANCE_MM } from './length.js';
export { expectation, type ParseContext, type ParsedLength, parseLength } from './parse.js';

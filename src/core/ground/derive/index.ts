export {
  byStandard,
  Dim,
  decidedHere,
  diagonal,
  largest,
  length,
  mean,
  plain,
  quantity,
  type Source,
  type SourceKind,
  setting,
  smallest,
  solved,
  sumOf,
} from './dim.js';
export type { Measure } from './measure.js';
export { revived } from './revive.js';
export { longer, measuredFrom, type Span, START, spanBetween, spanFrom, spanTo } from './span.js';
export {
  type Derivation,
  DerivationTable,
  followTerm,
  namedTerms,
  roundForExport,
  type Tape,
  type TapeLine,
  type Token,
  tape,
  tapeText,
  termKey,
} from './tape.js';

export { type Label, type LabelSheet, labelSheets, labelsOf } from './labels.js';

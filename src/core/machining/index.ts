export type { Face, Groove, Operation } from './operation.js';

import { cut } from './cut.js';
import type { JointForm } from './kind.js';

/** A rabbet at the end of the receiving part. */
export const rabbet: JointForm = {
  id: 'rabbet',
  words: 'rabbet',
  at: ['bottom', 'top'],
  asks: ['joints/rabbetDepth'],
  enters: ({ joints }) => joints.rabbetDepth,
  uncut: 'screws',
  make: cut,
};

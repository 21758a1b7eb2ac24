import { cut } from './cut.js';
import type { JointForm } from './kind.js';

/** A dado across the receiving part: what joins sits in it. */
export const dado: JointForm = {
  id: 'dado',
  words: 'dado',
  at: ['bottom', 'top', 'shelf', 'partition'],
  asks: ['joints/dadoDepth', 'joints/dadoStop'],
  enters: ({ joints }) => joints.dadoDepth,
  uncut: 'screws',
  make: cut,
};

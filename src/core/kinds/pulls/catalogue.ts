import { SIMULATED } from '../profile.js';
import type { PullProfile } from './profile.js';

/** A small simulated catalogue of invented makers, to work with until a shop has entered its own. */
const bow = (centres: number): PullProfile => ({
  id: `harl-bow-${centres}`,
  maker: 'Harl & Daughters',
  name: `bow pull, ${centres} centres`,
  stock: true,
  centres,
  length: centres + 10,
  projection: 32,
  hole: 4.5,
  weight: 0.06 + centres / 4000,
  note: SIMULATED,
});

export const pullCatalogue: readonly PullProfile[] = [
  bow(96),
  bow(128),
  bow(192),
  {
    id: 'harl-knob',
    maker: 'Harl & Daughters',
    name: 'turned knob',
    stock: true,
    centres: 0,
    length: 32,
    projection: 28,
    hole: 4.5,
    weight: 0.04,
    note: SIMULATED,
  },
];

/**
 * Kinds: a folder for each kind of thing that is bought and fitted: its settings, profiles, rules, where it goes and what
 * it bores. Comes in: a cabinet so far, as its contract says, with the results of the kinds it stands after. Goes out: what
 * it adds, as plain data. Knows: the contracts and what stands before them; of other kinds only those it stands after.
 */
export { TRIALS } from './profile.js';
export {
  drawerFill,
  makeTrays,
  mayRise,
  type Runner,
  runnersOf,
  type StandingTray,
  together,
} from './runners/index.js';

/** Properties run from one fixed seed, so that a test run can be repeated; ALCOVE_SEED sets another, `random` a new one. */
import fc from 'fast-check';

const wanted = process.env.ALCOVE_SEED;
fc.configureGlobal(wanted === 'random' ? {} : { seed: Number(wanted ?? 20261123) });

import type { RunnerProfile } from '../profile.js';
import { beside, corner } from './beside.js';
import type { RunnerFamily } from './family.js';
import { tall } from './tall.js';
import { under } from './under.js';

/** Every family of runners that is bought. A new one is a file and a line here, and its profile in `profile.ts`. */
export const families = { side: beside, corner, under, tall } as unknown as Readonly<
  Record<RunnerProfile['family'], RunnerFamily>
>;

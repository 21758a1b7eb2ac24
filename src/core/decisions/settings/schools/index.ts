import { faceFrame } from './faceFrame.js';
import { frameless } from './frameless.js';
import type { School } from './school.js';
import { traditional } from './traditional.js';

/** Every school there is, in the order in which they are offered. */
export const schools = { frameless, faceFrame, traditional } as const satisfies Readonly<Record<string, School>>;

export type SchoolId = keyof typeof schools;
export const SCHOOL_IDS = Object.keys(schools) as readonly SchoolId[];

/** How each school reads in a list. */
export const SCHOOL_LABELS = Object.fromEntries(SCHOOL_IDS.map((id) => [id, schools[id].label])) as Record<
  SchoolId,
  string
>;

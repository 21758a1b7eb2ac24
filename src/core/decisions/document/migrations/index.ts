import type { Data, Migration } from '../data.js';
import { toVersion2 } from './2-schools.js';
import { toVersion3 } from './3-hardware.js';
import { toVersion4 } from './4-places.js';
import { toVersion9 } from './9-drawers.js';
import { toVersion11 } from './11-interiors.js';
import { toVersion14 } from './14-stock.js';

/**
 * Brings a document of version n to version n + 1. Each is a small pure function with its own test; none is ever
 * edited once a version has been released. A version that only adds settings needs none: they are filled in.
 */
export const migrations: Readonly<Record<number, Migration>> = {
  1: toVersion2,
  2: toVersion3,
  3: toVersion4,
  8: toVersion9,
  10: toVersion11,
  13: toVersion14,
};

/**
 * Runs the migrations from `version` up to the present one: of the document, then of each kind its own. Data a migration
 * cannot follow is left for the schema to refuse.
 */
export function migrateJob(
  data: Data,
  version: number,
  present: number,
  steps: readonly Readonly<Record<number, Migration>>[] = [migrations],
): Data {
  let current = data;
  for (let at = version; at < present; at += 1) {
    const own = steps.flatMap((of) => of[at] ?? []);
    current = { ...own.reduce((before, step) => step(before), current), version: at + 1 };
  }
  return current;
}

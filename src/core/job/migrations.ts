import { JOB_VERSION } from './document.js';
import { toVersion2 } from './migrations/2-schools.js';
import { toVersion3 } from './migrations/3-hardware.js';

export type Data = Record<string, unknown>;
export type Migration = (data: Data) => Data;

/**
 * Brings a document of version n to version n + 1. Each is a small pure function with its own test; none is ever
 * edited once a version has been released.
 */
export const migrations: Readonly<Record<number, Migration>> = { 1: toVersion2, 2: toVersion3 };

/** Runs the migrations from `version` up to the present one. Data a migration cannot follow is left for the schema to refuse. */
export function migrateJob(
  data: Data,
  version: number,
  steps: Readonly<Record<number, Migration>> = migrations,
  present: number = JOB_VERSION,
): Data {
  let current = data;
  for (let at = version; at < present; at += 1) {
    const step = steps[at];
    if (!step) throw new Error(`there is no migration from job version ${at}`);
    current = { ...step(current), version: at + 1 };
  }
  return current;
}

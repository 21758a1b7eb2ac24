import { JOB_VERSION } from './document.js';

type Data = Record<string, unknown>;
type Migration = (data: Data) => Data;

/**
 * Brings a document of version n to version n + 1. Each is a small pure function with its own test; none is ever
 * edited once a version has been released.
 */
export const migrations: Readonly<Record<number, Migration>> = {};

/** Runs the migrations from `version` up to the present one. */
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

import { HARDWARE_FORMAT, HARDWARE_VERSION, type Hardware } from './hardware.js';
import type { Job } from './schemas.js';

/** Writes a job file: sorted keys, two spaces, a line feed at the end, so that two exports of one job are the same bytes. */
export function writeJob(job: Job): string {
  return `${stableJson(job, 2)}\n`;
}

/** Writes a hardware library the same way. */
export function writeHardware(library: Hardware): string {
  return `${stableJson({ format: HARDWARE_FORMAT, version: HARDWARE_VERSION, unit: 'mm', ...library }, 2)}\n`;
}

/** JSON with its keys sorted at every level. Lists keep their order. */
export function stableJson(value: unknown, indent?: number): string {
  return JSON.stringify(sorted(value), null, indent);
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, entry]) => entry !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
      .map(([key, entry]) => [key, sorted(entry)]),
  );
}

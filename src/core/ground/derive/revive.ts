import { Dim } from './dim.js';

/**
 * Gives the derived numbers of a result their methods again after it was cloned to a worker or read from storage: a clone
 * keeps what a number is and where it came from, not how it reckons. Works in place; everything is visited once.
 */
export function revived<T>(value: T, seen = new Set<object>()): T {
  if (typeof value !== 'object' || value === null || seen.has(value)) return value;
  seen.add(value);
  if (value instanceof Map) for (const entry of value.values()) revived(entry, seen);
  else for (const entry of Object.values(value)) revived(entry, seen);
  if (isNumber(value)) Object.setPrototypeOf(value, Dim.prototype);
  return value;
}

function isNumber(value: object): boolean {
  return 'value' in value && 'operation' in value && 'terms' in value;
}

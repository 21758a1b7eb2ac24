import { Dim } from '../../../core/derive/index.js';
import type { Choice } from '../../../core/document/index.js';
import type { SolvedCabinet } from '../../../core/solve.js';

/** The value a setting has on this cabinet, wherever it was decided. */
export function settingOf(solved: SolvedCabinet, path: string): Dim | Choice {
  return path
    .split('/')
    .reduce<unknown>((node, key) => (node as Record<string, unknown>)[key], solved.resolved.settings) as Dim | Choice;
}

/** The word a choice has; empty for a number. */
export function choiceOf(solved: SolvedCabinet, path: string): string {
  const found = settingOf(solved, path);
  return found instanceof Dim ? '' : found.value;
}

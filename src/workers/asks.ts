import type { Cabinet, JobHead } from '../core/decisions/index.js';
import {
  compareSchools,
  drawChoice,
  type OptionStops,
  type Picture,
  type SchoolComparison,
  stopsOfOptions,
} from '../core/present/index.js';
import { readCabinet, readJobHead, type SettingKey } from '../core/solve/index.js';

/** What a screen asks about a cabinet as it would be if it were decided otherwise: answered beside the bench, not on it. */
export type Ask =
  | { readonly kind: 'choices'; readonly path: SettingKey; readonly options: readonly string[] }
  | { readonly kind: 'stops'; readonly path: SettingKey; readonly options: readonly string[] }
  | { readonly kind: 'schools' };

export interface Answers {
  /** A small drawing for each option, in order. */
  readonly choices: readonly (Picture | undefined)[];
  /** What each option would stop for. */
  readonly stops: readonly OptionStops[];
  readonly schools: readonly SchoolComparison[];
}

export type Answer = Answers[Ask['kind']];

/** What a worker is asked: the job without its cabinets, whenever it has changed, then questions of one cabinet under it. */
export interface Answering {
  head(head: unknown): void;
  /** The answer; undefined for what is no cabinet, or while there is no valid job to answer for. */
  answer(cabinet: unknown, ask: Ask): Answer | undefined;
}

/** Works out an answer; solves the cabinet once for every option. */
function answerOf(head: JobHead, cabinet: Cabinet, ask: Ask): Answer {
  switch (ask.kind) {
    case 'choices':
      return ask.options.map((option) => drawChoice(head, cabinet, ask.path, option));
    case 'stops':
      return stopsOfOptions(head, cabinet, ask.path, ask.options);
    case 'schools':
      return compareSchools(head, cabinet);
  }
}

/** The worker's side: reads what it is given as it would a file. */
export function answering(): Answering {
  let known: JobHead | undefined;
  return {
    head(head) {
      const read = readJobHead(head);
      known = read.ok ? read.value : undefined;
    },
    answer(cabinet, ask) {
      const read = readCabinet(cabinet);
      return known && read.ok ? answerOf(known, read.value, ask) : undefined;
    },
  };
}

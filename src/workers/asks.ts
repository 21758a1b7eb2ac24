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

/** To the worker: the job without its cabinets, whenever it has changed, then what is asked of one cabinet under it. */
export type ToWorker =
  | { readonly head: unknown }
  | { readonly id: number; readonly cabinet: unknown; readonly ask: Ask };
export type FromWorker =
  | { readonly id: number; readonly answer: Answers[Ask['kind']] }
  | { readonly id: number; readonly refused: string };

/** Works out an answer; solves the cabinet once for every option. */
function answer(head: JobHead, cabinet: Cabinet, ask: Ask): Answers[Ask['kind']] {
  switch (ask.kind) {
    case 'choices':
      return ask.options.map((option) => drawChoice(head, cabinet, ask.path, option));
    case 'stops':
      return stopsOfOptions(head, cabinet, ask.path, ask.options);
    case 'schools':
      return compareSchools(head, cabinet);
  }
}

/** The worker's side: reads each message as it would a file, and answers by its id. */
export function answering(): (message: ToWorker) => FromWorker | undefined {
  let head: JobHead | undefined;
  return (message) => {
    if ('head' in message) {
      const read = readJobHead(message.head);
      head = read.ok ? read.value : undefined;
      return undefined;
    }
    const { id, ask } = message;
    if (!head) return { id, refused: 'There is no valid job to answer for.' };
    const cabinet = readCabinet(message.cabinet);
    if (!cabinet.ok) return { id, refused: cabinet.errors[0]?.message ?? 'This is not a cabinet.' };
    return { id, answer: answer(head, cabinet.value, ask) };
  };
}

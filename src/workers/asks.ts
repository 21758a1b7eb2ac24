import type { Finding } from '../core/cabinet/index.js';
import type { Act, Cabinet, JobHead } from '../core/decisions/index.js';
import {
  compareSchools,
  drawChoice,
  type OptionStops,
  type Picture,
  type SchoolComparison,
  stopsOfOptions,
} from '../core/present/index.js';
import {
  fixesFor,
  foundIn,
  readCabinet,
  readJobHead,
  type SettingKey,
  type SolvedJob,
  Sorts,
} from '../core/solve/index.js';

/** What a screen asks about a cabinet as it would be if it were decided otherwise: answered beside the bench, not on it. */
export type Ask =
  | { readonly kind: 'choices'; readonly path: SettingKey; readonly options: readonly string[] }
  | { readonly kind: 'stops'; readonly path: SettingKey; readonly options: readonly string[] }
  | { readonly kind: 'schools' }
  | ({ readonly kind: 'findings' } & Beside)
  | ({ readonly kind: 'fixes'; readonly finding: string } & Beside);

/** The cabinets at the ends of the one that is asked about: what is found between them is found with it. */
export interface Beside {
  readonly left?: Cabinet | undefined;
  readonly right?: Cabinet | undefined;
}

export interface Answers {
  /** A small drawing for each option, in order. */
  readonly choices: readonly (Picture | undefined)[];
  /** What each option would stop for. */
  readonly stops: readonly OptionStops[];
  readonly schools: readonly SchoolComparison[];
  /** What is found in the cabinet as it is, and between it and those beside it. */
  readonly findings: readonly Finding[];
  /** The acts that settle a finding. */
  readonly fixes: readonly Act[];
}

export type Answer = Answers[Ask['kind']];

/** What a worker is asked: the job without its cabinets, whenever it has changed, then questions of one cabinet under it. */
export interface Answering {
  head(head: unknown): void;
  /** The answer; undefined for what is no cabinet, or while there is no valid job to answer for. */
  answer(cabinet: unknown, ask: Ask): Answer | undefined;
}

/** Works out an answer; solves the cabinet once for every option. */
function answerOf({ head, sorts }: Known, cabinet: Cabinet, ask: Ask): Answer {
  switch (ask.kind) {
    case 'choices':
      return ask.options.map((option) => drawChoice(head, cabinet, ask.path, option));
    case 'stops':
      return stopsOfOptions(head, cabinet, ask.path, ask.options);
    case 'schools':
      return compareSchools(head, cabinet);
    case 'findings':
      return foundIn(rowOf(sorts, cabinet, ask), cabinet.id, () => sorts.check(cabinet));
    case 'fixes':
      return fixesFor(rowOf(sorts, cabinet, ask), ask.finding);
  }
}

/** A cabinet with those beside it, solved. */
function rowOf(sorts: Sorts, cabinet: Cabinet, { left, right }: Beside): Pick<SolvedJob, 'cabinets'> {
  const neighbours = [left, right].flatMap((each) => {
    const read = each && readCabinet(each);
    return read?.ok ? [read.value] : [];
  });
  return { cabinets: [cabinet, ...neighbours].map((each) => sorts.solve(each)) };
}

/** The job as it was told last, and what is solved of it. */
interface Known {
  readonly head: JobHead;
  readonly sorts: Sorts;
}

/** The worker's side: reads what it is given as it would a file. */
export function answering(): Answering {
  let known: Known | undefined;
  return {
    head(head) {
      const read = readJobHead(head);
      known = read.ok ? { head: read.value, sorts: new Sorts(read.value) } : undefined;
    },
    answer(cabinet, ask) {
      const read = readCabinet(cabinet);
      return known && read.ok ? answerOf(known, read.value, ask) : undefined;
    },
  };
}

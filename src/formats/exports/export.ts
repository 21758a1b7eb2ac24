import type { Job } from '../../core/decisions/index.js';
import type { LengthStyle } from '../../core/ground/index.js';
import type { SolvedJob } from '../../core/solve/index.js';

/** Tells how far the writing of a file has come: the share of it that is done, and what is being done. */
export type Tell = (share: number, doing: string) => void;

/** Something a job can be given out as. A new one is a file here and a line in the registry. */
export interface Export {
  /** The last part of its address: `cutlist.csv`. */
  readonly id: string;
  /** As it stands in the menu; absent for what is given out elsewhere. */
  readonly label?: string;
  /** What its file is called, from the plain name of the job. */
  file(name: string): string;
  readonly type: string;
  /** True when its lengths may be asked for in another unit than the job's. */
  readonly inUnits?: true;
  /** The file, whole. Writers are loaded only where something is written; whoever waits is told how far it has come. */
  write(job: Job, style: LengthStyle, tell: Tell): Promise<Uint8Array<ArrayBuffer>>;
}

/** A file of text. */
export const inBytes = (text: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(text);

/** Solving is so much of what a list takes. */
const SOLVING = 0.9;

/** A job solved for a file. */
export async function solvedTelling(job: Job, tell: Tell): Promise<SolvedJob> {
  const { createSolver } = await import('../../core/solve/index.js');
  return createSolver()(job, (done, of) => tell((SOLVING * done) / of, `cabinet ${done} of ${of}`));
}

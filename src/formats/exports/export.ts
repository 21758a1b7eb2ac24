import type { Job } from '../../core/decisions/index.js';
import type { LengthStyle } from '../../core/ground/index.js';

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
  /** Writers are loaded only where something is written. */
  write(job: Job, style: LengthStyle): Promise<string>;
}

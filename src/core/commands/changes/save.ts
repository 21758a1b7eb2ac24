import type { Edit } from '../../decisions/index.js';

/** One save of a job, as its history lists it. */
export interface SaveEntry {
  readonly version: number;
  readonly label: string;
  readonly savedAt: string;
  /** Undefined for the first state, and for saves from before edits were kept. */
  readonly edits?: readonly Edit[];
  /** What gave way to another window's edits. */
  readonly setAside?: readonly Edit[];
  /** What was kept of it is damaged: it can be named, and no more. */
  readonly unreadable?: true;
}

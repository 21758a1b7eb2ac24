import type { Conflict } from '../../../core/commands/index.js';
import type { Edit, FieldError, Job } from '../../../core/decisions/index.js';
import type { LeftOver, RefusedStep, Save, Unsent } from './unsent.js';

/** A job as the server has it. */
export interface ServerState {
  readonly version: number;
  readonly epoch: string;
  readonly document: Job;
}

/** Two sides of one job that cannot both stand: the maker chooses. */
export interface Sides {
  readonly theirs: ServerState;
  readonly mine: readonly Edit[];
  readonly their: readonly Edit[];
  readonly conflicts: readonly Conflict[];
  /** Why both together cannot be, where no two edits meet. */
  readonly why?: string | undefined;
  /** True when an earlier state of the shop was brought back, and all of mine is to be looked at. */
  readonly restored: boolean;
}

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'pending' }
  /** The server does not answer, or cannot save now: kept in the browser, and tried again. */
  | { readonly kind: 'kept'; readonly message: string }
  /** The server wants the access code anew: kept in the browser until it was given. */
  | { readonly kind: 'locked' }
  /** The page is of an older program than the server: kept in the browser until the page is loaded anew. */
  | { readonly kind: 'outdated' }
  /** It cannot be saved as things are, as when the job was deleted, or something failed here: it stays on the bench. */
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'sides'; readonly sides: Sides };

/** What became of one save. */
export type SaveAnswer =
  | { readonly kind: 'saved'; readonly version: number }
  | {
      readonly kind: 'stale';
      readonly theirs: ServerState;
      /** What was saved since; undefined where the server does not know it edit by edit. */
      readonly since: readonly Edit[] | undefined;
      readonly restored: boolean;
    }
  | { readonly kind: 'later'; readonly message: string }
  /** Refused as it is, with the places that are wrong. */
  | { readonly kind: 'refused'; readonly message: string; readonly fields: readonly FieldError[] }
  | { readonly kind: 'locked' }
  | { readonly kind: 'outdated' }
  /** There is nothing here to save it to. */
  | { readonly kind: 'ended'; readonly message: string };

/** The server and the browser's shelf, as the saver needs them. */
export interface SaverWorld {
  send(save: Save, leaving: boolean): Promise<SaveAnswer>;
  /** Until what was left over has been read it stays there, before this. */
  keep(unsent: Unsent | undefined): Promise<void>;
  hold(): Promise<void>;
  leftOver(): Promise<LeftOver[]>;
  load(): Promise<ServerState>;
}

/** What the saver tells: how the save stands, and the steps that were refused. */
export interface SaveStatus {
  readonly state: SaveState;
  readonly refused: readonly RefusedStep[];
  /** False where the browser keeps nothing: what is not sent yet is lost with the page. */
  readonly inBrowser: boolean;
  /** True once the server is of another program than the page. */
  readonly renewed: boolean;
}

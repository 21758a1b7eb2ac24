import { createStore, del, get, keys, set, type UseStore } from 'idb-keyval';
import type { Edit } from '../../../core/job/index.js';

/** One save: what was decided since the version it names. Its id tells it from every other. */
export interface Save {
  readonly id: string;
  readonly version: number;
  readonly epoch: string;
  readonly label: string;
  readonly edits: readonly Edit[];
  /** What gave way to another window's edits: kept in the history, not carried out. */
  readonly setAside?: readonly Edit[] | undefined;
}

/** What one tab has not yet heard to be saved: what is on its way, what came after it, and what was refused. */
export interface Unsent {
  readonly saves: readonly Save[];
  readonly refused?: readonly RefusedStep[] | undefined;
}

/** A step the server refused for good, set aside by its name. */
export interface RefusedStep {
  readonly save: Save;
  readonly why: string;
}

/** What a tab left over: whether it was this one, and how to take it off the shelf. */
export interface LeftOver {
  readonly unsent: Unsent;
  readonly own: boolean;
  readonly done: () => Promise<void>;
}

const TAB = 'alcove-tab';

/** This tab by a name that a reload keeps. */
function ownTab(): string {
  const known = sessionStorage.getItem(TAB);
  if (known) return known;
  const fresh = globalThis.crypto.randomUUID();
  sessionStorage.setItem(TAB, fresh);
  return fresh;
}

const keyOf = (jobId: string, tab: string) => `${jobId}/${tab}`;
const lockOf = (tab: string) => `${TAB}/${tab}`;

/**
 * Keeps what a tab has not sent yet in the browser, under the name of the tab, until it is known to be saved. A tab holds
 * a lock while it lives: what a closed one left over is taken over by the next that opens the job.
 */
export class UnsentShelf {
  /** Opened when it is first asked for: on the server there is none. */
  private opened: UseStore | undefined;
  private tab = '';

  constructor(private readonly jobId: string) {}

  private get store(): UseStore {
    this.opened ??= createStore('alcove-unsent-saves', 'saves');
    return this.opened;
  }

  /** Holds this tab's lock; a copy of a tab, which has its name as well, takes another name. */
  async hold(): Promise<void> {
    this.tab = ownTab();
    await new Promise<void>((held) => {
      void navigator.locks.request(lockOf(this.tab), { ifAvailable: true }, (lock) => {
        if (!lock) {
          sessionStorage.removeItem(TAB);
          this.tab = ownTab();
          void navigator.locks.request(lockOf(this.tab), () => new Promise(() => {}));
          held();
          return undefined;
        }
        held();
        return new Promise(() => {});
      });
    });
  }

  /** Rejects where the browser keeps nothing. */
  keep(unsent: Unsent | undefined): Promise<void> {
    const key = keyOf(this.jobId, this.tab);
    return unsent && unsent.saves.length + (unsent.refused?.length ?? 0) > 0
      ? set(key, unsent, this.store)
      : del(key, this.store);
  }

  /** What this tab, or one that is closed, left over; each is taken off the shelf once it is known to be saved. */
  async leftOver(): Promise<LeftOver[]> {
    const found: LeftOver[] = [];
    for (const key of await keys<string>(this.store)) {
      const [jobId, tab] = key.split('/');
      if (jobId !== this.jobId || !tab) continue;
      if (tab !== this.tab && (await this.isOpen(tab))) continue;
      const unsent = await get<Unsent>(key, this.store);
      if (unsent) found.push({ unsent, own: tab === this.tab, done: () => del(key, this.store) });
    }
    return found;
  }

  private async isOpen(tab: string): Promise<boolean> {
    return navigator.locks.request(lockOf(tab), { ifAvailable: true }, (lock) => lock === null);
  }
}

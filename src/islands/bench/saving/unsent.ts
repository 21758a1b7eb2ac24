import { createStore, del, get, keys, set, type UseStore } from 'idb-keyval';
import { type Edit, newId } from '../../../core/job/index.js';
import { openTabs, type Tabs } from './tabs.js';

/** One save: what was decided since the version it names. Its id tells it from every other. */
export interface Save {
  readonly id: string;
  readonly version: number;
  readonly epoch: string;
  readonly label: string;
  readonly edits: readonly Edit[];
  /** What gave way to another window's edits: kept in the history, not carried out. */
  readonly setAside?: readonly Edit[] | undefined;
  /** The form of the document in which the edits are said. */
  readonly format?: number | undefined;
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
  const fresh = newId('tab');
  sessionStorage.setItem(TAB, fresh);
  return fresh;
}

const keyOf = (jobId: string, tab: string) => `${jobId}/${tab}`;

/**
 * Keeps what a tab has not sent yet in the browser, under the name of the tab, until it is known to be saved. A page holds
 * the name of its tab while it lives: what a closed one left over is taken over by the next that opens the job.
 */
export class UnsentShelf {
  /** Opened when they are first asked for: on the server there are none. */
  private opened: UseStore | undefined;
  private pages: Tabs | undefined;
  private tab = '';

  constructor(private readonly jobId: string) {}

  private get store(): UseStore {
    this.opened ??= createStore('alcove-unsent-saves', 'saves');
    return this.opened;
  }

  private get tabs(): Tabs {
    this.pages ??= openTabs();
    return this.pages;
  }

  /** Holds this tab's name; a copy of a tab, which has its name as well, takes another. */
  async hold(): Promise<void> {
    this.tab = ownTab();
    while (!(await this.tabs.take(this.tab))) {
      sessionStorage.removeItem(TAB);
      this.tab = ownTab();
    }
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
    const all = (await keys<string>(this.store)).map((key) => ({ key, tab: key.split('/')[1] ?? '' }));
    const ofJob = all.filter(({ key, tab }) => tab !== '' && key === keyOf(this.jobId, tab));
    const closed = await Promise.all(ofJob.map(async ({ tab }) => tab === this.tab || !(await this.tabs.isOpen(tab))));
    const found = await Promise.all(
      ofJob
        .filter((_, at) => closed[at])
        .map(async ({ key, tab }): Promise<LeftOver[]> => {
          const unsent = await get<Unsent>(key, this.store);
          return unsent ? [{ unsent, own: tab === this.tab, done: () => del(key, this.store) }] : [];
        }),
    );
    return found.flat();
  }
}

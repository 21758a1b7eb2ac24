import { createStore, del, get, keys, set, type UseStore } from 'idb-keyval';
import { type Edit, newId } from '../../../core/decisions/index.js';
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

/** What was written down at once in the tab itself: all that is unsent, or only what came before the shelf was read. */
interface Jotted {
  readonly unsent: Unsent;
  readonly all: boolean;
}

/**
 * What a tab has not sent yet, in what the browser keeps for the tab alone. It is there the moment it is written, where the
 * browser's database takes a while to open and lets go of what a page that goes has not finished; a reload finds it again.
 */
class Jotter {
  constructor(private readonly jobId: string) {}

  private get key(): string {
    return `alcove-jotted/${this.jobId}`;
  }

  read(): Jotted | undefined {
    const text = sessionStorage.getItem(this.key);
    return text === null ? undefined : (JSON.parse(text) as Jotted);
  }

  /** Writes it down, and returns what was written; where there is no room for it the shelf has to do. */
  write(jotted: Jotted | undefined): string | undefined {
    sessionStorage.removeItem(this.key);
    if (!jotted) return undefined;
    const text = JSON.stringify(jotted);
    try {
      sessionStorage.setItem(this.key, text);
    } catch {
      return undefined;
    }
    return text;
  }

  /** Takes it off again, unless something newer stands there. */
  clear(written: string): void {
    if (sessionStorage.getItem(this.key) === written) sessionStorage.removeItem(this.key);
  }
}

const isEmpty = (unsent: Unsent | undefined) => !unsent || unsent.saves.length + (unsent.refused?.length ?? 0) === 0;

/** Both, one after the other. */
const together = (first: Unsent | undefined, then: Unsent | undefined): Unsent => ({
  saves: [...(first?.saves ?? []), ...(then?.saves ?? [])],
  refused: [...(first?.refused ?? []), ...(then?.refused ?? [])],
});

/**
 * Keeps what a tab has not sent yet in the browser, under the name of the tab, until it is known to be saved. A page holds
 * the name of its tab while it lives: what a closed one left over is taken over by the next that opens the job.
 */
export class UnsentShelf {
  /** Opened when they are first asked for: on the server there are none. */
  private opened: UseStore | undefined;
  private pages: Tabs | undefined;
  private tab = '';
  private readonly jotter: Jotter;
  /** What the page before this one had written down last. */
  private before: Jotted | undefined;
  private isRead = false;

  constructor(private readonly jobId: string) {
    this.jotter = new Jotter(jobId);
  }

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
    this.before = this.jotter.read();
    this.tab = ownTab();
    try {
      while (!(await this.tabs.take(this.tab))) {
        sessionStorage.removeItem(TAB);
        this.tab = ownTab();
      }
    } catch {
      // Without the browser's database there are no names to hold; what is kept next says so.
    }
  }

  /** Until what was left over has been read it stays where it is, before this. Rejects where the browser keeps nothing. */
  async keep(unsent: Unsent | undefined): Promise<void> {
    const key = keyOf(this.jobId, this.tab);
    if (!this.isRead) {
      const { before } = this;
      const all = together(before?.unsent, unsent);
      this.jotter.write(isEmpty(all) ? undefined : { unsent: all, all: before?.all ?? false });
    } else if (!unsent || isEmpty(unsent)) {
      this.jotter.write(undefined);
      await del(key, this.store);
    } else {
      const written = this.jotter.write({ unsent, all: true });
      await set(key, unsent, this.store);
      if (written) this.jotter.clear(written);
    }
  }

  /** What this tab, or one that is closed, left over; each is taken off the shelf once it is known to be saved. */
  async leftOver(): Promise<LeftOver[]> {
    try {
      return await this.read();
    } catch {
      const { before } = this;
      return before ? [{ unsent: before.unsent, own: true, done: async () => {} }] : [];
    } finally {
      this.isRead = true;
    }
  }

  private async read(): Promise<LeftOver[]> {
    const { before } = this;
    const own = keyOf(this.jobId, this.tab);
    const all = (await keys<string>(this.store)).map((key) => ({ key, tab: key.split('/')[1] ?? '' }));
    const others = all.filter(({ key, tab }) => tab !== '' && key === keyOf(this.jobId, tab) && key !== own);
    const open = await Promise.all(others.map(({ tab }) => this.tabs.isOpen(tab)));
    const closed = others.filter((_, at) => !open[at]).map(({ key }) => key);
    const found = await Promise.all(
      [own, ...closed].map(async (key): Promise<LeftOver[]> => {
        const kept = key === own && before?.all ? undefined : await get<Unsent>(key, this.store);
        const unsent = key === own ? together(kept, before?.unsent) : kept;
        return unsent && !isEmpty(unsent) ? [{ unsent, own: key === own, done: () => del(key, this.store) }] : [];
      }),
    );
    return found.flat();
  }
}

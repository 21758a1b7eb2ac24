import { createStore, del, get, set, type UseStore, update } from 'idb-keyval';
import { newId } from '../../../core/decisions/index.js';
import type { Tabs } from './tabs.js';

/** What a page that holds a name writes down, another number each time: so long as it changes, the page lives. */
interface Lease {
  readonly holder: string;
  readonly beat: number;
}

/** A page writes that it lives each so often, and is closed when it has not for so long (ms). A hidden page may be slowed down; it answers when it is asked. */
const BEAT = 1500;
const CLOSED_AFTER = 5000;
/** A page that is not busy answers within this (ms). */
const ANSWERS_WITHIN = 400;
/** Says in the tab, which a reload keeps, that its page went as pages go. */
const LEFT = 'alcove-tab-left';
const CHANNEL = 'alcove-tabs';

type Word = { readonly ask: string; readonly by: string } | { readonly here: string };

/**
 * By leases in the browser's database, for pages that have no locks. No clock is trusted: a lease counts while it is seen
 * to be renewed, or its page answers.
 */
export class LeasedTabs implements Tabs {
  private readonly holder = newId('page');
  private opened: UseStore | undefined;
  private channel: BroadcastChannel | undefined;
  private name: string | undefined;
  private beat = 0;

  private get store(): UseStore {
    this.opened ??= createStore('alcove-open-tabs', 'leases');
    return this.opened;
  }

  async take(name: string): Promise<boolean> {
    this.listen();
    const left = sessionStorage.getItem(LEFT);
    sessionStorage.removeItem(LEFT);
    if (await this.answers(name)) return false;
    let taken = false;
    await update<Lease>(
      name,
      (lease) => {
        taken = lease === undefined || lease.holder === left;
        return taken || lease === undefined ? this.next() : lease;
      },
      this.store,
    );
    if (taken) this.hold(name);
    return taken;
  }

  async isOpen(name: string): Promise<boolean> {
    this.listen();
    const begun = performance.now();
    const first = await get<Lease>(name, this.store);
    if (!first) return this.answers(name);
    while (performance.now() - begun < CLOSED_AFTER) {
      if (await this.answers(name)) return true;
      const now = await get<Lease>(name, this.store);
      if (!now) return false;
      if (now.holder !== first.holder || now.beat !== first.beat) return true;
    }
    await del(name, this.store);
    return false;
  }

  private next(): Lease {
    this.beat += 1;
    return { holder: this.holder, beat: this.beat };
  }

  /** Keeps a name until the page goes. */
  private hold(name: string): void {
    this.name = name;
    const renew = () => void set(name, this.next(), this.store).catch(() => {});
    setInterval(renew, BEAT);
    window.addEventListener('pagehide', () => {
      sessionStorage.setItem(LEFT, this.holder);
      void del(name, this.store).catch(() => {});
    });
    window.addEventListener('pageshow', (event) => {
      if (event.persisted) renew();
    });
  }

  private listen(): void {
    if (this.channel) return;
    this.channel = new BroadcastChannel(CHANNEL);
    this.channel.addEventListener('message', ({ data }: MessageEvent<Word>) => {
      if ('ask' in data && data.ask === this.name && data.by !== this.holder)
        this.channel?.postMessage({ here: data.ask } satisfies Word);
    });
  }

  /** Asks the page of a name whether it is there. */
  private answers(name: string): Promise<boolean> {
    const { channel } = this;
    if (!channel) return Promise.resolve(false);
    return new Promise((answered) => {
      const settle = (is: boolean) => {
        clearTimeout(timer);
        channel.removeEventListener('message', hear);
        answered(is);
      };
      const hear = ({ data }: MessageEvent<Word>) => {
        if ('here' in data && data.here === name) settle(true);
      };
      const timer = setTimeout(() => settle(false), ANSWERS_WITHIN);
      channel.addEventListener('message', hear);
      channel.postMessage({ ask: name, by: this.holder } satisfies Word);
    });
  }
}

import { LeasedTabs } from './leases.js';

/**
 * Which pages are open, each by the name of its tab: what an open one has not sent yet it sends itself, what a closed one
 * left over is taken over by another.
 */
export interface Tabs {
  /** Takes a name for this page for as long as it lives; false where another open page has it. */
  take(name: string): Promise<boolean>;
  isOpen(name: string): Promise<boolean>;
}

const lockOf = (name: string) => `alcove-tab/${name}`;

/** By the browser's locks, which go with the page that holds them. */
class LockedTabs implements Tabs {
  constructor(private readonly locks: LockManager) {}

  take(name: string): Promise<boolean> {
    return new Promise((taken, failed) => {
      this.locks
        .request(lockOf(name), { ifAvailable: true }, (lock) => {
          taken(lock !== null);
          return lock ? new Promise(() => {}) : undefined;
        })
        .catch(failed);
    });
  }

  isOpen(name: string): Promise<boolean> {
    return this.locks.request(lockOf(name), { ifAvailable: true }, (lock) => lock === null);
  }
}

/** Over plain http on a network a browser has no locks. */
export function openTabs(): Tabs {
  const { locks } = navigator as { readonly locks?: LockManager };
  return locks ? new LockedTabs(locks) : new LeasedTabs();
}

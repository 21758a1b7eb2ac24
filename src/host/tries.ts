/** After so many wrong codes each further one has to wait, twice as long each time (s), up to the longest. */
const FREE = 4;
const FIRST_WAIT = 2;
const LONGEST_WAIT = 300;
/** What was tried so long ago is forgotten (ms). */
const FORGOTTEN = 60 * 60_000;
/** So many wrong ones by all strangers together in so long (ms): far above what people mistype. */
const ALL = 1000;
const ALL_WITHIN = 10 * 60_000;
/** So many strangers are told apart at most. */
const REMEMBERED = 10_000;

interface Tried {
  readonly wrong: number;
  readonly at: number;
  readonly waits: number;
}

/**
 * Wrong codes, by whom: each address on its own, and each browser that has come in before, so that no stranger can keep
 * anybody else out. All strangers together are limited far above that.
 */
export class Tries {
  private readonly tried = new Map<string, Tried>();
  private readonly all: number[] = [];

  /** Seconds until this one may try; 0 for now. */
  waitOf(who: string, isKnown: boolean, now: number): number {
    const own = this.tried.get(who);
    const ownWait = own ? Math.ceil((own.at + own.waits * 1000 - now) / 1000) : 0;
    if (isKnown) return Math.max(0, ownWait);
    while (this.all[0] !== undefined && this.all[0] < now - ALL_WITHIN) this.all.shift();
    const limiting = this.all[this.all.length - ALL];
    const allWait = limiting === undefined ? 0 : Math.ceil((limiting + ALL_WITHIN - now) / 1000);
    return Math.max(0, ownWait, allWait);
  }

  /** Counts a try before it is known to be wrong, so that many at once do not pass as one. */
  begin(who: string, isKnown: boolean, now: number): void {
    const before = this.tried.get(who);
    const wrong = (before && before.at > now - FORGOTTEN ? before.wrong : 0) + 1;
    const waits = wrong < FREE ? 0 : Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (wrong - FREE));
    this.tried.delete(who);
    this.tried.set(who, { wrong, at: now, waits });
    if (!isKnown) this.all.push(now);
    const [oldest] = this.tried.keys();
    if (this.tried.size > REMEMBERED && oldest !== undefined) this.tried.delete(oldest);
  }

  /** It was the right one. */
  right(who: string, isKnown: boolean): void {
    this.tried.delete(who);
    if (!isKnown) this.all.pop();
  }
}

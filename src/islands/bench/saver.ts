import { changeBetween, type Job, type JobChange, withChange } from '../../core/document/index.js';
import type { BenchStore } from './store.js';
import type { LeftOver, Unsent } from './unsent.js';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'pending' }
  /** The server does not answer, or cannot save now: kept in the browser, and tried again. */
  | { readonly kind: 'kept'; readonly message: string; readonly inBrowser: boolean }
  /** Refused for good: it stays on the bench, and the next change is sent with it. */
  | { readonly kind: 'failed'; readonly message: string }
  /** Another window saved first. `theirs` is the present state on the server; ours is still on the bench. */
  | { readonly kind: 'stale'; readonly theirs: Job; readonly version: number };

/** What became of one change. */
export type SaveAnswer =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly theirs: Job; readonly version: number }
  | { readonly kind: 'later'; readonly message: string }
  | { readonly kind: 'refused'; readonly message: string };

/** The server and the browser's shelf, as the saver needs them. */
export interface SaverWorld {
  send(change: JobChange, leaving: boolean): Promise<SaveAnswer>;
  keep(unsent: Unsent | undefined): Promise<void>;
  hold(): Promise<void>;
  leftOver(): Promise<LeftOver[]>;
  load(): Promise<{ readonly version: number; readonly document: Job }>;
}

/** A change is sent when nothing has changed for so long; what failed is tried again slower and slower (ms). */
const QUIET_MS = 350;
const FIRST_RETRY_MS = 1000;
const SLOWEST_RETRY_MS = 30_000;

/**
 * Sends what is on the bench, one change at a time. A change that is on its way is sent again as it is until it is
 * answered, since the server may have it already; what came after it waits behind it. Both lie in the browser meanwhile.
 */
export class Saver {
  private saved: { job: Job; version: number };
  private onItsWay: { change: JobChange; job: Job } | undefined;
  private running: Promise<void> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private retry = FIRST_RETRY_MS;
  private stale = false;
  private inBrowser = true;
  /** Settled once what was left over is dealt with: until then nothing of this window is sent, or laid over it. */
  private begun: Promise<void> = Promise.resolve();
  private shelfRead = false;
  /** Left over on this tab's shelf and not sent yet: it stays before what comes after it. */
  private left: readonly JobChange[] = [];
  private tell: (state: SaveState) => void = () => {};

  constructor(
    private readonly store: BenchStore,
    version: number,
    private readonly world: SaverWorld,
  ) {
    this.saved = { job: store.getState().job, version };
  }

  /** True while something on the bench is not known to be saved. */
  get unsaved(): boolean {
    return this.onItsWay !== undefined || this.store.getState().job !== this.saved.job;
  }

  /** Begins to save, what was left over first. Returns how to stop. */
  start(tell: (state: SaveState) => void): () => void {
    this.tell = tell;
    const unsubscribe = this.store.subscribe((now, before) => {
      if (now.job === before.job) return;
      this.keep();
      if (this.stale) return;
      if (this.unsaved) this.tell({ kind: 'pending' });
      this.later(QUIET_MS);
    });
    this.begun = this.takeOver();
    return () => {
      unsubscribe();
      clearTimeout(this.timer);
    };
  }

  /** Sends all there is to send; resolves when it is saved, or cannot be for now. */
  async flush(leaving = false): Promise<void> {
    if (this.stale) return;
    this.running ??= this.begun
      .then(() => this.sendAll(leaving))
      .finally(() => {
        this.running = undefined;
      });
    await this.running;
  }

  /** Takes what the other window saved and gives up what is on this bench. */
  takeTheirs(theirs: Job, version: number): void {
    this.settle(theirs, version);
    this.store.getState().replace(theirs);
    this.keep();
    this.tell({ kind: 'saved' });
  }

  /** Saves this bench's document over what the other window saved. */
  keepMine(theirs: Job, version: number): void {
    this.settle(theirs, version);
    this.keep();
    this.tell({ kind: 'pending' });
    void this.flush();
  }

  private settle(job: Job, version: number): void {
    this.saved = { job, version };
    this.onItsWay = undefined;
    this.stale = false;
  }

  private later(after: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), after);
  }

  private async sendAll(leaving: boolean): Promise<void> {
    while (!this.stale) {
      const { job, lastAct } = this.store.getState();
      if (!this.onItsWay) {
        const change = changeBetween(this.saved.job, job, this.saved.version, lastAct ?? 'edit');
        if (!change) {
          this.saved = { ...this.saved, job };
          this.keep();
          this.tell({ kind: 'saved' });
          return;
        }
        this.onItsWay = { change, job };
        this.keep();
      }
      const { change, job: sent } = this.onItsWay;
      const answer = await this.world
        .send(change, leaving)
        .catch((): SaveAnswer => ({ kind: 'later', message: 'the server does not answer' }));
      if (answer.kind === 'saved') {
        this.retry = FIRST_RETRY_MS;
        this.settle(sent, answer.version);
        this.keep();
        continue;
      }
      if (answer.kind === 'stale') {
        this.stale = true;
        this.tell(answer);
        return;
      }
      if (answer.kind === 'refused') {
        // It will not mend itself; the next change goes with it.
        this.onItsWay = undefined;
        this.keep();
        this.tell({ kind: 'failed', message: answer.message });
        return;
      }
      this.tell({ kind: 'kept', message: answer.message, inBrowser: this.inBrowser });
      this.later(this.retry);
      this.retry = Math.min(SLOWEST_RETRY_MS, this.retry * 2);
      return;
    }
  }

  /** Lays what is not known to be saved on the browser's shelf. */
  private keep(): void {
    if (!this.shelfRead) return;
    const { job, lastAct } = this.store.getState();
    const first = this.onItsWay;
    const after = changeBetween(
      first?.job ?? this.saved.job,
      job,
      this.saved.version + (first ? 1 : 0),
      lastAct ?? 'edit',
    );
    const changes = [...this.left, ...(first ? [first.change] : []), ...(after ? [after] : [])];
    this.world.keep(changes.length > 0 ? { changes } : undefined).catch(() => {
      this.inBrowser = false;
    });
  }

  /** Sends what a reload, a crash or a closed tab left over, and shows it. */
  private async takeOver(): Promise<void> {
    try {
      await this.world.hold();
      const leftOver = await this.world.leftOver();
      this.left = leftOver.filter(({ own }) => own).flatMap(({ unsent }) => unsent.changes);
      this.shelfRead = true;
      for (const { unsent, own, done } of leftOver) {
        while (!(await this.sendLeftOver(unsent))) await this.pause();
        if (own) this.left = [];
        else await done();
      }
    } catch {
      this.inBrowser = false;
    }
    this.shelfRead = true;
    this.keep();
  }

  /** Waits before something is tried again, each time twice as long. */
  private async pause(): Promise<void> {
    this.tell({ kind: 'kept', message: 'the server does not answer', inBrowser: this.inBrowser });
    await new Promise((done) => setTimeout(done, this.retry));
    this.retry = Math.min(SLOWEST_RETRY_MS, this.retry * 2);
  }

  /** True when all of it is saved, or lies on the bench again. */
  private async sendLeftOver({ changes }: Unsent): Promise<boolean> {
    let version: number | undefined;
    for (const [at, change] of changes.entries()) {
      const answer = await this.world
        .send(version === undefined ? change : { ...change, version }, false)
        .catch((): SaveAnswer => ({ kind: 'later', message: 'the server does not answer' }));
      if (answer.kind === 'saved') {
        version = answer.version;
        continue;
      }
      if (answer.kind === 'later') return false;
      if (answer.kind === 'refused') {
        this.tell({ kind: 'failed', message: `what was left unsaved here was refused: ${answer.message}` });
        continue;
      }
      // Somebody saved meanwhile: what was left over is on the bench again, and the maker says whose is to stand.
      const { theirs } = answer;
      const mine = changes.slice(at).reduce((job, each) => withChange(job, each), theirs);
      this.saved = { job: theirs, version: answer.version };
      this.stale = true;
      this.store.getState().replace(mine);
      this.tell(answer);
      return true;
    }
    const { version: now, document } = await this.world.load();
    const meanwhile = changeBetween(this.saved.job, this.store.getState().job, now, 'edit');
    this.settle(document, now);
    this.store.getState().replace(meanwhile ? withChange(document, meanwhile) : document);
    return true;
  }
}

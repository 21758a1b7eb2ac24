import { blamed, editsBetween, laid } from '../../../core/commands/index.js';
import type { Edit, FieldError, Job } from '../../../core/decisions/index.js';
import type { OpenJobStore } from '../openJob.js';
import type { SaverWorld, SaveState, SaveStatus, ServerState, Sides } from './answers.js';
import { Drafts } from './drafts.js';
import { Keeping } from './keeping.js';
import { noAnswer, type SentLeftOver, sendLeftOver, waitingFor } from './leftOver.js';
import { Pace } from './pace.js';
import { joined, laidLeftOver, lookedAt } from './sides.js';
import type { RefusedStep, Save } from './unsent.js';

/**
 * Sends what is on the bench, one save at a time. A save that is on its way is sent again as it is until it is answered,
 * since the server may have it already; what came after it waits behind it. Both lie in the browser meanwhile. What
 * another window saved is laid under what is on the bench, where the two do not touch.
 */
export class Saver {
  private saved: { job: Job; version: number; epoch: string };
  private onItsWay: { save: Save; job: Job } | undefined;
  private readonly drafts = new Drafts();
  private running: Promise<void> | undefined;
  private readonly pace = new Pace(() => void this.flush());
  private readonly kept: Keeping;
  private sides: Sides | undefined;
  private renewed = false;
  /** Settled once what was left over is dealt with: until then nothing of this window is sent, or laid over it. */
  private begun: Promise<void> = Promise.resolve();
  /** True while what was left over waits for the server. */
  private waits = false;
  /** Edits that gave way: they go into the history with the next save. */
  private gaveWay: readonly Edit[] = [];
  private state: SaveState = { kind: 'saved' };
  private hear: (status: SaveStatus) => void = () => {};

  constructor(
    private readonly store: OpenJobStore,
    first: { readonly version: number; readonly epoch: string },
    private readonly world: SaverWorld,
  ) {
    this.saved = { job: store.getState().job, version: first.version, epoch: first.epoch };
    this.kept = new Keeping(world, () => this.tell(this.state));
  }

  /** True while something on the bench is not known to be saved. */
  get unsaved(): boolean {
    return (
      this.onItsWay !== undefined ||
      this.waits ||
      this.gaveWay.length > 0 ||
      this.store.getState().job !== this.saved.job
    );
  }

  /** True while something would be lost, or be long in coming, if the page were left now. */
  get losesByLeaving(): boolean {
    const { kind } = this.state;
    return this.unsaved && !(this.kept.inBrowser && (kind === 'locked' || kind === 'outdated'));
  }

  /** Begins to save, what was left over first. Returns how to stop. */
  start(hear: (status: SaveStatus) => void): () => void {
    this.hear = hear;
    const unsubscribe = this.store.subscribe((now, before) => {
      if (now.job === before.job || now.job === this.saved.job) return;
      // Whoever changes the bench hears nothing of what fails here: it is told as not saved.
      try {
        this.keep();
        if (this.sides) return;
        if (this.unsaved && !this.isHeldUp) this.tell({ kind: 'pending' });
        this.pace.afterQuiet();
      } catch (error) {
        this.fail(error);
      }
    });
    this.begun = this.takeOver().catch((error: unknown) => this.fail(error));
    return () => {
      unsubscribe();
      this.pace.stop();
    };
  }

  /** Sends all there is to send; resolves when it is saved, or cannot be for now. */
  async flush(leaving = false): Promise<void> {
    // What was left over goes first; while the server does not take it nothing else is sent either.
    if (this.sides || this.waits) return;
    this.running ??= this.begun
      .then(() => this.sendAll(leaving))
      .catch((error: unknown) => this.fail(error))
      .finally(() => {
        this.running = undefined;
      });
    await this.running;
  }

  /** Another window saved, or an earlier state was brought back: what it is now is laid under what is on the bench. */
  async news(version: number, epoch: string): Promise<void> {
    await this.running;
    // A job that was brought back out of the bin takes saves again.
    if (this.state.kind === 'failed') return this.flush();
    const restored = epoch !== this.saved.epoch;
    if (this.sides || (!restored && version <= this.saved.version)) return;
    await this.begun;
    const theirs = await this.world.load().catch(() => undefined);
    if (!theirs || this.running || this.sides) return this.flush();
    if (theirs.epoch === this.saved.epoch && theirs.version <= this.saved.version) return;
    this.takeIn(theirs, editsBetween(this.saved.job, theirs.document), theirs.epoch !== this.saved.epoch);
    await this.flush();
  }

  /** Ends a choice between two sides: these of mine stand, the others go into the history. */
  choose(stands: ReadonlySet<Edit>): void {
    const { sides } = this;
    if (!sides) return;
    const met = new Set(sides.conflicts.map(({ mine }) => mine));
    const wanted = sides.mine.filter((edit) => (sides.restored || met.has(edit) ? stands.has(edit) : true));
    const { job, kept } = laid(sides.theirs.document, wanted);
    this.gaveWay = [...this.gaveWay, ...sides.mine.filter((edit) => !kept.has(edit))];
    this.sides = undefined;
    this.settle(sides.theirs);
    this.store.getState().rebase(job, sides.their);
    this.keep();
    this.tell({ kind: 'pending' });
    void this.flush();
  }

  /** Tries a step that was set aside once more, or lets it go. */
  settleRefused(step: RefusedStep, again: boolean): void {
    this.kept.letGo(step);
    if (again) {
      const { job } = laid(this.store.getState().job, step.save.edits);
      this.store.getState().rebase(job, []);
    }
    this.keep();
    this.tell(this.state);
  }

  /** The server is of another program than this page. */
  newsOfProgram(): void {
    if (this.renewed) return;
    this.renewed = true;
    this.tell(this.state);
  }

  private tell(state: SaveState): void {
    this.state = state;
    const { refused, inBrowser } = this.kept;
    this.hear({ state, refused, inBrowser, renewed: this.renewed });
  }

  /** Something failed that nobody thought of: it is told, and tried again. */
  private fail(error: unknown): void {
    const why = error instanceof Error ? error.message : String(error);
    this.tell({ kind: 'failed', message: `something failed in this page (${why}). What you did is on the bench.` });
    this.pace.afterFailure();
  }

  /** True while what is typed waits for something that typing does not bring about. */
  private get isHeldUp(): boolean {
    return this.state.kind === 'locked' || this.state.kind === 'outdated' || this.state.kind === 'failed';
  }

  private settle({ document, version, epoch }: ServerState): void {
    this.saved = { job: document, version, epoch };
    this.onItsWay = undefined;
  }

  /** What is to be sent next; undefined when all is saved. */
  private next(): { save: Save; job: Job } | undefined {
    const { job } = this.store.getState();
    const save = this.drafts.between(this.saved.job, job, this.saved);
    const setAside = this.gaveWay;
    if (setAside.length === 0) return save && { save, job };
    return { save: { ...(save ?? this.drafts.empty(this.saved)), setAside }, job };
  }

  private async sendAll(leaving: boolean): Promise<void> {
    while (!this.sides) {
      if (!this.onItsWay) {
        const next = this.next();
        if (!next) {
          this.saved = { ...this.saved, job: this.store.getState().job };
          this.keep();
          this.tell({ kind: 'saved' });
          return;
        }
        this.onItsWay = next;
        this.keep();
      }
      const { save, job: sent } = this.onItsWay;
      const answer = await this.world.send(save, leaving).catch(noAnswer);
      switch (answer.kind) {
        case 'saved':
          this.pace.succeeded();
          if (save.setAside) this.gaveWay = [];
          this.settle({ document: sent, version: answer.version, epoch: this.saved.epoch });
          this.keep();
          break;
        case 'stale':
          this.onItsWay = undefined;
          this.takeIn(answer.theirs, editsBetween(this.saved.job, answer.theirs.document), answer.restored);
          break;
        case 'refused':
          this.setAside(save, answer.message, answer.fields);
          break;
        case 'ended':
          this.onItsWay = undefined;
          this.keep();
          this.tell({ kind: 'failed', message: answer.message });
          // It may be brought back.
          this.pace.afterFailure();
          return;
        case 'outdated':
          this.tell({ kind: 'outdated' });
          return;
        default:
          this.tell(waitingFor(answer));
          this.pace.afterFailure();
          return;
      }
    }
  }

  /** Lays what the server has under what is on the bench, or puts both sides before the maker. */
  private takeIn(present: ServerState, their: readonly Edit[], restored: boolean): void {
    const came = joined(this.saved.job, this.store.getState().job, present, their, restored);
    if (came.kind === 'sides') {
      this.face(came.sides);
      return;
    }
    this.settle(came.theirs);
    this.store.getState().rebase(came.job, their);
    this.keep();
  }

  private face(sides: Sides): void {
    this.sides = lookedAt(sides);
    this.onItsWay = undefined;
    this.keep();
    this.tell({ kind: 'sides', sides: this.sides });
  }

  /** Takes off the bench what the server refuses, with what depends on it, and keeps it by its name. */
  private setAside(save: Save, why: string, fields: readonly FieldError[]): void {
    const { job } = this.store.getState();
    const edits = editsBetween(this.saved.job, job);
    const aside = blamed(edits, job, fields);
    this.kept.refuse({ ...save, edits: aside }, why);
    this.onItsWay = undefined;
    const { job: left } = laid(
      this.saved.job,
      edits.filter((edit) => !aside.includes(edit)),
    );
    this.store.getState().rebase(left, []);
    this.keep();
  }

  /** Lays what is not known to be saved on the browser's shelf. */
  private keep(): void {
    try {
      this.kept.keep(this.unsent());
    } catch (error) {
      this.fail(error);
    }
  }

  /** What is on its way, and what came after it. */
  private unsent(): readonly Save[] {
    const first = this.onItsWay;
    const { version, epoch } = this.saved;
    const after = this.drafts.between(first?.job ?? this.saved.job, this.store.getState().job, {
      version: version + (first ? 1 : 0),
      epoch,
    });
    return [...(first ? [first.save] : []), ...(after ? [after] : [])];
  }

  /** Sends what a reload, a crash or a closed tab left over, and shows it. */
  private async takeOver(): Promise<void> {
    const all = await this.kept.read();
    try {
      for (const leftOver of all) {
        for (;;) {
          const waiting = await this.sendLeftOver(leftOver.unsent.saves);
          if (!waiting) break;
          this.waits = true;
          this.tell(waiting);
          await this.pace.pause();
        }
        await this.kept.sent(leftOver);
      }
    } catch (error) {
      this.fail(error);
    }
    this.waits = false;
    this.keep();
    // What was typed meanwhile was not sent, nor will anything call for it.
    if (this.unsaved) this.pace.now();
    if (this.kept.refused.length > 0) this.tell(this.state);
  }

  /** What it waits for, if anything: without that, all of it is saved, or lies on the bench again. */
  private async sendLeftOver(saves: readonly Save[]): Promise<SaveState | undefined> {
    if (saves.length === 0) return undefined;
    const sent = await sendLeftOver(saves, this.world, (save, why) => this.kept.refuse(save, why));
    if (sent.kind === 'waits') return sent.state;
    if (sent.kind === 'stale') {
      this.layLeftOver(sent);
      return undefined;
    }
    const theirs = await this.world.load().catch(() => undefined);
    if (!theirs) return waitingFor(noAnswer());
    const { job } = laid(theirs.document, this.meanwhile());
    this.settle(theirs);
    this.store.getState().rebase(job, []);
    return undefined;
  }

  /** What was typed while what was left over was on its way. */
  private meanwhile(): readonly Edit[] {
    return editsBetween(this.saved.job, this.store.getState().job);
  }

  /** Lays what was left over on what somebody saved meanwhile. */
  private layLeftOver({ answer, saves }: Extract<SentLeftOver, { kind: 'stale' }>): void {
    const left = saves.flatMap(({ edits }) => edits);
    const { job, gaveWay, sides } = laidLeftOver(answer, left, this.meanwhile());
    this.settle(answer.theirs);
    this.store.getState().rebase(job, []);
    this.gaveWay = [...this.gaveWay, ...gaveWay];
    if (sides) this.face(sides);
  }
}

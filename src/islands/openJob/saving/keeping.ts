import type { SaverWorld } from './answers.js';
import type { LeftOver, RefusedStep, Save } from './unsent.js';

/** What this tab keeps in the browser until it is known to be saved, with the steps the server refused. */
export class Keeping {
  /** False where the browser keeps nothing. */
  inBrowser = true;
  refused: readonly RefusedStep[] = [];
  /** Left over on this tab's shelf and not sent yet: it stays before what comes after it. */
  private left: readonly Save[] = [];

  constructor(
    private readonly world: Pick<SaverWorld, 'keep' | 'hold' | 'leftOver'>,
    /** Told once it turns out that the browser keeps nothing. */
    private readonly keepsNothing: () => void,
  ) {}

  /** Lays these on the shelf, after what was left over. */
  keep(saves: readonly Save[]): void {
    const all = [...this.left, ...saves];
    const { refused } = this;
    const unsent = { saves: all, ...(refused.length > 0 ? { refused } : {}) };
    const isEmpty = all.length + refused.length === 0;
    this.world.keep(isEmpty ? undefined : unsent).catch(() => this.giveUp());
  }

  /** What a reload, a crash or a closed tab left over. */
  async read(): Promise<readonly LeftOver[]> {
    try {
      await this.world.hold();
      const leftOver = await this.world.leftOver();
      this.left = leftOver.filter(({ own }) => own).flatMap(({ unsent }) => unsent.saves);
      this.refused = leftOver.flatMap(({ unsent }) => unsent.refused ?? []);
      return leftOver;
    } catch {
      this.giveUp();
      return [];
    }
  }

  /** What was left over has been sent: the next that is kept takes its place. */
  async sent({ own, done }: LeftOver): Promise<void> {
    if (own) this.left = [];
    else await done();
  }

  /** Keeps a refused step by its name, once. */
  refuse(save: Save, why: string): void {
    this.refused = [...this.refused.filter((each) => each.save.id !== save.id), { save, why }];
  }

  letGo(step: RefusedStep): void {
    this.refused = this.refused.filter((each) => each !== step);
  }

  private giveUp(): void {
    if (!this.inBrowser) return;
    this.inBrowser = false;
    this.keepsNothing();
  }
}

/** A save is sent when nothing has changed for so long; what failed is tried again slower and slower (ms). */
const QUIET_MS = 350;
const FIRST_RETRY_MS = 1000;
const SLOWEST_RETRY_MS = 30_000;

/** When it is sent: a while after the last change, and each time twice as late while it fails. */
export class Pace {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private retry = FIRST_RETRY_MS;

  constructor(private readonly send: () => void) {}

  /** Sends once nothing has changed for a while. */
  afterQuiet(): void {
    this.after(QUIET_MS);
  }

  now(): void {
    this.after(0);
  }

  /** Sends again what failed. */
  afterFailure(): void {
    this.after(this.slower());
  }

  /** Waits as long as after a failure, for what is sent by whoever waits. */
  async pause(): Promise<void> {
    const wait = this.slower();
    await new Promise((done) => setTimeout(done, wait));
  }

  /** The next failure is the first again. */
  succeeded(): void {
    this.retry = FIRST_RETRY_MS;
  }

  stop(): void {
    clearTimeout(this.timer);
  }

  private slower(): number {
    const wait = this.retry;
    this.retry = Math.min(SLOWEST_RETRY_MS, wait * 2);
    return wait;
  }

  private after(ms: number): void {
    this.stop();
    this.timer = setTimeout(this.send, ms);
  }
}

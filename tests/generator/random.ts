/** A small generator of random numbers that gives the same for the same seed, everywhere and for good. */
export class Random {
  private state: number;

  constructor(seed: number) {
    this.state = (seed * 2654435761 + 0x9e3779b9) >>> 0;
    this.next();
    this.next();
  }

  /** From 0 up to, not including, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  /** Another generator that follows from where this one stands; this one goes on as if nothing had been asked. */
  fork(): Random {
    return new Random(this.state);
  }

  between(low: number, high: number): number {
    return low + this.next() * (high - low);
  }

  /** A whole number from `low` to `high`, both included. */
  whole(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1));
  }

  chance(share: number): boolean {
    return this.next() < share;
  }

  pick<T>(from: readonly T[]): T {
    return from[Math.floor(this.next() * from.length)] as T;
  }
}

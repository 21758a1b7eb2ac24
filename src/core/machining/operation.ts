import type { Dim } from '../derive/index.js';

/** Which face an operation enters: face 1 is the inside or show face. */
export type Face = 1 | 2;

/** A groove along the whole length or width of a part, cut from a face. */
export interface Groove {
  readonly kind: 'groove';
  readonly face: Face;
  /** The direction the groove runs in. */
  readonly along: 'length' | 'width';
  /** The edge the saw fence or the cutter's guide runs against. */
  readonly from: 'u0' | 'u1' | 'v0' | 'v1';
  /** From that edge to the groove's near wall. */
  readonly offset: Dim;
  readonly width: Dim;
  readonly depth: Dim;
  /** Why it is there. */
  readonly reason: string;
  /** The part that sits in it. */
  readonly holds: string;
}

/** Something cut or bored in a part. */
export type Operation = Groove;

import type { FieldError } from '../core/document/index.js';

/** A request that cannot be met, as a value the client can show: code, one plain sentence, and the fields concerned. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly fields: readonly FieldError[] = [],
    readonly details: Readonly<Record<string, unknown>> = {},
    /** Seconds after which asking again helps. */
    readonly retryAfter?: number,
  ) {
    super(message);
  }
}

import type { FieldError } from '../core/decisions/index.js';

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

/** A document that is not valid, with the first thing wrong with it in the sentence and all of them as fields. */
export function invalid(errors: readonly FieldError[]): Refusal {
  const first = errors[0];
  const place = first?.where || first?.path;
  const where = place ? ` (${place})` : '';
  return new Refusal(422, 'invalid', `${first?.message ?? 'The document is not valid.'}${where}`, errors);
}

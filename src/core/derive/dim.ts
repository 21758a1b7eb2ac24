/**
 * A derived number: what it is worth, what it is called, and the terms it was computed from.
 *
 * A `Dim` is made by doing the arithmetic on other `Dim`s, so the code that computes is the code that explains:
 *
 *     const backWidth = inside.plus(depth.minus(ease).times(2)).as('back width');
 *     backWidth.mm     // 779.4
 *     tape(backWidth)  // inside width 764.4 + (groove depth 8 − ease 0.5) × 2
 *
 * A step without a name is shown inside the step that uses it; a named one is a line of its own that can be opened.
 * Dims are immutable and cheap: one small object per step, no text is built until a tape is asked for.
 */

/** Where a setting's value was decided. */
export type SourceKind = 'here' | 'job' | 'house' | 'measured' | 'nominal' | 'profile' | 'rule';

export interface Source {
  readonly kind: SourceKind;
  /** What stands behind it, for the reader: "mean of 3 readings, batch 2". */
  readonly note?: string;
  /** The decision in the job document that sets it, see `job/edit.ts`. */
  readonly path?: string;
}

export type Operation =
  | 'setting'
  | 'plus'
  | 'minus'
  | 'times'
  | 'over'
  | 'is'
  | 'smallest'
  | 'largest'
  | 'mean'
  | 'power'
  | 'diagonal'
  | 'solved';

/** `mm` for lengths; `plain` for counts, ratios and factors. */
export type Measure = 'mm' | 'plain';

export class Dim {
  constructor(
    /** The value: mm, or a plain number when `measure` is `plain`. Never rounded. */
    readonly mm: number,
    readonly label: string,
    readonly operation: Operation,
    readonly terms: readonly Dim[],
    readonly measure: Measure = 'mm',
    readonly source?: Source,
    /** Why the computation took this way, when there was a choice. */
    readonly reason?: string,
  ) {}

  plus(other: Dim | number): Dim {
    const term = asDim(other, 'mm');
    return new Dim(this.mm + term.mm, '', 'plus', [this, term], this.measure);
  }

  minus(other: Dim | number): Dim {
    const term = asDim(other, 'mm');
    return new Dim(this.mm - term.mm, '', 'minus', [this, term], this.measure);
  }

  times(factor: Dim | number): Dim {
    const term = asDim(factor, 'plain');
    return new Dim(this.mm * term.mm, '', 'times', [this, term], this.measure === 'mm' ? 'mm' : term.measure);
  }

  over(divisor: Dim | number): Dim {
    const term = asDim(divisor, 'plain');
    const measure = this.measure === 'mm' && term.measure === 'mm' ? 'plain' : this.measure;
    return new Dim(this.mm / term.mm, '', 'over', [this, term], measure);
  }

  /** The same value as a plain number, for formulas that are not sums of lengths: sections, loads, weights. */
  bare(): Dim {
    return this.measure === 'plain' ? this : new Dim(this.mm, '', 'is', [this], 'plain');
  }

  /** This number raised to a whole power, for geometric graduation. */
  power(exponent: number): Dim {
    return new Dim(this.mm ** exponent, '', 'power', [this, plain(exponent)], this.measure);
  }

  /** Gives the step a name. Naming a number that already has one makes a new line that says "is". */
  as(label: string): Dim {
    if (this.label === label) return this;
    if (this.label !== '') return new Dim(this.mm, label, 'is', [this], this.measure);
    return new Dim(this.mm, label, this.operation, this.terms, this.measure, this.source, this.reason);
  }

  /** Adds why this way was taken: "the top is stretchers, so the back runs up uncaptured". */
  because(reason: string): Dim {
    const whole = this.reason ? `${this.reason}; ${reason}` : reason;
    return new Dim(this.mm, this.label, this.operation, this.terms, this.measure, this.source, whole);
  }
}

function asDim(value: Dim | number, measure: Measure): Dim {
  return typeof value === 'number' ? new Dim(value, '', 'setting', [], measure) : value;
}

/** A decided length, in mm, with where it was decided. */
export function setting(label: string, mm: number, source: Source): Dim {
  return new Dim(mm, label, 'setting', [], 'mm', source);
}

/** A bare length in mm that a rule fixes and nobody decides, such as the far edge of a line at 0. */
export function length(mm: number, label = ''): Dim {
  return new Dim(mm, label, 'setting', [], 'mm', label ? { kind: 'rule' } : undefined);
}

/** A plain number: a count, a share, a ratio. */
export function plain(value: number, label = '', source?: Source): Dim {
  return new Dim(value, label, 'setting', [], 'plain', source ?? (label ? { kind: 'rule' } : undefined));
}

export function sumOf(terms: readonly Dim[]): Dim {
  const [first, ...rest] = terms;
  return first ? rest.reduce((sum, term) => sum.plus(term), first) : length(0);
}

export function smallest(...terms: readonly Dim[]): Dim {
  return new Dim(Math.min(...terms.map((term) => term.mm)), '', 'smallest', terms, terms[0]?.measure);
}

export function largest(...terms: readonly Dim[]): Dim {
  return new Dim(Math.max(...terms.map((term) => term.mm)), '', 'largest', terms, terms[0]?.measure);
}

export function mean(terms: readonly Dim[]): Dim {
  return new Dim(terms.reduce((sum, term) => sum + term.mm, 0) / terms.length, '', 'mean', terms, 'mm');
}

/** √(a² + b²). */
export function diagonal(a: Dim, b: Dim): Dim {
  return new Dim(Math.hypot(a.mm, b.mm), '', 'diagonal', [a, b], 'mm');
}

/** A number found by search rather than by a formula; `reason` says what it makes true. */
export function solved(label: string, value: number, measure: Measure, terms: readonly Dim[], reason: string): Dim {
  return new Dim(value, label, 'solved', terms, measure, undefined, reason);
}

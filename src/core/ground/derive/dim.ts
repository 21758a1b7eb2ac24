import { addable, combined, type Measure, raised } from './measure.js';

/**
 * A derived number: what it is worth, what it is called, and the terms it was computed from.
 *
 * A `Dim` is made by doing the arithmetic on other `Dim`s, so the code that computes is the code that explains:
 *
 *     const backWidth = inside.plus(depth.minus(ease).times(2)).as('back width');
 *     backWidth.value  // 779.4
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

interface Sourced {
  readonly source?: Source | undefined;
}

/** True for what this very cabinet decides. */
export const decidedHere = ({ source }: Sourced) => source?.kind === 'here';

/** True where neither the job nor the cabinet has decided: what follows from other choices may speak. */
export const byStandard = ({ source }: Sourced) => source?.kind === 'house';

export type Arithmetic =
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
  | 'solved'
  | 'read';

/** Thrown when two numbers are added that are not measured alike: a mistake in a formula, not in a document. */
export class MeasureError extends Error {}

export class Dim {
  constructor(
    /** What it is worth in its measure: mm for a length, kg for a weight. Never rounded. */
    readonly value: number,
    readonly label: string,
    readonly operation: Arithmetic,
    readonly terms: readonly Dim[],
    readonly measure: Measure = 'mm',
    readonly source?: Source,
    /** Why the computation took this way, when there was a choice. */
    readonly reason?: string,
    /** The name it keeps whatever its label says: `side/left.length`. Facts are laid over it by this. */
    readonly address?: string,
  ) {}

  plus(other: Dim | number): Dim {
    const term = this.alike(other);
    return new Dim(this.value + term.value, '', 'plus', [this, term], this.measure);
  }

  minus(other: Dim | number): Dim {
    const term = this.alike(other);
    return new Dim(this.value - term.value, '', 'minus', [this, term], this.measure);
  }

  times(factor: Dim | number): Dim {
    const term = asDim(factor);
    return new Dim(this.value * term.value, '', 'times', [this, term], combined(this.measure, term.measure, 1));
  }

  over(divisor: Dim | number): Dim {
    const term = asDim(divisor);
    return new Dim(this.value / term.value, '', 'over', [this, term], combined(this.measure, term.measure, -1));
  }

  /** This number raised to a whole power. */
  power(exponent: number): Dim {
    return new Dim(this.value ** exponent, '', 'power', [this, asDim(exponent)], raised(this.measure, exponent));
  }

  private alike(other: Dim | number): Dim {
    if (typeof other === 'number') return new Dim(other, '', 'setting', [], this.measure);
    if (other.measure !== this.measure && !addable(this.measure, other.measure))
      throw new MeasureError(
        `${this.label || 'a number'} in ${this.measure} and ${other.label || 'a number'} in ${other.measure} cannot be added`,
      );
    return other;
  }

  /**
   * Gives the step a name, and an address where it has one of its own. Naming a number that already has a name makes a
   * new line that says "is"; the number it stands for keeps its address.
   */
  as(label: string, address?: string): Dim {
    if (this.label === label) return address === undefined ? this : this.at(address);
    if (this.label !== '') return new Dim(this.value, label, 'is', [this], this.measure, undefined, undefined, address);
    const { value: mm, operation, terms, measure, source, reason } = this;
    return new Dim(mm, label, operation, terms, measure, source, reason, address ?? this.address);
  }

  /** The same number under an address that stays. */
  at(address: string): Dim {
    if (this.address === address) return this;
    return new Dim(this.value, this.label, this.operation, this.terms, this.measure, this.source, this.reason, address);
  }

  /** Adds why this way was taken: "the top is stretchers, so the back runs up uncaptured". */
  because(reason: string): Dim {
    const whole = this.reason ? `${this.reason}; ${reason}` : reason;
    return new Dim(this.value, this.label, this.operation, this.terms, this.measure, this.source, whole, this.address);
  }
}

/** Terms of numbers that have none. */
const NONE: readonly Dim[] = [];

/** Small whole numbers stand in many formulas: two sides, three gaps. */
const WHOLE = Array.from({ length: 33 }, (_, value) => new Dim(value, '', 'setting', NONE, 'plain'));

function asDim(value: Dim | number): Dim {
  if (typeof value !== 'number') return value;
  return WHOLE[value] ?? new Dim(value, '', 'setting', NONE, 'plain');
}

/** A decided length, in mm, with where it was decided. */
export function setting(label: string, mm: number, source: Source): Dim {
  return new Dim(mm, label, 'setting', [], 'mm', source);
}

/** A bare length in mm that a rule fixes and nobody decides, such as the far edge of a line at 0. */
export function length(mm: number, label = ''): Dim {
  return new Dim(mm, label, 'setting', [], 'mm', label ? { kind: 'rule' } : undefined);
}

/** A number in any measure that a rule fixes or a material has. */
export function quantity(value: number, measure: Measure, label: string, source?: Source): Dim {
  return new Dim(value, label, 'setting', [], measure, source ?? { kind: 'rule' });
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
  return new Dim(Math.min(...terms.map((term) => term.value)), '', 'smallest', terms, terms[0]?.measure);
}

export function largest(...terms: readonly Dim[]): Dim {
  return new Dim(Math.max(...terms.map((term) => term.value)), '', 'largest', terms, terms[0]?.measure);
}

export function mean(terms: readonly Dim[]): Dim {
  return new Dim(terms.reduce((sum, term) => sum + term.value, 0) / terms.length, '', 'mean', terms, terms[0]?.measure);
}

/** √(a² + b²). */
export function diagonal(a: Dim, b: Dim): Dim {
  return new Dim(Math.hypot(a.value, b.value), '', 'diagonal', [a, b], a.measure);
}

/** A number found by search rather than by a formula; `reason` says what it makes true. */
export function solved(label: string, value: number, measure: Measure, terms: readonly Dim[], reason: string): Dim {
  return new Dim(value, label, 'solved', terms, measure, undefined, reason);
}

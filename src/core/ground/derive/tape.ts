import type { Dim, Source } from './dim.js';
import type { Measure } from './measure.js';

/** A piece of a written-out computation: a number that can be opened, or the signs between numbers. */
export type Token = { readonly kind: 'number'; readonly dim: Dim } | { readonly kind: 'sign'; readonly text: string };

/** One line of the tape: `+ inside width 764.4`, `− ease 0.5 × 2`. */
export interface TapeLine {
  readonly sign: '' | '+' | '−';
  /** The value that is added or taken away, in mm (or plain). */
  readonly dim: Dim;
  /** The line written out, for a line that is itself a small computation. */
  readonly tokens: readonly Token[];
}

export interface Tape {
  readonly dim: Dim;
  /** Words before the lines where it is not a plain sum: "the smallest of", "found by search". */
  readonly manner: string;
  readonly lines: readonly TapeLine[];
}

const MANNER: Partial<Record<Dim['operation'], string>> = {
  smallest: 'the smallest of',
  largest: 'the largest of',
  mean: 'the mean of',
  diagonal: 'the diagonal of',
  solved: 'found so that it closes, from',
  read: 'as it was measured, instead of',
};

const isStep = (dim: Dim) => dim.label === '' && dim.terms.length > 0;
const isSum = (dim: Dim) => dim.operation === 'plus' || dim.operation === 'minus';

/** The lines a number is the total of. A setting has none: it was decided, not computed. */
export function tape(dim: Dim): Tape {
  return { dim, manner: MANNER[dim.operation] ?? '', lines: linesOf(dim) };
}

function linesOf(dim: Dim): TapeLine[] {
  if (isSum(dim))
    return flatten(dim, 1).map(({ sign, term }, at) => line(term, at === 0 && sign > 0 ? '' : sign > 0 ? '+' : '−'));
  if (MANNER[dim.operation]) return dim.terms.map((term) => line(term, ''));
  if (dim.terms.length === 0) return [];
  return [{ sign: '', dim, tokens: operationTokens(dim) }];
}

function line(term: Dim, sign: TapeLine['sign']): TapeLine {
  return { sign, dim: term, tokens: tokensOf(term, 1) };
}

/** Unnamed sums inside a sum are part of it. */
function flatten(dim: Dim, sign: 1 | -1): { sign: 1 | -1; term: Dim }[] {
  const [left, right] = dim.terms as [Dim, Dim];
  const rightSign = dim.operation === 'minus' ? (-sign as 1 | -1) : sign;
  const side = (term: Dim, own: 1 | -1) => (isStep(term) && isSum(term) ? flatten(term, own) : [{ sign: own, term }]);
  return [...side(left, sign), ...side(right, rightSign)];
}

const BINDING: Partial<Record<Dim['operation'], number>> = { plus: 1, minus: 1, times: 2, over: 2, power: 3 };
const SIGN: Partial<Record<Dim['operation'], string>> = {
  plus: ' + ',
  minus: ' − ',
  times: ' × ',
  over: ' ÷ ',
  power: ' ^ ',
};

/** A named number stands as itself; a step is written out, in brackets where it binds looser than its place. */
function tokensOf(dim: Dim, binding: number): Token[] {
  if (!isStep(dim)) return [{ kind: 'number', dim }];
  const own = BINDING[dim.operation] ?? 9;
  const inner = operationTokens(dim);
  return own < binding ? [sign('('), ...inner, sign(')')] : inner;
}

function operationTokens(dim: Dim): Token[] {
  const [left, right] = dim.terms;
  const binding = BINDING[dim.operation];
  if (binding && left && right) {
    return [...tokensOf(left, binding), sign(SIGN[dim.operation] ?? ''), ...tokensOf(right, binding + 1)];
  }
  if (dim.operation === 'is' && left) return tokensOf(left, 0);
  const list = dim.terms.flatMap((term, at) => [...(at > 0 ? [sign(', ')] : []), ...tokensOf(term, 0)]);
  return [sign(`${MANNER[dim.operation] ?? dim.operation} (`), ...list, sign(')')];
}

function sign(text: string): Token {
  return { kind: 'sign', text };
}

/** The computation on one line: `inside width 764.4 + (groove depth 8 − ease 0.5) × 2`. */
export function tapeText(dim: Dim, show: (value: number, measure: Measure) => string): string {
  const write = (tokens: readonly Token[]) =>
    tokens
      .map((token) =>
        token.kind === 'sign'
          ? token.text
          : [token.dim.label, show(token.dim.value, token.dim.measure)].filter(Boolean).join(' '),
      )
      .join('');
  const { manner, lines } = tape(dim);
  if (lines.length === 0) return show(dim.value, dim.measure);
  const separator = manner ? ', ' : ' ';
  const body = lines
    .map((entry) => (entry.sign ? `${entry.sign} ${write(entry.tokens)}` : write(entry.tokens)))
    .join(separator);
  return manner ? `${manner} ${body}` : body;
}

/** One derivation as plain data, for export. Shared terms appear once and are referred to by id. */
export interface Derivation {
  /** The name the number keeps, where it has one: unique within its cabinet. */
  readonly address?: string;
  readonly label: string;
  readonly value: number;
  readonly measure: Measure;
  readonly says?: string;
  readonly reason?: string;
  readonly source?: Source;
  readonly terms?: readonly string[];
}

/** Collects derivations as a table, whoever they are of. */
export class DerivationTable {
  readonly entries: Record<string, Derivation> = {};
  private written = 0;

  constructor(private readonly show: (value: number, measure: Measure) => string) {}

  /**
   * What returns the id under which a number is written down, each number once. Results that several share are written
   * for each of them: `says` tells where a number was decided, for the one it is read as.
   */
  of(says: (source: Source) => Source): (dim: Dim) => string {
    const ids = new Map<Dim, string>();
    return (dim) => this.refer(dim, ids, says);
  }

  private refer(dim: Dim, ids: Map<Dim, string>, says: (source: Source) => Source): string {
    const known = ids.get(dim);
    if (known) return known;
    this.written += 1;
    const id = `d${this.written}`;
    ids.set(dim, id);
    const named = namedTerms(dim).map((term) => this.refer(term, ids, says));
    this.entries[id] = {
      label: dim.label,
      ...(dim.address ? { address: dim.address } : {}),
      value: roundForExport(dim.value),
      measure: dim.measure,
      ...(dim.terms.length > 0 ? { says: tapeText(dim, this.show) } : {}),
      ...(dim.reason ? { reason: dim.reason } : {}),
      ...(dim.source ? { source: says(dim.source) } : {}),
      ...(named.length > 0 ? { terms: named } : {}),
    };
    return id;
  }
}

/** The named numbers a computation stands on, looking through unnamed steps. Each once. */
export function namedTerms(dim: Dim): Dim[] {
  const found = new Set<Dim>();
  const walk = (term: Dim) => {
    if (isStep(term)) term.terms.forEach(walk);
    else if (term.label !== '') found.add(term);
  };
  dim.terms.forEach(walk);
  return [...found];
}

/**
 * What a term is followed by when its tape is opened: its address, or its label and which of that label it is, so that two
 * terms of one label lead to two tapes.
 */
export function termKey(dim: Dim, term: Dim): string {
  if (term.address) return term.address;
  const alike = namedTerms(dim).filter(({ label, address }) => !address && label === term.label);
  const at = alike.indexOf(term);
  return at > 0 ? `${term.label}#${at + 1}` : term.label;
}

/** The term a key leads to; undefined once it is gone. */
export function followTerm(dim: Dim, key: string): Dim | undefined {
  return namedTerms(dim).find((term) => termKey(dim, term) === key);
}

/** Settles floating point noise in exports without losing anything a maker could measure. */
export function roundForExport(value: number): number {
  const rounded = Math.round(value * 1e6) / 1e6;
  return rounded === 0 ? 0 : rounded;
}

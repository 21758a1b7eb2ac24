import { type LengthUnit, MM_PER_INCH } from './length.js';

export type ParsedLength =
  | { readonly ok: true; readonly mm: number }
  | { readonly ok: false; readonly message: string };

export interface ParseContext {
  /** The unit of a bare number. */
  readonly unit: LengthUnit;
  /** Names that may stand in the entry, in mm: `=side/2`. */
  readonly names?: Readonly<Record<string, number>>;
}

/** A value on the way: a bare number (takes the job's unit at the end) or a length in mm. */
interface Quantity {
  readonly value: number;
  readonly length: boolean;
}

type Token =
  | { readonly kind: 'quantity'; readonly quantity: Quantity }
  | { readonly kind: 'operator'; readonly sign: '+' | '-' | '*' | '/' | '(' | ')' }
  | { readonly kind: 'name'; readonly name: string };

class EntryError extends Error {}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

const UNIT_MM: Readonly<Record<string, number>> = {
  mm: 1,
  millimetre: 1,
  millimetres: 1,
  cm: 10,
  centimetre: 10,
  centimetres: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
  foot: 12 * MM_PER_INCH,
  feet: 12 * MM_PER_INCH,
  "'": 12 * MM_PER_INCH,
};
const FOOT = 12 * MM_PER_INCH;

const NUMBER = /^(\d+(?:\.\d+)?|\.\d+)/;
const MIXED_SPACED = /^(\d+)\s+(\d+)\s*\/\s*(\d+)/;
const MIXED_HYPHEN = /^(\d+)-(\d+)\/(\d+)/;
const FRACTION = /^(\d+)\/(\d+)(?=\s*(?:"|''|in\b|inch|$|\)|\+|-|less\b|plus\b))/;
const UNIT = /^\s*(millimetres?|centimetres?|mm|cm|inches|inch|in(?![a-z])|feet|foot|ft|m(?![a-z])|''|"|')/;
const NAME = /^[a-z][a-z]*(?: ?[a-z]+)*/;
const RULE_DENOMINATORS = new Set([2, 4, 8, 16, 32, 64, 128]);

function normalise(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[“”″]/g, '"')
    .replace(/[‘’′]/g, "'")
    .replace(/''/g, '"')
    .replace(/[×·✕]|(?<=\d)\s*x\s*(?=[\d(])/g, '*')
    .replace(/÷/g, '/')
    .replace(/[−–—]/g, '-')
    .replace(/⁄/g, '/')
    .replace(/(\d)?([½¼¾⅛⅜⅝⅞⅓⅔])/g, (_all, before: string | undefined, glyph: string) =>
      before ? `${before} ${VULGAR[glyph]}` : (VULGAR[glyph] ?? glyph),
    )
    .replace(/^=/, '')
    .trim();
}

/** Reads the number at the head of `rest`: decimal, fraction or mixed number. */
function readNumber(rest: string): { value: number; taken: number } | undefined {
  const hyphen = MIXED_HYPHEN.exec(rest);
  if (hyphen) {
    const [all, whole, top, under] = hyphen;
    // `23-3/4` is a mixed number, `600-18/2` is a subtraction: only a proper fraction of a rule counts as mixed.
    if (Number(top) < Number(under) && RULE_DENOMINATORS.has(Number(under)))
      return { value: Number(whole) + Number(top) / Number(under), taken: all.length };
  }
  const spaced = MIXED_SPACED.exec(rest);
  if (spaced) {
    const [all, whole, top, under] = spaced;
    if (Number(under) === 0) throw new EntryError('A fraction cannot have 0 under the line.');
    return { value: Number(whole) + Number(top) / Number(under), taken: all.length };
  }
  const fraction = FRACTION.exec(rest);
  if (fraction) {
    const [all, top, under] = fraction;
    if (Number(under) === 0) throw new EntryError('A fraction cannot have 0 under the line.');
    return { value: Number(top) / Number(under), taken: all.length };
  }
  const plain = NUMBER.exec(rest);
  if (!plain) return undefined;
  let text = plain[0];
  const comma = /^(\d+),(\d+)/.exec(rest);
  if (comma) {
    if ((comma[2] ?? '').length === 3)
      throw new EntryError(
        `"${comma[0]}" can be read two ways: write ${comma[1]}${comma[2]} or ${comma[1]}.${comma[2]}.`,
      );
    text = comma[0];
  }
  return { value: Number(text.replace(',', '.')), taken: text.length };
}

function readQuantity(text: string): { quantity: Quantity; taken: number } | undefined {
  const number = readNumber(text);
  if (!number) return undefined;
  let taken = number.taken;
  const unit = UNIT.exec(text.slice(taken));
  if (!unit) return { quantity: { value: number.value, length: false }, taken };
  const perUnit = UNIT_MM[unit[1] === "''" ? '"' : (unit[1] ?? '')] ?? 1;
  taken += unit[0].length;
  let mm = number.value * perUnit;
  if (perUnit === FOOT) {
    // Inches may follow feet directly: 1' 6 1/2", 1'-6, 1 ft 6 in.
    const link = /^(?:\s*-(?=\d)|\s+|)(?=[\d.])/.exec(text.slice(taken));
    const inchPart = link ? readNumber(text.slice(taken + link[0].length)) : undefined;
    if (link && inchPart) {
      const after = taken + link[0].length + inchPart.taken;
      const inchUnit = UNIT.exec(text.slice(after));
      const inchMark = inchUnit && UNIT_MM[inchUnit[1] ?? ''] === MM_PER_INCH ? inchUnit[0].length : 0;
      if (!inchUnit || inchMark > 0) {
        mm += inchPart.value * MM_PER_INCH;
        taken = after + inchMark;
      }
    }
  }
  return { quantity: { value: mm, length: true }, taken };
}

function tokenise(text: string, context: ParseContext): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    const rest = text.slice(at);
    const space = /^\s+/.exec(rest);
    if (space) {
      at += space[0].length;
      continue;
    }
    const quantity = readQuantity(rest);
    if (quantity) {
      tokens.push({ kind: 'quantity', quantity: quantity.quantity });
      at += quantity.taken;
      continue;
    }
    const sign = rest[0] as string;
    if ('+-*/()'.includes(sign)) {
      tokens.push({ kind: 'operator', sign: sign as '+' });
      at += 1;
      continue;
    }
    const word = NAME.exec(rest)?.[0].trim();
    if (word) {
      const operator = /^(less|minus|plus)\b/.exec(word)?.[1];
      if (operator) {
        tokens.push({ kind: 'operator', sign: operator === 'plus' ? '+' : '-' });
        at += operator.length;
        continue;
      }
      const known = longestName(word, context.names ?? {});
      if (!known) throw new EntryError(unknownName(word, context));
      tokens.push({ kind: 'name', name: known });
      at += known.length;
      continue;
    }
    throw new EntryError(`"${sign}" does not belong in a size. ${expectation(context.unit)}`);
  }
  return tokens;
}

function longestName(word: string, names: Readonly<Record<string, number>>): string | undefined {
  return Object.keys(names)
    .filter((name) => word === name || word.startsWith(`${name} `))
    .sort((a, b) => b.length - a.length)[0];
}

function unknownName(word: string, context: ParseContext): string {
  const names = Object.keys(context.names ?? {});
  const known = names.length > 0 ? ` Names you can use here: ${names.join(', ')}.` : ` ${expectation(context.unit)}`;
  return `"${word}" is not a unit or a name Alcove knows.${known}`;
}

export function expectation(unit: LengthUnit): string {
  return unit === 'mm'
    ? 'Type a size such as 595, 59.5 cm, 23 3/4" or 600 - 2*18.'
    : 'Type a size such as 23 3/4, 1\' 6 1/2", 595 mm or 36 - 2*3/4.';
}

/** Recursive descent over the tokens: sum of products of atoms. */
class Reader {
  private at = 0;
  constructor(
    private readonly tokens: readonly Token[],
    private readonly context: ParseContext,
  ) {}

  read(): Quantity {
    const value = this.sum();
    if (this.at < this.tokens.length)
      throw new EntryError(`Two sizes stand side by side with nothing between them. ${expectation(this.context.unit)}`);
    return value;
  }

  private take(...signs: string[]): string | undefined {
    const token = this.tokens[this.at];
    if (token?.kind !== 'operator' || !signs.includes(token.sign)) return undefined;
    this.at += 1;
    return token.sign;
  }

  private mm(quantity: Quantity): number {
    if (quantity.length) return quantity.value;
    return this.context.unit === 'in' ? quantity.value * MM_PER_INCH : quantity.value;
  }

  private sum(): Quantity {
    let left = this.product();
    for (let sign = this.take('+', '-'); sign; sign = this.take('+', '-')) {
      const right = this.product();
      const factor = sign === '+' ? 1 : -1;
      // A bare number beside a length takes the job's unit: 600 mm - 20.
      left =
        left.length || right.length
          ? { value: this.mm(left) + factor * this.mm(right), length: true }
          : { value: left.value + factor * right.value, length: false };
    }
    return left;
  }

  private product(): Quantity {
    let left = this.atom();
    for (let sign = this.take('*', '/'); sign; sign = this.take('*', '/')) {
      const right = this.atom();
      if (sign === '*') {
        if (left.length && right.length)
          throw new EntryError('Two lengths multiplied give an area. Multiply a length by a plain number: 2*18 mm.');
        left = { value: left.value * right.value, length: left.length || right.length };
      } else {
        if (right.value === 0) throw new EntryError('This divides by 0.');
        if (right.length && !left.length) throw new EntryError('A plain number cannot be divided by a length.');
        left = { value: left.value / right.value, length: left.length && !right.length };
      }
    }
    return left;
  }

  private atom(): Quantity {
    if (this.take('-')) {
      const inner = this.atom();
      return { value: -inner.value, length: inner.length };
    }
    if (this.take('+')) return this.atom();
    if (this.take('(')) {
      const inner = this.sum();
      if (!this.take(')')) throw new EntryError('A bracket is opened and not closed.');
      return inner;
    }
    const token = this.tokens[this.at];
    if (token?.kind === 'quantity') {
      this.at += 1;
      return token.quantity;
    }
    if (token?.kind === 'name') {
      this.at += 1;
      return { value: this.context.names?.[token.name] ?? 0, length: true };
    }
    throw new EntryError(
      token ? `A size is missing before "${(token as { sign: string }).sign}".` : 'A size is missing at the end.',
    );
  }
}

/**
 * Reads a size as a maker types it: `23 3/4`, `23-3/4"`, `1' 6 1/2"`, `595`, `59.5 cm`, `600 - 2*18`, `=side/2`,
 * `18 3/8 less 1/32`.
 *
 * @param text what was typed
 * @param context the unit of bare numbers and the names that may be used
 * @returns the length in mm, or one plain sentence that says what was expected
 */
export function parseLength(text: string, context: ParseContext): ParsedLength {
  const clean = normalise(text);
  if (clean === '') return { ok: false, message: `Nothing was typed. ${expectation(context.unit)}` };
  if (clean.length > 200) return { ok: false, message: 'This is too long to be a size.' };
  try {
    const value = new Reader(tokenise(clean, context), context).read();
    const mm = value.length ? value.value : context.unit === 'in' ? value.value * MM_PER_INCH : value.value;
    if (!Number.isFinite(mm)) return { ok: false, message: 'This number is too large to be a size.' };
    return { ok: true, mm };
  } catch (error) {
    if (error instanceof EntryError) return { ok: false, message: error.message };
    throw error;
  }
}

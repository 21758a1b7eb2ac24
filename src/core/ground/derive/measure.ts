/**
 * What a number is measured in. A length times a length is an area, a weight per volume times a volume is a weight; two
 * numbers are added only when they are measured alike.
 */
export type Measure =
  | 'mm'
  | 'mm2'
  | 'mm3'
  | 'mm4'
  | 'm3'
  | 'kg'
  | 'kg/m'
  | 'kg/m3'
  | 'N/mm'
  | 'N/mm2'
  | 'degrees'
  | 'count'
  | 'plain'
  /** Any other product of these, met on the way to one of them. */
  | (string & { readonly product?: never });

type Powers = Readonly<Record<string, number>>;

const powers = new Map<string, Powers>();

/** `kg/m3` as powers: kg 1, m −3. Counts and plain numbers have none. */
function powersOf(measure: Measure): Powers {
  const known = powers.get(measure);
  if (known) return known;
  const found: Record<string, number> = {};
  if (measure !== 'plain' && measure !== 'count') {
    const [above = '', below = ''] = measure.split('/');
    for (const [part, sign] of [
      [above, 1],
      [below, -1],
    ] as const)
      for (const unit of part.split(' ').filter((word) => word !== '' && word !== '1')) {
        const [, name = unit, power = '1'] = /^([a-zA-Z]+)(\d*)$/.exec(unit) ?? [];
        found[name] = (found[name] ?? 0) + sign * Number(power || 1);
      }
  }
  powers.set(measure, found);
  return found;
}

function written(of: Powers): Measure {
  const side = (sign: 1 | -1) =>
    Object.entries(of)
      .filter(([, power]) => power * sign > 0)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([unit, power]) => (Math.abs(power) === 1 ? unit : `${unit}${Math.abs(power)}`))
      .join(' ');
  const [above, below] = [side(1), side(-1)];
  if (above === '' && below === '') return 'plain';
  return below === '' ? above : `${above || '1'}/${below}`;
}

const products = new Map<string, Measure>();

/** The measure of a product (sign 1) or of a quotient (sign −1). */
export function combined(a: Measure, b: Measure, sign: 1 | -1): Measure {
  if (b === 'plain' || b === 'count') return a === 'count' ? 'plain' : a;
  const key = `${a}|${b}|${sign}`;
  const known = products.get(key);
  if (known !== undefined) return known;
  const sum: Record<string, number> = { ...powersOf(a) };
  for (const [unit, power] of Object.entries(powersOf(b))) sum[unit] = (sum[unit] ?? 0) + sign * power;
  const measure = written(sum);
  products.set(key, measure);
  return measure;
}

/** The measure of a whole power. */
export function raised(measure: Measure, exponent: number): Measure {
  if (measure === 'plain' || measure === 'count') return 'plain';
  return written(
    Object.fromEntries(Object.entries(powersOf(measure)).map(([unit, power]) => [unit, power * exponent])),
  );
}

/** True when two numbers may be added: counts count as plain numbers. */
export function addable(a: Measure, b: Measure): boolean {
  const plain = (measure: Measure) => (measure === 'count' ? 'plain' : measure);
  return plain(a) === plain(b);
}

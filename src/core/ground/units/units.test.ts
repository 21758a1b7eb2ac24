import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { formatLength, formatMm, GRADUATIONS, inches, type LengthStyle, parseLength } from './index.js';

const near = (actual: number, expected: number, within = 1e-9) =>
  assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

function read(text: string, unit: 'mm' | 'in' = 'mm', names: Record<string, number> = {}): number {
  const result = parseLength(text, { unit, names });
  assert.ok(result.ok, `${text}: ${result.ok ? '' : result.message}`);
  return result.mm;
}

function refusal(text: string, unit: 'mm' | 'in' = 'mm', names: Record<string, number> = {}): string {
  const result = parseLength(text, { unit, names });
  assert.ok(!result.ok, `${text} was read as ${result.ok ? result.mm : ''}`);
  return result.message;
}

test('sizes are read the ways makers type them', () => {
  const table: [string, 'mm' | 'in', number][] = [
    ['595', 'mm', 595],
    ['595 mm', 'in', 595],
    ['59.5 cm', 'mm', 595],
    ['59,5cm', 'mm', 595],
    ['1.2 m', 'mm', 1200],
    ['23 3/4', 'in', inches(23.75)],
    ['23-3/4"', 'mm', inches(23.75)],
    ['23¾', 'in', inches(23.75)],
    ['3/4', 'in', inches(0.75)],
    ['3/4"', 'mm', inches(0.75)],
    ['.5', 'in', inches(0.5)],
    [`1' 6 1/2"`, 'mm', inches(18.5)],
    [`1'-6 1/2"`, 'in', inches(18.5)],
    [`1'6`, 'in', inches(18)],
    ['1 ft 6 in', 'mm', inches(18)],
    [`2'`, 'mm', inches(24)],
    [`7' - 2*3/4`, 'in', inches(84 - 1.5)],
    ['600 - 2*18', 'mm', 564],
    ['600-2×18', 'mm', 564],
    ['600-18/2', 'mm', 591],
    ['(600 - 36) / 2', 'mm', 282],
    ['800/3', 'mm', 800 / 3],
    ['36 in - 20', 'mm', inches(36) - 20],
    ['-12', 'mm', -12],
    ['18 3/8 less 1/32', 'in', inches(18.375 - 1 / 32)],
    ['18 3/8 plus 1/64', 'in', inches(18.375 + 1 / 64)],
    ['2 x 18', 'mm', 36],
    ['3 3/4 in', 'mm', inches(3.75)],
    ['10 1/2 - 3/4', 'in', inches(9.75)],
  ];
  for (const [text, unit, mm] of table) near(read(text, unit), mm);
});

test('names stand for sizes', () => {
  near(read('=side/2', 'mm', { side: 720 }), 360);
  near(read('inside width - 3', 'mm', { 'inside width': 764.4, inside: 1 }), 761.4);
  near(read('width/2', 'in', { width: inches(30) }), inches(15));
});

test('what cannot be read is refused with one sentence that says what was expected', () => {
  for (const text of [
    '',
    '   ',
    'abc',
    '12 bananas',
    '600 -',
    '(600',
    '12 13',
    '1/0',
    '5/0 in',
    '3*',
    '18 mm * 18 mm',
    '12 @ 3',
    '2 / 3 mm',
    '1,200',
  ])
    assert.match(refusal(text), /\.$/, text);
  assert.match(refusal('1,200'), /1200 or 1\.200/);
  assert.match(refusal('side', 'mm', { width: 1 }), /width/);
  assert.match(refusal('9'.repeat(400)), /too long/);
});

test('inches are shown at the graduation with the signed remainder, ties to the larger mark', () => {
  const style: LengthStyle = { unit: 'in', mmStep: 0.1, graduation: 16 };
  const table: [number, string][] = [
    [764.381, '30 1/8 less 1/32'],
    [396.875, '15 5/8'],
    [752.475, '29 5/8'],
    [inches(18 + 11 / 32), '18 3/8 less 1/32'],
    [inches(1 / 64), '1/64'],
    [inches(1 / 16 + 1 / 64), '1/16 plus 1/64'],
    [inches(3 / 4), '3/4'],
    [inches(12), '12'],
    [-inches(1.5), '-1 1/2'],
    [0, '0'],
    [inches(31 / 32), '1 less 1/32'],
  ];
  for (const [mm, text] of table) assert.equal(formatLength(mm, style), text);
});

test('millimetres are shown to the step without idle zeros', () => {
  assert.equal(formatMm(764.4), '764.4');
  assert.equal(formatMm(800), '800');
  assert.equal(formatMm(17.85, 0.1), '17.9');
  assert.equal(formatMm(17.74, 0.5), '17.5');
  assert.equal(formatMm(-0.01), '0');
  assert.equal(formatMm(100, 1), '100');
});

const styles: fc.Arbitrary<LengthStyle> = fc.record({
  unit: fc.constantFrom('mm' as const, 'in' as const),
  mmStep: fc.constantFrom(0.1, 0.5, 1),
  graduation: fc.constantFrom(...GRADUATIONS),
});

test('what is printed can be typed again and gives the value within half a step', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 6000, noNaN: true }), styles, (mm, style) => {
      const back = read(formatLength(mm, style), style.unit);
      // Inches carry their remainder to 1/64, so they come back to half of that whatever the graduation.
      near(back, mm, (style.unit === 'mm' ? style.mmStep : inches(1 / 64)) / 2 + 1e-4);
    }),
  );
});

test('switching the unit of display never changes a size', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 60000 }), (tenths) => {
      const mm = tenths / 10;
      near(read(`${mm} mm`, 'in'), read(String(mm), 'mm'));
      near(read(`${mm / 25.4}`, 'in'), mm, 1e-6);
    }),
  );
});

test('no text makes the reader throw', () => {
  const scraps = fc.array(
    fc.constantFrom(
      '1',
      '23',
      '/',
      '-',
      '+',
      '*',
      '(',
      ')',
      ' ',
      '"',
      "'",
      'ft',
      'in',
      'mm',
      '½',
      ',',
      '.',
      'less',
      'x',
      'side',
      '=',
    ),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        scraps.map((list) => list.join('')),
      ),
      (text) => {
        const result = parseLength(text, { unit: 'mm', names: { side: 18 } });
        assert.ok(result.ok ? Number.isFinite(result.mm) : result.message.length > 10);
      },
    ),
  );
});

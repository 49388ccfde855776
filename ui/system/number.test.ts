import fc from 'fast-check';
import { readNumber } from './number';

const wide = { min: 0, max: 3_000_000 };
const value = (text: string, bounds = wide, group = ',') => {
  const read = readNumber(text, bounds, group);
  return read.kind === 'value' ? read.value : read.kind === 'wrong' ? read.words : null;
};

test.each([
  ['', null],
  ['   ', null],
  ['12', 12],
  ['12.5', 12.5],
  ['12,5', 12.5],
  ['12 500,5', 12500.5],
  ['1’234’567', 1234567],
  ['1,234,567', 1234567],
  ['1.234.567', 1234567],
  ['1,234.5', 1234.5],
  ['1.234,5', 1234.5],
  ['.5', 0.5],
  ['0,125', 0.125],
  ['214,000', 214000],
  ['-3', 'Between 0 and 3000000.'],
  ['1.2.3', 'Type a plain number.'],
  ['1,23,456', 'Type a plain number.'],
  ['12a', 'Type a plain number.'],
  ['1e5', 'Type a plain number.'],
  ['.', 'Type a plain number.'],
  ['NaN', 'Type a plain number.'],
])('"%s" is read as %s', (text, expected) => expect(value(text)).toBe(expected));

test('one sign with three digits behind it is never cut down to a number a thousand times smaller', () => {
  expect(value('214.000')).toMatch(/Is it 214 or 214000/);
  expect(value('6.500')).toMatch(/Is it 6.5 or 6500/);
  // Where thousands are written with points, it is the comma that is asked about.
  expect(value('214.000', wide, '.')).toBe(214000);
  expect(value('6,500', wide, '.')).toMatch(/Is it 6.5 or 6500/);
});

test('the limits of a field decide where only one reading can be meant', () => {
  expect(value('1.650', { min: 0.2, max: 12 })).toBe(1.65);
  expect(value('2.013', { min: 1950, max: 2100 })).toBe(2013);
});

test('a field of whole numbers takes no part of one', () => {
  const whole = { ...wide, whole: true };
  expect(value('12,5', whole)).toBe('A whole number.');
  expect(value('214.000', whole)).toMatch(/Is it/);
});

test('every number comes back from the way it is written in the shop and elsewhere', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 2_999_999 }),
      fc.integer({ min: 0, max: 99 }),
      (whole, hundredths) => {
        const number = whole + hundredths / 100;
        for (const locale of ['en-IE', 'de-DE', 'de-CH', 'sv-SE']) {
          const text = number.toLocaleString(locale, { minimumFractionDigits: 2 });
          expect(value(text)).toBeCloseTo(number, 6);
        }
      },
    ),
  );
});

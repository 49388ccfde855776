import type { Finding } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { Subject } from '../subjects';
import { measure, measured, measureOf } from './measure';
import type { MeasureField } from './measure';

const field = (more: Partial<MeasureField> = {}): MeasureField => ({
  kind: 'measure',
  limit: 'end-play',
  unit: 'mm',
  min: 0,
  max: 5,
  ...more,
});
const subject = { head: 'part', ids: ['shaft'] } as unknown as Subject;
const limited = (limit: object) =>
  ({ specs: [{ kind: 'end-play', part: 'shaft', ...limit }] }) as unknown as UnitDefinition;
const both = limited({ min: 0.0002, max: 0.0006 });
const at = (is: Finding['is'], unit = both, of = field(), more: object = {}) =>
  measured(of, { unit, subject, finding: { is, ...more } });

test('is said to be a number, and of nothing else', () => {
  const own = field();
  expect(measureOf({ field: own })).toBe(own);
  expect(measureOf({ field: { kind: 'words' } })).toBeNull();
});

test.each([
  [0.19, 'under', 2],
  [0.2, 'in', 0],
  [0.6, 'in', 0],
  [0.61, 'over', 2],
])('%d mm against 0.20 to 0.60 is %s', (is, level, severity) => {
  expect(at(is)).toMatchObject({ level, severity, value: is * 1e-3, limit: { min: 0.0002, max: 0.0006 } });
});

test('how bad it is outside is the point’s to say', () => {
  expect(at(0.1, both, field({ outside: 4 }))).toMatchObject({ level: 'under', severity: 4 });
  expect(at(0.9, both, field({ outside: 4 }))).toMatchObject({ level: 'over', severity: 4 });
});

test('a limit of one side is held against on that side alone', () => {
  expect(at(0, limited({ max: 0.0006 }))).toMatchObject({ level: 'in' });
  expect(at(0.7, limited({ max: 0.0006 }))).toMatchObject({ level: 'over' });
  expect(at(9, limited({ min: 0.0002 }))).toMatchObject({ level: 'in' });
  expect(at(0.1, limited({ min: 0.0002 }))).toMatchObject({ level: 'under' });
});

test('at the limit is within it, whatever its decimals are in binary', () => {
  for (let k = 1; k < 400; k++) {
    const mm = k / 100;
    const exact = limited({ min: mm / 1000, max: mm / 1000 });
    expect([mm, at(mm, exact)!.level]).toEqual([mm, 'in']);
    // A thousandth of what is read in mm is seen all the same.
    expect([mm, at(mm + 1e-5, exact)!.level]).toEqual([mm, 'over']);
    expect([mm, at(mm - 1e-5, exact)!.level]).toEqual([mm, 'under']);
  }
  expect(at(0, limited({ min: 0, max: 0 }))).toMatchObject({ level: 'in' });
});

test('without a limit it is read, and is no evidence', () => {
  const none = { specs: [] } as unknown as UnitDefinition;
  expect(at(0.3, none)).toEqual({ level: 'read', value: 0.0003, limit: null });
  expect(at(0.3, both, field({ limit: null }))).toEqual({ level: 'read', value: 0.0003, limit: null });
  expect(at(0.3, limited({ nominal: 0.002 }))).toMatchObject({ level: 'read' });
  const judged = { unit: none, subject, finding: { is: 0.3 } };
  expect(measure.judge(field(), new Map(), judged)).toBeNull();
  expect(measure.judge(field(), new Map(), { ...judged, unit: both })).toMatchObject({ level: 'in' });
  expect(at('cannot-tell')).toBeNull();
  expect(measure.judge(field(), new Map(), { ...judged, finding: { is: 'cannot-tell' } })).toBeNull();
});

test('a resistance is corrected to 20 °C, and is none without its temperature', () => {
  const coil = { solenoids: [{ id: 'shaft', ohm: { min: 20, max: 25 } }] } as unknown as UnitDefinition;
  const ohm = field({ limit: 'resistance', unit: 'Ω' });
  expect(at(24, coil, ohm)).toBeNull();
  expect(at(24, coil, ohm, { temperatureC: 20 })).toMatchObject({ level: 'in', value: 24 });
  const hot = at(29, coil, ohm, { temperatureC: 90 })!;
  expect(hot.level).toBe('in');
  expect(hot.value).toBeLessThan(24);
  // Other readings do not ask how warm it was.
  expect(at(0.3, both, field(), { temperatureC: 90 })).toMatchObject({ value: 0.0003 });
});

test('reads with its unit', () => {
  expect(measure.levels(field(), undefined as never)).toEqual([]);
  const say = () => 'Cannot tell';
  expect(measure.words(field(), 0.3, say)).toBe('0.3 mm');
  expect(measure.words(field({ unit: '' }), 4, say)).toBe('4');
  expect(measure.words(field(), 'cannot-tell', say)).toBe('cannot tell');
});

test('takes a number within its bounds, or what stands in its place', () => {
  expect(measure.value(field(), new Map(), ['cannot-tell'])).toEqual({
    anyOf: [{ type: 'number', minimum: 0, maximum: 5 }, { enum: ['cannot-tell'] }],
  });
  expect(measure.remedy(field(), new Map())).toBe('Give a number from 0 to 5 mm, or "cannot-tell".');
  expect(measure.remedy(field({ unit: '' }), new Map())).toBe('Give a number from 0 to 5, or "cannot-tell".');
  expect(measure.cell(field(), new Map())).toBe('0 to 5 mm, against `end-play`');
  expect(measure.cell(field({ unit: '', limit: null }), new Map())).toBe('0 to 5');
});

import { CASE_BOUNDS, FORM_BOUNDS, outOfBounds, SLOT_BOUNDS, UNIT_BOUNDS } from './size';

const bounds = { values: 10, depth: 3, text: 5 };
const ODD = 'holds a character that cannot be kept (NUL, or half of a pair)';
const NAME = 'has a name that cannot be kept';

test.each<[string, unknown, string, string]>([
  ['one value too many', new Array(10).fill(1), '', 'holds more than 10 values'],
  ['too many further in', { a: new Array(9).fill(1) }, '/a', 'holds more than 10 values'],
  ['one level too deep', [[[[1]]]], '/0/0/0/0', 'is nested more than 3 deep'],
  ['one character too many', { a: '123456' }, '/a', 'is a text of more than 5 characters'],
  ['NUL', ['a\0b'], '/0', ODD],
  ['half a pair', ['\ud83d'], '/0', ODD],
  ['NUL in a name', { a: { 'b\0': 1 } }, '/a', NAME],
  ['a name without end', { a: { ['x'.repeat(501)]: 1 } }, '/a', NAME],
  [
    'a place whose name needs writing out',
    { 'a/b~c': '123456' },
    '/a~1b~0c',
    'is a text of more than 5 characters',
  ],
])('%s is refused', (_, value, pointer, message) => {
  const problem = outOfBounds(value, bounds);
  expect(problem).toMatchObject({ pointer, message });
  expect(problem!.remedy.length).toBeGreaterThan(5);
});

test.each<[string, unknown]>([
  ['as many values as are allowed', new Array(9).fill(1)],
  ['as deep', [[[1]]]],
  ['as long', { a: '12345' }],
  ['as long a name', { ['x'.repeat(500)]: 1 }],
  ['both halves of a pair', ['🛠️']],
  ['nothing', null],
  ['a number', 7],
])('%s is not', (_, value) => expect(outOfBounds(value, bounds)).toBeNull());

test.each([
  ['a unit', UNIT_BOUNDS, 60_000, 24, 20_000],
  ['a value of a record', SLOT_BOUNDS, 200, 6, 8_000],
  ['a case', CASE_BOUNDS, 1_500_000, 16, 14_000_000],
  ['a form', FORM_BOUNDS, 5_000, 12, 20_000],
])('how much %s may hold', (_, limits, values, depth, text) =>
  expect(limits).toEqual({ values, depth, text }),
);

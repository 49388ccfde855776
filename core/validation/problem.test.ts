import { problemsOf, strictAjv, validator } from './problem';

const said = (schema: object, value: unknown) => problemsOf(validator(schema), value);

test.each<[string, object, unknown, string, string]>([
  ['required', { type: 'object', properties: { a: {} }, required: ['a'] }, {}, '"a" is missing', 'Add "a".'],
  [
    'unknown fields',
    { type: 'object', properties: {}, additionalProperties: false },
    { b: 1 },
    '"b" is not known here',
    'Remove it, or check the spelling.',
  ],
  ['a choice', { enum: ['one', 'two'] }, 'six', 'has a value that is not allowed', 'Use one of: one, two.'],
  ['one value only', { const: 'x/1' }, 'x/2', 'has the wrong value', 'Use "x/1".'],
  ['too few', { type: 'array', minItems: 2 }, [1], 'needs at least 2', 'Add what is missing.'],
  ['too many', { type: 'array', maxItems: 1 }, [1, 2], 'holds more than 1', 'Leave some out.'],
  ['too small', { type: 'number', minimum: 3 }, 2, 'must be at least 3', 'Correct the number.'],
  [
    'too large',
    { type: 'number', maximum: 3 },
    4,
    'must be at most 3',
    'Correct the number, and check its unit.',
  ],
  ['not above', { type: 'number', exclusiveMinimum: 0 }, 0, 'must be more than 0', 'Correct the number.'],
  ['an empty text', { type: 'string', minLength: 1 }, '', 'is empty', 'Write something here.'],
  ['a long text', { type: 'string', maxLength: 2 }, 'abc', 'is longer than 2 characters', 'Say it shorter.'],
  [
    'the same twice',
    { type: 'array', uniqueItems: true },
    [1, 1],
    'holds the same twice',
    'Remove one of them.',
  ],
  [
    'odd characters',
    { type: 'string', pattern: '^[a-z]+$' },
    'a b',
    'has characters that are not allowed here',
    'Use letters, digits and hyphens, beginning with a letter or digit.',
  ],
  ['another type', { type: 'string' }, 1, 'must be string', 'Give string here.'],
  [
    'a day',
    { type: 'string', format: 'day' },
    '2026-02-30',
    'is not a day between 1950 and 2099',
    'Write it as YYYY-MM-DD.',
  ],
  [
    'a moment',
    { type: 'string', format: 'moment' },
    '2026-02-03T25:00:00Z',
    'is not a time between 1950 and 2099',
    'Write it as YYYY-MM-DDThh:mm:ssZ.',
  ],
  ['any other form', { type: 'string', format: 'email' }, 'x', 'has the wrong form', 'Correct the value.'],
  [
    'what has no words of its own',
    { type: 'number', multipleOf: 2 },
    3,
    'must be multiple of 2',
    'Correct the value.',
  ],
])('%s: said with a remedy', (_, schema, value, message, remedy) =>
  expect(said(schema, value)).toEqual([{ pointer: '', message, remedy }]),
);

test('what is right has no problem', () => expect(said({ type: 'string' }, 'x')).toEqual([]));

test('days and moments end where the calendar and the clock do', () => {
  const is = (format: string) => (value: string) => !said({ type: 'string', format }, value).length;
  expect(['1950-01-01', '2028-02-29', '2099-12-31'].filter(is('day'))).toHaveLength(3);
  expect(
    ['1949-12-31', '2100-01-01', '2027-02-29', '2026-1-1', 'x2026-01-01', '2026-01-01x'].filter(is('day')),
  ).toEqual([]);
  expect(
    ['2026-01-01T00:00:00Z', '2026-01-01T23:59:59.123456Z', '2026-01-01T19:00:00.1Z'].filter(is('moment')),
  ).toHaveLength(3);
  expect(
    [
      '2026-02-30T00:00:00Z',
      '2026-01-01T24:00:00Z',
      '2026-01-01T00:60:00Z',
      '2026-01-01T00:00:60Z',
      '2026-01-01T00:00:00',
      '2026-01-01T00:00:00.1234567Z',
      '2026-01-01T00:00:00Zx',
    ].filter(is('moment')),
  ).toEqual([]);
});

test('the branches of a choice tell, the choice itself does not repeat them', () => {
  const schema = { oneOf: [{ type: 'string' }, { type: 'number' }] };
  expect(said(schema, null).map((p) => p.message)).toEqual(['must be string', 'must be number']);
});

test('a person is told everything, at most fifty things; a machine the first', () => {
  const schema = { type: 'array', items: { type: 'number' } };
  const texts = new Array<string>(70).fill('x');
  const all = problemsOf(validator(schema), texts);
  expect(all.map((p) => p.pointer)).toEqual(Array.from({ length: 50 }, (_, k) => `/${k}`));
  expect(problemsOf(validator(schema, strictAjv), texts)).toHaveLength(1);
});

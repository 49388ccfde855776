import { currentTerms } from '@/core/shop';
import shop from '@/data/prices/shop.json';
import { checkTerms } from './index';

const TERMS = currentTerms(shop);
const OPENING = '/calendar/opening';

const withDays = (days: Record<string, { from: string; to: string } | null>) =>
  checkTerms({
    ...TERMS,
    calendar: { ...TERMS.calendar, opening: { ...TERMS.calendar.opening, ...days } },
  });
const places = (problems: { pointer: string }[]) => problems.map((p) => p.pointer);

test('the terms that ship have no problem', () => expect(checkTerms(TERMS)).toEqual([]));

test('what is no terms at all is told by its shape, and by that alone', () => {
  expect(checkTerms(null).length).toBeGreaterThan(0);
  expect(places(checkTerms({ ...TERMS, timeZone: 7 }))).toEqual(['/timeZone']);
});

test('a day that closes before it opens, or as it opens, is named; one that is closed is not', () => {
  const [problem, ...others] = withDays({ mon: { from: '17:00', to: '08:00' }, tue: null });
  expect(problem).toEqual({
    pointer: `${OPENING}/mon`,
    message: 'closes before it opens',
    remedy: 'Set the closing time after the opening time, or close the day.',
  });
  expect(others).toEqual([]);
  expect(
    places(withDays({ wed: { from: '08:00', to: '08:00' }, fri: { from: '09:00', to: '08:59' } })),
  ).toEqual([`${OPENING}/wed`, `${OPENING}/fri`]);
  expect(withDays({ wed: { from: '08:00', to: '08:01' } })).toEqual([]);
});

test('a shop opens on one day at least', () => {
  const closed = Object.fromEntries(Object.keys(TERMS.calendar.opening).map((day) => [day, null]));
  expect(withDays(closed)).toEqual([
    {
      pointer: OPENING,
      message: 'is never open',
      remedy: 'Open at least one day of the week: dates are counted in open hours.',
    },
  ]);
  expect(withDays({ ...closed, sat: { from: '08:00', to: '12:00' } })).toEqual([]);
});

test.each(['Europe/Atlantis', 'summer', ''])('"%s" is not a time zone', (timeZone) => {
  const problems = checkTerms({ ...TERMS, timeZone });
  expect(places(problems)).toEqual(['/timeZone']);
  expect(problems[0]!.remedy).toMatch(/\.$/);
});

test('a time zone of letters that is none says what one looks like', () =>
  expect(checkTerms({ ...TERMS, timeZone: 'Europe/Atlantis' })).toEqual([
    {
      pointer: '/timeZone',
      message: 'is not a time zone',
      remedy: 'Write it as a region and a city, for example Europe/Dublin.',
    },
  ]));

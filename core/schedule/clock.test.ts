import { momentIn } from './clock';

test.each([
  ['2026-11-27T23:30:00Z', 'Europe/Dublin', '2026-11-27T23:30'],
  ['2026-07-27T23:30:00Z', 'Europe/Dublin', '2026-07-28T00:30'],
  ['2026-11-27T02:05:00Z', 'America/Chicago', '2026-11-26T20:05'],
  ['2026-11-27T11:00:00Z', 'Pacific/Auckland', '2026-11-28T00:00'],
  ['2026-01-01T00:00:00Z', 'UTC', '2026-01-01T00:00'],
])('%s is in %s %s', (at, timeZone, moment) => expect(momentIn(new Date(at), timeZone)).toBe(moment));

test('a zone that does not exist is an error', () => {
  expect(() => momentIn(new Date(0), 'Nowhere/Town')).toThrow(RangeError);
});

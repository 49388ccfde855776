import { dayWords, momentWords, shopMomentWords } from './dates';

test('days and moments in words, the same for everyone', () => {
  expect(dayWords('2026-12-07')).toBe('7 Dec 2026');
  expect(dayWords('2026-12-07', true)).toBe('7 Dec');
  expect(momentWords('2026-12-07T23:59:10.000Z')).toBe('7 Dec 2026, 23:59 UTC');
  expect(momentWords('2026-12-07T23:59:10.000Z', 'Europe/Dublin')).toBe('7 Dec 2026, 23:59');
  expect(momentWords('2026-07-07T23:59:10.000Z', 'Europe/Dublin')).toBe('8 Jul 2026, 00:59');
});

test('a moment in the shop’s own time names its weekday', () => {
  expect(shopMomentWords('2026-12-01T16:00')).toBe('Tue, 1 Dec, 16:00');
});

import { Pace } from './pace';

test('a second’s worth goes at once, what is beyond waits its time, and rest makes good for it', () => {
  let now = 0;
  const pace = new Pace(1000, () => now);
  expect([pace.take(600), pace.take(400)]).toEqual([0, 0]);
  expect([pace.take(500), pace.take(500)]).toEqual([500, 1000]);
  now = 1000;
  expect(pace.take(100)).toBe(100);
  now = 60_000;
  expect([pace.take(1000), pace.take(250)]).toEqual([0, 250]);
});

import { inSlices } from './slices';

/** So many steps of so many milliseconds each. */
function* steps(count: number, each: number, seen: () => void = () => undefined): Generator<void, string> {
  for (let k = 0; k < count; k++) {
    const until = performance.now() + each;
    while (performance.now() < until);
    seen();
    yield;
  }
  return 'done';
}

test('work is finished, and others are let in between its slices', async () => {
  let let_in = 0;
  const timer = setInterval(() => let_in++, 1);
  expect(await inSlices(steps(20, 5), () => false)).toBe('done');
  clearInterval(timer);
  // A hundred milliseconds in slices of twelve to fifteen.
  expect(let_in).toBeGreaterThanOrEqual(3);
});

test('what is short is done in one', async () => {
  let stale = false;
  setTimeout(() => (stale = true));
  expect(await inSlices(steps(50, 0), () => stale)).toBe('done');
});

test('what is stale is given up at the next slice', async () => {
  let [taken, stale] = [0, false];
  setTimeout(() => (stale = true));
  expect(
    await inSlices(
      steps(100, 5, () => taken++),
      () => stale,
    ),
  ).toBeNull();
  expect(taken).toBeLessThan(10);
});

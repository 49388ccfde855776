import { Runner } from './runner';

/** Timers that are due when the test says so. */
function clock() {
  const due: { milliseconds: number; work: () => void }[] = [];
  return {
    due,
    after: (milliseconds: number, work: () => void) => {
      const timer = { milliseconds, work };
      due.push(timer);
      return () => void (due.includes(timer) && due.splice(due.indexOf(timer), 1));
    },
  };
}

const settled = () => new Promise((resolve) => setImmediate(resolve));

test('what could not be done is tried again after a pause that grows to a limit, and begins anew after success', async () => {
  const { due, after } = clock();
  let done = false;
  const runner = new Runner(async () => done, after);
  const pauses: number[] = [];
  await runner.flush();
  for (let k = 0; k < 6; k++) {
    const [timer] = due.splice(0);
    pauses.push(timer!.milliseconds);
    if (k === 5) done = true;
    timer!.work();
    await settled();
  }
  expect(pauses).toEqual([1000, 2000, 4000, 8000, 8_000, 8_000]);
  expect(due).toEqual([]);
  done = false;
  await runner.flush();
  expect(due.map((t) => t.milliseconds)).toEqual([1000]);
});

test('a wake does not wait for the pause, and starts it anew', async () => {
  const { due, after } = clock();
  let runs = 0;
  const runner = new Runner(async () => (runs++, false), after);
  await runner.flush();
  due.splice(0)[0]!.work();
  await settled();
  await runner.wake();
  expect(due.map((t) => t.milliseconds)).toEqual([1000]);
  expect(runs).toBeGreaterThan(2);
});

test.each([0, 1, 2, 3, 4, 5, 6])(
  'what is asked for while a run ends is done by another (%d moments later)',
  async (moments) => {
    let finish = () => {};
    let runs = 0;
    const runner = new Runner(() => {
      runs++;
      return new Promise((resolve) => (finish = () => resolve(true)));
    }, clock().after);
    void runner.flush();
    finish();
    for (let k = 0; k < moments; k++) await Promise.resolve();
    void runner.flush();
    await settled();
    expect(runs).toBe(2);
  },
);

test('one run at a time', async () => {
  let under = 0;
  let most = 0;
  const runner = new Runner(async () => {
    most = Math.max(most, ++under);
    await new Promise((resolve) => setImmediate(resolve));
    under--;
    return true;
  }, clock().after);
  await Promise.all([runner.flush(), runner.flush(), runner.wake()]);
  await runner.flush();
  expect(most).toBe(1);
});

test('stopped, it calls off what was to be tried again and waits for what is under way', async () => {
  const { due, after } = clock();
  const runner = new Runner(async () => false, after);
  await runner.flush();
  expect(due).toHaveLength(1);
  await runner.stop();
  expect(due).toEqual([]);
  let ended = false;
  const slow = new Runner(async () => {
    await new Promise((resolve) => setImmediate(resolve));
    return (ended = true);
  }, after);
  void slow.flush();
  await slow.stop();
  expect(ended).toBe(true);
});

import { once } from './same-press';

let turn = 0;
beforeEach(() => {
  jest.useFakeTimers();
  turn++;
});
afterEach(() => {
  jest.runAllTimers();
  jest.useRealTimers();
});

/** Asks of one address, each answered when told to. */
function asker() {
  const asked: { what: string; answer: (value: string) => void; fail: (error: Error) => void }[] = [];
  const ask = (what: string, address = `/here/${turn}`) =>
    once(address, what, () => new Promise<string>((answer, fail) => asked.push({ what, answer, fail })));
  return { ask, asked, times: () => asked.map((a) => a.what) };
}

test('a second press while the first is on its way is the first', async () => {
  const { ask, asked, times } = asker();
  const [first, second] = [ask('make'), ask('make')];
  jest.advanceTimersByTime(5000);
  const third = ask('make');
  asked[0]!.answer('version 2');
  expect(await Promise.all([first, second, third])).toEqual(['version 2', 'version 2', 'version 2']);
  expect(times()).toEqual(['make']);
});

test('so is one within the second, and not one after it', async () => {
  const { ask, asked, times } = asker();
  const first = ask('make');
  jest.advanceTimersByTime(100);
  asked[0]!.answer('version 2');
  await first;
  jest.advanceTimersByTime(800);
  expect(await ask('make')).toBe('version 2');
  jest.advanceTimersByTime(200);
  void ask('make');
  expect(times()).toEqual(['make', 'make']);
});

test('an answer that took longer than that is good for one press only', async () => {
  const { ask, asked, times } = asker();
  const first = ask('make');
  jest.advanceTimersByTime(3000);
  asked[0]!.answer('version 2');
  await first;
  jest.advanceTimersByTime(1);
  void ask('make');
  expect(times()).toEqual(['make', 'make']);
});

test('what was asked in between counts: on, off and on again is all three', () => {
  const { ask, times } = asker();
  void ask('on');
  void ask('off');
  void ask('on');
  void ask('on', '/elsewhere');
  expect(times()).toEqual(['on', 'off', 'on', 'on']);
});

test('what failed is asked again at once, what came after it is not forgotten with it', async () => {
  const { ask, asked, times } = asker();
  const first = ask('make');
  asked[0]!.fail(new Error('No connection.'));
  await expect(first).rejects.toThrow('No connection.');
  const second = ask('make');
  expect(times()).toEqual(['make', 'make']);
  const other = ask('other');
  asked[1]!.fail(new Error('No connection.'));
  await expect(second).rejects.toThrow();
  void ask('other');
  expect(times()).toEqual(['make', 'make', 'other']);
  asked[2]!.answer('done');
  expect(await other).toBe('done');
});

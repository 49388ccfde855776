import { SharedWork } from './shared-work';

function held() {
  const begun: AbortSignal[] = [];
  const finish: ((value: string) => void)[] = [];
  const work = (signal: AbortSignal) => {
    begun.push(signal);
    return new Promise<string>((resolve) => finish.push(resolve));
  };
  return { begun, finish, work };
}

test('what several ask for is done once, and done anew when it is asked for later', async () => {
  const shared = new SharedWork<string>();
  const { begun, finish, work } = held();
  const all = [1, 2, 3].map(() => shared.ask('a', work));
  const other = shared.ask('b', work);
  expect(begun).toHaveLength(2);
  finish[0]!('paper');
  finish[1]!('another');
  expect(await Promise.all([...all, other])).toEqual(['paper', 'paper', 'paper', 'another']);
  void shared.ask('a', work);
  expect(begun).toHaveLength(3);
});

test('it is called off when the last one who asked has left, not before; who comes then begins it anew', () => {
  const shared = new SharedWork<string>();
  const { begun, work } = held();
  const people = [new AbortController(), new AbortController()];
  for (const { signal } of people) void shared.ask('a', work, signal).catch(() => undefined);
  people[0]!.abort();
  expect(begun[0]!.aborted).toBe(false);
  people[1]!.abort();
  expect(begun[0]!.aborted).toBe(true);
  void shared.ask('a', work);
  expect([begun.length, begun[1]!.aborted]).toEqual([2, false]);
});

test('who has left before the end does not call off what is kept for others later', async () => {
  const shared = new SharedWork<string>();
  const { begun, finish, work } = held();
  const person = new AbortController();
  const asked = shared.ask('a', work, person.signal);
  finish[0]!('paper');
  await asked;
  person.abort();
  expect(begun[0]!.aborted).toBe(false);
});

test('who has left before the work was asked for does not keep it going', async () => {
  const shared = new SharedWork<string>();
  const { begun, finish, work } = held();
  const [gone, here] = [new AbortController(), new AbortController()];
  gone.abort();
  void shared.ask('a', work, gone.signal).catch(() => undefined);
  expect(begun[0]!.aborted).toBe(true);
  const asked = shared.ask('b', work, here.signal);
  void shared.ask('b', work, gone.signal).catch(() => undefined);
  expect(begun[1]!.aborted).toBe(false);
  finish[1]!('paper');
  expect(await asked).toBe('paper');
});

import { Turns } from './turns';

const later = () => new Promise((resolve) => setImmediate(resolve));

test('so many at once, so many wait, who comes beyond is told that it is busy', async () => {
  const turns = new Turns({ atOnce: 2, waiting: 1, seconds: 5 });
  const first = await turns.take();
  const second = await turns.take();
  let third: (() => void) | undefined;
  const waits = turns.take().then((end) => (third = end));
  await later();
  expect(third).toBeUndefined();
  await expect(turns.take()).rejects.toMatchObject({ status: 503 });
  first();
  await waits;
  expect(third).toBeDefined();
  second();
  third!();
  expect(turns.idle).toBe(true);
});

test('a turn ended twice gives away one turn only', async () => {
  const turns = new Turns({ atOnce: 1, waiting: 5, seconds: 5 });
  const end = await turns.take();
  end();
  end();
  const next = await turns.take();
  let second = false;
  const waits = turns.take().then(() => (second = true));
  await later();
  expect(second).toBe(false);
  // Whoever waits is served before the test ends: what is told to them later would fall on another test.
  next();
  await waits;
});

test('who waits too long is told, and who has left takes no turn', async () => {
  const turns = new Turns({ atOnce: 1, waiting: 5, seconds: 0.05 });
  const end = await turns.take();
  await expect(turns.take()).rejects.toMatchObject({ status: 503 });
  const gone = new AbortController();
  gone.abort();
  const leaves = turns.take(gone.signal);
  end();
  await expect(leaves).rejects.toMatchObject({ status: 503 });
  expect(turns.idle).toBe(true);
});

test('work that fails ends its turn', async () => {
  const turns = new Turns({ atOnce: 1, waiting: 0, seconds: 5 });
  await expect(turns.run(() => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await turns.run(async () => 'yes')).toBe('yes');
});

test('who leaves the line makes room in it', async () => {
  const turns = new Turns({ atOnce: 1, waiting: 1, seconds: 5 });
  const end = await turns.take();
  const gone = new AbortController();
  const leaves = turns.take(gone.signal).catch((error: { status: number }) => error.status);
  await expect(turns.take()).rejects.toMatchObject({ status: 503 });
  gone.abort();
  const next = turns.take();
  await expect(turns.take()).rejects.toMatchObject({ status: 503 });
  end();
  (await next)();
  expect(await leaves).toBe(503);
  expect(turns.idle).toBe(true);
});

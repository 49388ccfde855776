import * as Comlink from 'comlink';
import { WorkerClient, WorkerProblem } from './client';

/** What the tests' worker can do: it knows what was told to this one worker only. */
class Told {
  private words: string[] = [];
  say(words: string): string[] {
    this.words.push(words);
    return this.words;
  }
  stumble(): never {
    throw new Error('It stumbled.');
  }
  never(): Promise<string> {
    return new Promise(() => undefined);
  }
}

/** Workers that answer on this thread, as many as were begun. */
function workers() {
  const begun: { ended: boolean }[] = [];
  const open: MessagePort[] = [];
  const spawn = () => {
    const { port1, port2 } = new MessageChannel();
    open.push(port1, port2);
    Comlink.expose(new Told(), port2);
    const worker = Object.assign(port1, { ended: false, onerror: null, terminate: () => void 0 });
    worker.terminate = () => {
      worker.ended = true;
      port2.close();
    };
    begun.push(worker);
    return worker as unknown as Worker;
  };
  return { client: new WorkerClient<Told>(spawn), begun, close: () => open.forEach((p) => p.close()) };
}

let all: ReturnType<typeof workers>;
beforeEach(() => (all = workers()));
afterEach(() => all.close());

test('one worker is begun at the first call, and goes on knowing what it was told', async () => {
  const { client, begun } = all;
  expect(client.fresh).toBe(true);
  expect(begun).toHaveLength(0);
  expect(await client.call((told) => told.say('one'), 1000)).toEqual(['one']);
  expect(client.fresh).toBe(false);
  expect(await client.call((told) => told.say('two'), 1000)).toEqual(['one', 'two']);
  expect(begun).toEqual([expect.objectContaining({ ended: false })]);
});

test('a worker that stumbles is ended, and the next call begins with a fresh one', async () => {
  const { client, begun } = all;
  await client.call((told) => told.say('one'), 1000);
  await expect(client.call((told) => told.stumble(), 1000)).rejects.toEqual(
    new WorkerProblem('It stumbled.'),
  );
  expect(client.fresh).toBe(true);
  expect(await client.call((told) => told.say('two'), 1000)).toEqual(['two']);
  expect(begun.map((w) => w.ended)).toEqual([true, false]);
});

test('what takes too long is given up with all that was under way, each told why', async () => {
  const { client, begun } = all;
  const other = client.call((told) => told.never(), 60_000);
  const slow = client.call((told) => told.never(), 30);
  const late = new WorkerProblem('It takes too long.');
  await Promise.all([expect(other).rejects.toEqual(late), expect(slow).rejects.toEqual(late)]);
  expect(begun.map((w) => w.ended)).toEqual([true]);
});

test('a script that does not arrive is said in our words', async () => {
  const { client, begun } = all;
  const call = client.call((told) => told.never(), 60_000);
  const worker = begun[0] as unknown as Worker;
  worker.onerror!({ message: 'Script error.', preventDefault: () => undefined } as ErrorEvent);
  await expect(call).rejects.toEqual(new WorkerProblem('It could not be started.'));
  await client.call((told) => told.say('one'), 1000);
  const later = client.call((told) => told.never(), 60_000);
  (begun[1] as unknown as Worker).onerror!({ message: 'No memory left.' } as ErrorEvent);
  await expect(later).rejects.toEqual(new WorkerProblem('No memory left.'));
});

test('ended, it gives up what is under way and holds up nobody', async () => {
  const { client, begun } = all;
  const call = client.call((told) => told.never(), 60_000);
  client.end();
  await expect(call).rejects.toEqual(new WorkerProblem('It was given up.'));
  // What the worker before left behind does not end the one after.
  expect(await client.call((told) => told.say('one'), 1000)).toEqual(['one']);
  expect(begun.map((w) => w.ended)).toEqual([true, false]);
});

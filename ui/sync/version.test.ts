import { keepPages, take, watchVersions } from './version';

class Worker extends EventTarget {
  state = 'installing';
  postMessage = jest.fn();
  installs() {
    this.state = 'installed';
    this.dispatchEvent(new Event('statechange'));
  }
}
class Registration extends EventTarget {
  waiting: Worker | null = null;
  installing: Worker | null = null;
  update = jest.fn(async () => undefined);
  finds(worker: Worker) {
    this.installing = worker;
    this.dispatchEvent(new Event('updatefound'));
  }
}
class Workers extends EventTarget {
  controller: Worker | null = new Worker();
  registration = new Registration();
  register = jest.fn(async () => this.registration);
}
type Given = Parameters<typeof watchVersions>[0];

let workers: Workers;
let offered: unknown[];
const watch = async () => {
  const end = watchVersions(workers as unknown as Given, (worker) => offered.push(worker));
  await Promise.resolve();
  await Promise.resolve();
  return end;
};
beforeEach(() => {
  jest.useFakeTimers();
  workers = new Workers();
  offered = [];
});
afterEach(() => jest.useRealTimers());

test('a version that waits already is offered, and one that comes once it is whole', async () => {
  const [first, second] = [new Worker(), new Worker()];
  workers.registration.waiting = first;
  await watch();
  expect(offered).toEqual([first]);
  workers.registration.finds(second);
  expect(offered).toEqual([first]);
  second.installs();
  expect(offered).toEqual([first, second]);
});

test('the first version there is replaces nothing: it is not offered', async () => {
  workers.controller = null;
  const first = new Worker();
  await watch();
  workers.registration.finds(first);
  first.installs();
  expect(offered).toEqual([]);
});

test('a page that stays open asks every half hour, and no more once it is closed', async () => {
  const end = await watch();
  expect(workers.registration.update).not.toHaveBeenCalled();
  jest.advanceTimersByTime(61 * 60_000);
  expect(workers.registration.update).toHaveBeenCalledTimes(2);
  end();
  jest.advanceTimersByTime(61 * 60_000);
  expect(workers.registration.update).toHaveBeenCalledTimes(2);
  const late = new Worker();
  workers.registration.finds(late);
  late.installs();
  expect(offered).toEqual([]);
});

test('taken, the worker is told, and the page is drawn anew when it is at work, once', () => {
  const reload = jest.fn();
  const waiting = new Worker();
  take(workers as unknown as Given, waiting as unknown as ServiceWorker, reload);
  expect(waiting.postMessage).toHaveBeenCalledWith({ kind: 'take-over' });
  expect(reload).not.toHaveBeenCalled();
  workers.dispatchEvent(new Event('controllerchange'));
  workers.dispatchEvent(new Event('controllerchange'));
  expect(reload).toHaveBeenCalledTimes(1);
});

describe('keeping a job’s other stages', () => {
  const browser = (navigator: object) =>
    Object.defineProperty(globalThis, 'navigator', { value: navigator, configurable: true });
  afterAll(() => browser({}));

  test('is asked of the worker that looks after the page', async () => {
    const active = new Worker();
    browser({ serviceWorker: { ready: Promise.resolve({ active }) } });
    keepPages(['/jobs/7/quote']);
    await Promise.resolve();
    expect(active.postMessage.mock.calls).toEqual([[{ kind: 'keep', urls: ['/jobs/7/quote'] }]]);
  });
  test('is left out where there is no such worker, or may be none', async () => {
    browser({});
    expect(() => keepPages(['/'])).not.toThrow();
    browser({ serviceWorker: { ready: Promise.resolve({ active: null }) } });
    keepPages(['/']);
    browser({ serviceWorker: { ready: Promise.reject(new Error('forbidden')) } });
    keepPages(['/']);
    for (let k = 0; k < 3; k++) await Promise.resolve();
  });
});

import { IDBFactory } from 'fake-indexeddb';
import { fold } from '@/core/case';
import type { Entry, JobState, NewEntry } from '@/core/case';
import { SyncEngine } from '@/ui/sync/engine';
import type { Told } from '@/ui/sync/surroundings';
import { openStore } from '@/ui/sync/store';
import type { Appended, News, Outcome, Transport } from '@/ui/sync/transport';
import { JobView } from '@/ui/sync/view';

/**
 * A small world for the sync's tests: one server, devices of people, tabs of a device, and everything that can go wrong
 * between them. Nothing in it waits for a clock: what would be later happens when `tick` is called.
 */
export class World {
  readonly server = new FakeServer();
  readonly tabs: Tab[] = [];

  device(user: string): Device {
    return new Device(this, user);
  }

  /** Goes on until nothing waits anywhere and every page has asked once more. */
  async quiet(most = 80): Promise<void> {
    const waits = () => this.tabs.some((tab) => tab.isOpen && tab.engine.read().waiting > 0);
    for (let k = 0; k < most && (k < 2 || waits()); k++) await this.settle(1);
    await this.settle(2);
  }

  /** Lets everything that is under way come to rest, timers included. */
  async settle(rounds = 6): Promise<void> {
    for (let k = 0; k < rounds; k++) {
      await idle();
      for (const tab of this.tabs) await tab.tick();
    }
    await idle();
  }
}

/** Waits until the microtasks and the store's own timers have run out. */
export async function idle(): Promise<void> {
  for (let k = 0; k < 24; k++) await new Promise((resolve) => setImmediate(resolve));
}

/** What the server does to the next requests: gives no answer, answers but the answer is lost, or answers with an error. */
export type Fault = 'cut' | 'lost' | 'failed' | 'busy' | 'signed-out' | null;

export class FakeServer {
  readonly entries = new Map<number, Entry[]>();
  /** Slots that are refused one by one. */
  refuse: (entry: NewEntry) => string | null = () => null;
  /** Bodies that are refused whole. */
  refuseAll: (entries: NewEntry[]) => string | null = () => null;
  /** The server stumbles over these. */
  stumble: (entries: NewEntry[]) => boolean = () => false;
  refusePhoto: string | null = null;
  /** The server stumbles over these photos. */
  stumblePhoto: (id: string) => boolean = () => false;
  /** Photos are on their way until this is done. */
  slowPhotos: Promise<void> | null = null;
  readonly photos: string[] = [];
  fault: () => Fault = () => null;
  requests = 0;

  of(job: number): Entry[] {
    if (!this.entries.has(job)) this.entries.set(job, []);
    return this.entries.get(job)!;
  }

  state(job: number): JobState {
    return fold({}, this.of(job));
  }

  transport(by: string): Transport {
    return {
      entries: (job, entries, after) => this.answer(() => this.append(by, job, entries, after)),
      photo: async (_job, id) => {
        await this.slowPhotos;
        return this.answer(() => {
          if (this.stumblePhoto(id)) return { kind: 'failed', message: 'Something went wrong.' };
          if (this.refusePhoto) return { kind: 'refused', message: this.refusePhoto };
          this.photos.push(id);
          return { kind: 'taken', value: {} };
        });
      },
      news: (job, after) =>
        this.answer(() => {
          const all = this.of(job);
          const value: News = { entries: all.filter((e) => e.seq > after), lastSeq: all.length };
          return { kind: 'taken', value };
        }),
    };
  }

  private async answer<T>(work: () => Outcome<T>): Promise<Outcome<T>> {
    this.requests++;
    const fault = this.fault();
    await new Promise((resolve) => setImmediate(resolve));
    if (fault === 'cut' || fault === 'busy') return { kind: 'later' };
    if (fault === 'signed-out') return { kind: 'sign-in' };
    if (fault === 'failed') return { kind: 'failed', message: 'Something went wrong.' };
    const answer = work();
    await new Promise((resolve) => setImmediate(resolve));
    return fault === 'lost' ? { kind: 'later' } : answer;
  }

  private append(by: string, job: number, batch: NewEntry[], after?: number): Outcome<Appended> {
    if (this.stumble(batch)) return { kind: 'failed', message: 'Something went wrong.' };
    const whole = this.refuseAll(batch);
    if (whole) return { kind: 'refused', message: whole };
    const all = this.of(job);
    const before = all.length;
    const refused: Appended['refused'] = [];
    for (const entry of batch) {
      if (all.some((e) => e.id === entry.id)) continue;
      const message = this.refuse(entry);
      if (message) refused.push({ id: entry.id, slot: entry.slot, message });
      else all.push({ ...entry, seq: all.length + 1, by, at: '2026-01-01T00:00:00.000Z' });
    }
    const from = Math.min(after ?? before, before);
    return {
      kind: 'taken',
      value: { entries: all.filter((e) => e.seq > from), refused, lastSeq: all.length },
    };
  }
}

/** A browser of one person: its database outlives its tabs. */
export class Device {
  readonly factory = new IDBFactory();
  readonly tabs: Tab[] = [];
  private readonly turns = new Map<string, Promise<unknown>>();

  constructor(
    readonly world: World,
    readonly user: string,
  ) {}

  async tab(): Promise<Tab> {
    const tab = new Tab(this);
    this.tabs.push(tab);
    this.world.tabs.push(tab);
    await idle();
    return tab;
  }

  /** One tab at a time, as the browser's locks see to it; a tab that is closed lets go of its lock. */
  alone<T>(tab: Tab, what: string, work: () => Promise<T>): Promise<T> {
    const begin = () => Promise.race([work(), tab.closed]);
    const mine = (this.turns.get(what) ?? Promise.resolve()).then(begin, begin);
    this.turns.set(
      what,
      mine.catch(() => undefined),
    );
    return mine;
  }
}

let ids = 0;

export class Tab {
  readonly engine: SyncEngine;
  private later: (() => void)[] = [];
  private readonly views = new Map<number, JobView>();
  private open = true;
  private letGo: () => void = () => undefined;
  readonly closed = new Promise<never>((_, reject) => {
    this.letGo = () => reject(new Error('closed'));
  });

  constructor(readonly device: Device) {
    const { world, user } = device;
    globalThis.indexedDB = device.factory;
    this.engine = new SyncEngine({
      openStore: () => {
        globalThis.indexedDB = device.factory;
        return openStore(user);
      },
      transport: world.server.transport(user),
      newId: () => `entry-${++ids}-of-${user}`,
      now: () => '2026-01-01T00:00:00.000Z',
      alone: (what, work) => device.alone(this, what, work),
      openChannel: (hear) => {
        this.hear = hear;
        return {
          tell: (told) => {
            const others = device.tabs.filter((t) => t !== this && t.open);
            for (const other of others) setImmediate(() => other.open && other.hear(structuredClone(told)));
          },
          close: () => undefined,
        };
      },
      after: (_milliseconds, work) => {
        this.later.push(work);
        return () => {
          this.later = this.later.filter((w) => w !== work);
        };
      },
    });
  }
  private hear: (told: Told) => void = () => undefined;

  get isOpen(): boolean {
    return this.open;
  }

  /** Opens a job as a page that was drawn when the server stood at this state. */
  async show(job: number, state?: JobState, lastSeq?: number): Promise<JobView> {
    const { server } = this.device.world;
    const user = { id: this.device.user, name: this.device.user };
    const view = new JobView(
      this.engine,
      server.transport(user.name),
      job,
      user,
      state ?? server.state(job),
      lastSeq ?? server.of(job).length,
    );
    this.views.set(job, view);
    await view.begin();
    await idle();
    return view;
  }

  /** The timers that are due: retries and questions for news. */
  async tick(): Promise<void> {
    if (!this.open) return;
    const due = this.later.splice(0);
    due.forEach((work) => work());
    for (const view of this.views.values()) await view.listen();
    await idle();
  }

  /** Closed in the middle of whatever it was doing. */
  close(): void {
    this.open = false;
    this.closed.catch(() => undefined);
    this.letGo();
    this.later = [];
    for (const view of this.views.values()) view.end();
    void this.engine.stop();
  }
}

/** What a view shows: slot → value. */
export function shown(view: JobView): Record<string, unknown> {
  return Object.fromEntries(Object.entries(view.read().state).map(([slot, s]) => [slot, s.value]));
}

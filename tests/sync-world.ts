import { createHash } from 'node:crypto';
import { inspect } from 'node:util';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { fold } from '@/core/case';
import type { Entry, JobState, NewEntry } from '@/core/case';
import { SyncEngine } from '@/ui/sync/engine';
import type { Told } from '@/ui/sync/surroundings';
import { closeDevice } from '@/workers/device';
import { enter, leave, waitingHere } from '@/ui/sync/people-here';
import type { WaitingHere } from '@/ui/sync/people-here';
import { openStore } from '@/ui/sync/store';
import type { JobMark } from '@/ui/sync/store';
import type { Appended, News, Outcome, Sent, Transport } from '@/ui/sync/transport';
import { JobView } from '@/ui/sync/view';

/**
 * A small world for the sync's tests: one server, devices of people, tabs of a device, and everything that can go wrong
 * between them. Nothing in it waits for a clock: what would be later happens when `tick` is called.
 */
export class World {
  readonly server = new FakeServer();
  readonly tabs: Tab[] = [];

  /** A device with this person signed in; `signIn` changes that. */
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

class FakeServer {
  entries = new Map<number, Entry[]>();
  /** The course of its history; another one after a backup was brought back. */
  generation = 'generation-1';
  /** How many entries of a job stood when the generation began. */
  private began = new Map<number, number>();
  /** Jobs whose number was given to another one since. */
  readonly ids = new Map<number, string>();
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
  readonly gone = new Set<number>();
  /** Every batch that set out, in order: whose it said it was, what it held, and how far the job was known. */
  readonly batches: { by: string; job: number; ids: string[]; after: number | undefined }[] = [];
  fault: () => Fault = () => null;
  requests = 0;

  of(job: number): Entry[] {
    if (!this.entries.has(job)) this.entries.set(job, []);
    return this.entries.get(job)!;
  }

  state(job: number): JobState {
    return fold({}, this.of(job));
  }

  idOf(job: number): string {
    return this.ids.get(job) ?? `job-${job}`;
  }

  /** What a backup holds. */
  backup(): Map<number, Entry[]> {
    return structuredClone(this.entries);
  }

  restore(backup: Map<number, Entry[]>): void {
    this.entries = structuredClone(backup);
    this.began = new Map([...backup].map(([job, entries]) => [job, entries.length]));
    this.generation = `generation-${Number(this.generation.split('-')[1]) + 1}`;
  }

  /** `signedIn`: whose session the browser holds when it sends. */
  transport(by: string, signedIn: () => string | null = () => by): Transport {
    const asked = <T>(work: () => Outcome<T>) =>
      this.answer<T>(() => {
        const session = signedIn();
        if (session === null) return { kind: 'sign-in' };
        return session === by ? work() : { kind: 'other-person' };
      });
    return {
      entries: (job, entries, sent) => {
        this.batches.push({ by, job, ids: entries.map((e) => e.id), after: sent.after });
        return asked(() => this.append(by, job, entries, sent));
      },
      photo: async (_job, id, _blob, generation) => {
        await this.slowPhotos;
        return asked(() => {
          if (generation && generation !== this.generation) return { kind: 'restored' };
          if (this.stumblePhoto(id)) return { kind: 'failed', message: 'Something went wrong.' };
          if (this.refusePhoto) return { kind: 'refused', message: this.refusePhoto };
          this.photos.push(id);
          return { kind: 'taken', value: {} };
        });
      },
      news: (job, after, kept) =>
        asked(() => {
          if (this.gone.has(job)) return { kind: 'refused', message: 'There is no such job.' };
          const all = this.of(job);
          const value: News = {
            id: this.idOf(job),
            entries: all.filter((e) => e.seq > after),
            lastSeq: all.length,
            generation: this.generation,
            ...(kept ? { kept: this.began.get(job) ?? 0 } : {}),
          };
          return { kind: 'taken', value };
        }),
    };
  }

  private async answer<T>(work: () => Outcome<T>): Promise<Outcome<T>> {
    this.requests++;
    const fault = this.fault();
    await new Promise((resolve) => setImmediate(resolve));
    if (fault === 'cut') return { kind: 'later' };
    if (fault === 'busy') return { kind: 'later', message: 'The disk is full.' };
    if (fault === 'signed-out') return { kind: 'sign-in' };
    if (fault === 'failed') return { kind: 'failed', message: 'Something went wrong.' };
    const answer = work();
    await new Promise((resolve) => setImmediate(resolve));
    return fault === 'lost' ? { kind: 'later' } : answer;
  }

  private append(by: string, job: number, batch: NewEntry[], { after, generation }: Sent): Outcome<Appended> {
    if (generation && generation !== this.generation) return { kind: 'restored' };
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
      value: {
        entries: all.filter((e) => e.seq > from),
        refused,
        lastSeq: all.length,
        generation: this.generation,
      },
    };
  }
}

/** A browser: its database outlives its tabs, and several people may sign in at it, one after the other. */
export class Device {
  readonly factory = new IDBFactory();
  readonly storage = new FakeStorage();
  readonly tabs: Tab[] = [];
  private readonly turns = new Map<string, Promise<unknown>>();
  /** Whose session the browser holds. */
  session: string | null;

  constructor(
    readonly world: World,
    readonly user: string,
  ) {
    this.session = user;
  }

  /** A tab of whoever is signed in, or a page of somebody else that is still there. */
  async tab(user = this.session ?? this.user): Promise<Tab> {
    const tab = new Tab(this, user);
    this.tabs.push(tab);
    this.world.tabs.push(tab);
    await idle();
    return tab;
  }

  /** Signs in at the door; tabs of others stay as they are until they notice. */
  async signIn(user: string): Promise<void> {
    this.session = user;
    await this.inBrowser(() => enter({ id: user, name: user }, async () => keyOf(user), this.keeping()));
  }

  /** Signs out by the button: the tab's engine is stopped first, as the page does. */
  async signOut(): Promise<void> {
    const user = this.session!;
    this.session = null;
    for (const tab of this.tabs) if (tab.isOpen && tab.user === user) tab.close();
    await idle();
    await this.inBrowser(() => leave(user, this.keeping()));
  }

  waitingHere(except: string | null = null): Promise<WaitingHere[]> {
    return this.inBrowser(() => waitingHere(except));
  }

  /** Everything this browser keeps, as somebody with its developer tools would read it. */
  async kept(): Promise<string> {
    return this.inBrowser(async () => {
      const found: unknown[] = [...this.storage.entries()];
      for (const { name, version } of await indexedDB.databases()) {
        const db = await openDB(name!, version);
        for (const store of [...db.objectStoreNames]) found.push(name, store, await db.getAll(store));
        db.close();
      }
      return inspect(found, { depth: 12, maxArrayLength: null, maxStringLength: null });
    });
  }

  async inBrowser<T>(work: () => Promise<T>): Promise<T> {
    globalThis.indexedDB = this.factory;
    await closeDevice();
    try {
      return await work();
    } finally {
      await closeDevice();
    }
  }

  private keeping() {
    return {
      storage: this.storage,
      alone: async <T>(work: () => Promise<T>) => work(),
      tell: () => undefined,
    };
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

/** What the server would give this person, and nobody else. */
const keyOf = (user: string) => createHash('sha256').update(user).digest('base64');

/** The browser's own storage, whose names are its properties. */
class FakeStorage implements Storage {
  [name: string]: unknown;
  get length(): number {
    return Object.keys(this).length;
  }
  key = undefined as never;
  clear(): void {
    for (const name of Object.keys(this)) delete this[name];
  }
  getItem(name: string): string | null {
    return (this[name] as string | undefined) ?? null;
  }
  setItem(name: string, text: string): void {
    this[name] = text;
  }
  removeItem(name: string): void {
    delete this[name];
  }
  entries(): [string, unknown][] {
    return Object.entries(this);
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

  constructor(
    readonly device: Device,
    readonly user: string,
  ) {
    const { world } = device;
    globalThis.indexedDB = device.factory;
    this.engine = new SyncEngine({
      openStore: () => {
        globalThis.indexedDB = device.factory;
        return openStore(user);
      },
      transport: world.server.transport(user, () => device.session),
      newId: () => `entry-${++ids}-of-${user}`,
      now: () => '2026-01-01T00:00:00.000Z',
      alone: (what, work) => device.alone(this, `${user} ${what}`, work),
      openChannel: (hear) => {
        this.hear = hear;
        return {
          tell: (told) => {
            const others = device.tabs.filter((t) => t !== this && t.open && t.user === user);
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

  /** Something is to be done later: a retry. */
  get isWaiting(): boolean {
    return this.later.length > 0;
  }

  get isOpen(): boolean {
    return this.open;
  }

  /** Opens a job as a page that was drawn when the server stood at this state. */
  async show(job: number, state?: JobState, lastSeq?: number, mark?: JobMark): Promise<JobView> {
    const { server } = this.device.world;
    const user = { id: this.user, name: this.user };
    const view = new JobView(
      this.engine,
      server.transport(user.name, () => this.device.session),
      job,
      user,
      mark ?? { id: server.idOf(job), generation: server.generation },
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

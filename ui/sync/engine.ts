import { sendEntries } from './entry-sender';
import { PhotoQueue } from './photo-queue';
import { sendPhotos } from './photo-sender';
import { Queue } from './queue';
import type { Write } from './queue';
import { Runner } from './runner';
import type { JobMark, SetAside, Store, WaitingEntry, WaitingPhoto } from './store';
import type { Sending, Surroundings, Told } from './surroundings';
import { heard } from './transport';
import type { Appended, Transport } from './transport';

export type Connection = 'opening' | 'online' | 'offline' | 'signed-out' | 'other-person';

/** How the saving goes, over all of a person's jobs. */
export interface SyncState {
  connection: Connection;
  /** Why nothing goes out, in the server's own words; null where it did not answer. */
  says: string | null;
  /** Writes and photos that wait. */
  waiting: number;
  /** Waiting by job, photos left out. */
  byJob: ReadonlyMap<number, number>;
  /** Something is on its way at this moment. */
  busy: boolean;
  aside: readonly SetAside[];
}

/** A page that shows a job. */
export interface Listener {
  job: number;
  /** How far it knows the record. */
  after(): number;
  /** The server has taken writes: what was not known here, and the ids that need not wait any more. */
  taken(ids: string[], answer: Appended): void;
  /** What waits has changed, here or in another tab. */
  changed(): void;
}

interface Opened {
  queue: Queue;
  photos: PhotoQueue;
  store: Store;
}

/** Before anything is known. */
export const BEFORE: SyncState = {
  connection: 'opening',
  says: null,
  waiting: 0,
  byJob: new Map(),
  busy: false,
  aside: [],
};

/** How many wait of each job, with more of some. */
function added(
  counts: ReadonlyMap<number, number>,
  more: Iterable<[number, number]>,
): ReadonlyMap<number, number> {
  const sum = new Map(counts);
  for (const [job, count] of more) sum.set(job, (sum.get(job) ?? 0) + count);
  return sum;
}

/** Between tries at something that should have worked, ms. */
const PAUSE = 1000;

/**
 * One person's sync: keeps every write first, then sends what waits, of every job, whichever page is open. What the
 * server refuses is set aside with its reason and the rest goes on. Pages attach to it; tabs of one person share it.
 */
export class SyncEngine {
  private state: SyncState = BEFORE;
  private readonly subscribers = new Set<() => void>();
  private readonly listeners = new Set<Listener>();
  private opened: Promise<Opened>;
  private readonly channel: { tell(told: Told): void; close(): void };
  private readonly entries: Runner;
  private readonly photos: Runner;
  private readonly sending = new Set<Sending>();
  private readonly transport: Transport;
  private says: string | null = null;
  /** Writes that are not in the store yet, by job. */
  private readonly unkept = new Map<number, number>();
  private askers: (() => void)[] = [];
  private stopped = false;

  constructor(private readonly around: Surroundings) {
    this.transport = heard(around.transport, (says) => (this.says = says));
    this.opened = this.open();
    this.channel = around.openChannel((told) => this.heard(told));
    this.entries = new Runner(() => this.send('entries', () => this.sendEntries()), around.after);
    this.photos = new Runner(() => this.send('photos', () => this.sendPhotos()), around.after);
    void this.opened.then(() => this.refresh()).then(() => this.flush());
  }

  private async open(): Promise<Opened> {
    const store = await this.around.openStore();
    return { store, queue: new Queue(store, () => this.around.newId()), photos: new PhotoQueue(store) };
  }

  /** Somebody else has come to this device and the store was taken away: what is written still needs one. */
  private async reopen(): Promise<void> {
    const before = this.opened;
    const again = this.open();
    try {
      await again;
    } catch {
      // A newer version of the program has it: what is on the screen waits there.
      return;
    }
    this.opened = again;
    (await before).store.close();
  }

  subscribe = (subscriber: () => void): (() => void) => {
    this.subscribers.add(subscriber);
    return () => this.subscribers.delete(subscriber);
  };

  read = (): SyncState => this.state;

  /** A page begins to show a job; returns how it stops. */
  attach(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  store(): Promise<Store> {
    return this.opened.then((o) => o.store);
  }

  /** Keeps writes, then sends them. Resolves when they are kept. */
  async write(job: number, writes: readonly Write[], mark?: JobMark): Promise<void> {
    const more = (changes: number) => {
      const left = (this.unkept.get(job) ?? 0) + changes;
      if (left > 0) this.unkept.set(job, left);
      else this.unkept.delete(job);
    };
    more(writes.length);
    const { waiting, byJob } = this.state;
    this.show({ waiting: waiting + writes.length, byJob: added(byJob, [[job, writes.length]]) });
    for (let tries = 0; ; tries++) {
      try {
        await (await this.opened).queue.add(job, writes, mark);
        break;
      } catch {
        // A full or closed store: what was written stands on the screen, counts as waiting, and is tried again.
        if (tries > 0) await new Promise<void>((resolve) => this.around.after(PAUSE, resolve));
        if (this.stopped) return;
        await this.reopen();
      }
    }
    more(-writes.length);
    if (this.unkept.size === 0) this.askers.splice(0).forEach((done) => done());
    await this.refresh(job);
    void this.entries.flush();
  }

  /** Resolves once everything written so far is in the store; never, where that cannot be. */
  kept(): Promise<void> {
    return this.unkept.size === 0 ? Promise.resolve() : new Promise((resolve) => this.askers.push(resolve));
  }

  async waiting(job: number): Promise<WaitingEntry[]> {
    return (await this.opened).queue.waiting(job);
  }

  /** Keeps a photo until the server has it. */
  async addPhoto(job: number, id: string, blob: Blob, mark?: JobMark): Promise<void> {
    await (await this.opened).photos.add(job, id, blob, mark);
    await this.refresh(job);
    void this.photos.flush();
  }

  async photo(job: number, id: string): Promise<Blob | null> {
    return (await this.opened).photos.find(job, id);
  }

  /** Drops one that was set aside, or puts it back in line. */
  async settle(item: SetAside, how: 'discard' | 'again'): Promise<void> {
    const { queue } = await this.opened;
    if (how === 'again') await queue.again(item);
    else await queue.discard(item.key);
    await this.refresh(item.job);
    if (how === 'again') void this.entries.flush();
  }

  /** The network is back, or the person: try at once. */
  wake(): void {
    void this.entries.wake();
    void this.photos.wake();
  }

  /** What a page that listens has met: the network may be gone although nothing waits. */
  met(connection: Connection): void {
    if (!this.state.busy && this.state.connection !== connection) this.show({ connection, says: null });
  }

  /** Ends everything; what waits stays kept. */
  async stop(): Promise<void> {
    this.stopped = true;
    this.channel.close();
    await Promise.all([this.entries.stop(), this.photos.stop()]);
    (await this.opened).store.close();
  }

  /** Sends everything that waits. */
  async flush(): Promise<void> {
    await Promise.all([this.entries.flush(), this.photos.flush()]);
  }

  /** One run of one kind: says how it ended, and whether nothing of it is left. */
  private async send(what: Sending, work: () => Promise<Connection | null>): Promise<boolean> {
    // A store that is closed or full is like a dead network: what is on the screen stays, and it is tried again.
    const ending = await this.around.alone(what, work).catch(async (): Promise<Connection> => {
      await this.reopen();
      return 'offline';
    });
    if (this.stopped) return true;
    await this.refresh();
    this.sending.delete(what);
    // Where nothing had to be sent, nothing was learnt of the network.
    const { connection } = this.state;
    this.show({
      says: ending === 'offline' ? this.says : ending === null ? this.state.says : null,
      connection: ending ?? (connection === 'opening' ? 'online' : connection),
      busy: this.sending.size > 0,
    });
    return !ending || ending === 'online';
  }

  private begins(what: Sending): void {
    this.sending.add(what);
    this.show({ busy: true });
  }

  private async sendEntries(): Promise<Connection | null> {
    const { queue } = await this.opened;
    return sendEntries({
      transport: this.transport,
      queue,
      stopped: () => this.stopped,
      begins: () => this.begins('entries'),
      pause: () => new Promise((resolve) => this.around.after(PAUSE, resolve)),
      now: this.around.now,
      knownOf: (job) => this.knownOf(job),
      took: async (job, ids, answer) => {
        this.channel.tell({ kind: 'taken', job, ids, answer });
        this.tellTaken(job, ids, answer);
        await this.refresh();
      },
      changed: (job) => this.refresh(job),
    });
  }

  private async sendPhotos(): Promise<Connection | null> {
    const { photos } = await this.opened;
    return sendPhotos({
      transport: this.transport,
      photos,
      stopped: () => this.stopped,
      begins: () => this.begins('photos'),
      done: ({ job }) => this.refresh(job),
      refused: (photo, message) => this.photoRefused(photo, message),
      jobGone: (photo, message) => this.photoAside(photo, message, photo.blob),
    });
  }

  private async photoRefused(photo: WaitingPhoto, message: string): Promise<void> {
    const { queue } = await this.opened;
    await queue.add(photo.job, [{ slot: `photo.${photo.id}`, value: null, seen: 0 }], photo.of);
    await this.photoAside(photo, message);
    void this.entries.flush();
  }

  private async photoAside({ job, id, of }: WaitingPhoto, message: string, picture?: Blob): Promise<void> {
    const { store } = await this.opened;
    const about = { job, ...(of ? { of } : {}), ...(picture ? { picture } : {}) };
    await store.add('aside', { ...about, slot: `photo.${id}`, value: null, message, at: this.around.now() });
  }

  private tellTaken(job: number, ids: string[], answer: Appended): void {
    for (const listener of this.listeners) if (listener.job === job) listener.taken(ids, answer);
  }

  /** How far some page here knows a job: the server sends what came after it. */
  private knownOf(job: number): number | undefined {
    const known = [...this.listeners].filter((l) => l.job === job).map((l) => l.after());
    return known.length ? Math.min(...known) : undefined;
  }

  private heard(told: Told): void {
    if (told.kind === 'taken') this.tellTaken(told.job, told.ids, told.answer);
    void this.refresh(told.job, false);
  }

  /** Reads anew what waits; with a job, its pages are told, and so are other tabs. */
  private async refresh(job?: number, tell = true): Promise<void> {
    const { queue, photos } = await this.opened;
    if (this.stopped) return;
    try {
      const [kept, pictures, aside] = [await queue.counts(), await photos.count(), await queue.aside()];
      const byJob = added(kept, this.unkept);
      const writes = [...byJob.values()].reduce((a, b) => a + b, 0);
      this.show({ byJob, waiting: writes + pictures, aside });
    } catch {
      // Closed under us: another tab or version has the store now; what is shown stays.
      return;
    }
    if (job === undefined) return;
    for (const listener of this.listeners) if (listener.job === job) listener.changed();
    if (tell && !this.stopped) this.channel.tell({ kind: 'changed', job });
  }

  private show(change: Partial<SyncState>): void {
    this.state = { ...this.state, ...change };
    this.subscribers.forEach((subscriber) => subscriber());
  }
}

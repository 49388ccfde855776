import type { SetAside, Store, WaitingEntry } from './store';
import { PhotoQueue } from './photos';
import { BATCH_ENTRIES, Queue } from './queue';
import type { Write } from './queue';
import type { Appended, Outcome, Transport } from './transport';

export type Connection = 'opening' | 'online' | 'offline' | 'signed-out';

/** How the saving goes, over all of a person's jobs. */
export interface SyncState {
  connection: Connection;
  /** Writes and photos that wait. */
  waiting: number;
  /** Waiting by job, photos left out. */
  byJob: ReadonlyMap<number, number>;
  /** Something is on its way at this moment. */
  busy: boolean;
  aside: readonly SetAside[];
}

/** What tabs of one person tell each other. */
export type Told =
  { kind: 'changed'; job?: number } | { kind: 'taken'; job: number; ids: string[]; answer: Appended };

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

/** What the engine needs of its surroundings: replaced in tests. */
export interface Surroundings {
  openStore(): Promise<Store>;
  transport: Transport;
  newId(): string;
  now(): string;
  /** Runs work while no other tab of this person does. */
  alone<T>(work: () => Promise<T>): Promise<T>;
  /** How tabs of one person hear of each other. */
  openChannel(hear: (told: Told) => void): { tell(told: Told): void; close(): void };
  after(milliseconds: number, work: () => void): () => void;
}

const FIRST_PAUSE = 1000;
const LONGEST_PAUSE = 15_000;
/** Beyond any record: asks whether the server is well, without being told anything. */
const FAR = 999_999_999;
/** The server may fail this often on one write before it is set aside. */
const FAILURES = 3;

/**
 * One person's sync: keeps every write first, then sends what waits, of every job, whichever page is open. What the
 * server refuses is set aside with its reason and the rest goes on. Pages attach to it; tabs of one person share it.
 */
export class SyncEngine {
  private state: SyncState = { connection: 'opening', waiting: 0, byJob: new Map(), busy: false, aside: [] };
  private readonly subscribers = new Set<() => void>();
  private readonly listeners = new Set<Listener>();
  private readonly opened: Promise<{ queue: Queue; photos: PhotoQueue; store: Store }>;
  private readonly channel: { tell(told: Told): void; close(): void };
  private flushing: Promise<void> | null = null;
  /** Writes that are not in the store yet. */
  private unkept = 0;
  private wanted = false;
  private stopped = false;
  private pause = FIRST_PAUSE;
  private cancelRetry: () => void = () => undefined;

  constructor(private readonly around: Surroundings) {
    this.opened = around.openStore().then((store) => ({
      store,
      queue: new Queue(store, () => around.newId()),
      photos: new PhotoQueue(store),
    }));
    this.channel = around.openChannel((told) => this.heard(told));
    void this.opened.then(() => this.refresh()).then(() => this.flush());
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
  async write(job: number, writes: readonly Write[]): Promise<void> {
    this.unkept += writes.length;
    this.show({ waiting: this.state.waiting + writes.length });
    const { queue } = await this.opened;
    for (;;) {
      try {
        await queue.add(job, writes);
        break;
      } catch {
        // A full or closed store: what was written stands on the screen, counts as waiting, and is tried again.
        if (this.stopped) return;
        await new Promise<void>((resolve) => this.around.after(FIRST_PAUSE, resolve));
      }
    }
    this.unkept -= writes.length;
    await this.refresh(job);
    void this.flush();
  }

  async waiting(job: number): Promise<WaitingEntry[]> {
    return (await this.opened).queue.waiting(job);
  }

  /** Keeps a photo until the server has it. */
  async addPhoto(job: number, id: string, blob: Blob): Promise<void> {
    await (await this.opened).photos.add(job, id, blob);
    await this.refresh(job);
    void this.flush();
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
    if (how === 'again') void this.flush();
  }

  /** The network is back, or the person: try at once. */
  wake(): void {
    this.pause = FIRST_PAUSE;
    void this.flush();
  }

  /** What a page that listens has met: the network may be gone although nothing waits. */
  met(connection: Connection): void {
    if (!this.state.busy && this.state.connection !== connection) this.show({ connection });
  }

  /** Ends everything; what waits stays kept. */
  async stop(): Promise<void> {
    this.stopped = true;
    this.cancelRetry();
    this.channel.close();
    await this.flushing;
    (await this.opened).store.close();
  }

  /** Sends everything that waits, in one run at a time. */
  flush(): Promise<void> {
    this.wanted = true;
    this.flushing ??= this.run().finally(() => {
      this.flushing = null;
      if (this.wanted && !this.stopped) void this.flush();
    });
    return this.flushing;
  }

  private async run(): Promise<void> {
    while (this.wanted && !this.stopped) {
      this.wanted = false;
      this.cancelRetry();
      // A store that is closed or full is like a dead network: what is on the screen stays, and it is tried again.
      const ending = await this.around.alone(() => this.sendAll()).catch((): Connection => 'offline');
      if (this.stopped) return;
      if (!ending || ending === 'online') this.pause = FIRST_PAUSE;
      else {
        this.cancelRetry = this.around.after(this.pause, () => void this.flush());
        this.pause = Math.min(this.pause * 2, LONGEST_PAUSE);
      }
      await this.refresh();
      // Where nothing had to be sent, nothing was learnt of the network.
      const { connection } = this.state;
      this.show({ connection: ending ?? (connection === 'opening' ? 'online' : connection), busy: false });
    }
  }

  /** Sends what waits of every job; null when nothing did. */
  private async sendAll(): Promise<Connection | null> {
    const { queue, photos } = await this.opened;
    if ((await queue.counts()).size + (await photos.count()) === 0) return null;
    for (const [job] of await queue.counts()) {
      const ending = await this.sendEntries(queue, job);
      if (ending !== 'online') return ending;
    }
    for (let photo = await photos.next(); photo && !this.stopped; photo = await photos.next()) {
      this.show({ busy: true });
      const answer = await this.around.transport.photo(photo.job, photo.id, photo.blob);
      const ending = endingOf(answer);
      if (ending) return ending;
      await photos.remove(photo);
      if (answer.kind === 'refused') {
        const slot = `photo.${photo.id}`;
        await queue.add(photo.job, [{ slot, value: null, seen: 0 }]);
        const store = await this.store();
        const at = this.around.now();
        await store.add('aside', { job: photo.job, slot, value: null, message: answer.message, at });
        this.wanted = true;
      }
      await this.refresh(photo.job);
    }
    return 'online';
  }

  /** Sends a job's writes. A batch that is refused whole is halved until the one that cannot stand is alone. */
  private async sendEntries(queue: Queue, job: number): Promise<Connection> {
    let most = BATCH_ENTRIES;
    let failures = 0;
    for (;;) {
      const batch = this.stopped ? [] : await queue.take(job, most);
      if (batch.length === 0) return 'online';
      this.show({ busy: true });
      const answer = await this.around.transport.entries(
        job,
        batch.map((i) => i.entry),
        this.knownOf(job),
      );
      if (answer.kind === 'taken') {
        await this.took(queue, job, batch, answer.value);
        [most, failures] = [BATCH_ENTRIES, 0];
        continue;
      }
      const ending = endingOf(answer);
      if (answer.kind === 'failed') {
        if (++failures < FAILURES) {
          await new Promise<void>((resolve) => this.around.after(FIRST_PAUSE, resolve));
          continue;
        }
        // A server that fails on everything is away; one that answers otherwise stumbles over these writes alone.
        const { kind } = await this.around.transport.news(job, FAR);
        if (kind !== 'taken') return 'offline';
      } else if (ending) return ending;
      if (batch.length > 1) most = Math.ceil(batch.length / 2);
      else {
        const message = 'message' in answer ? answer.message : '';
        await queue.setAside([{ item: batch[0]!, message }], this.around.now());
        [most, failures] = [BATCH_ENTRIES, 0];
        await this.refresh(job);
      }
    }
  }

  private async took(queue: Queue, job: number, batch: WaitingEntry[], answer: Appended): Promise<void> {
    const refused = new Map(answer.refused.map((r) => [r.id, r.message]));
    const aside = batch.flatMap((item) => {
      const message = refused.get(item.entry.id);
      return message === undefined ? [] : [{ item, message }];
    });
    await queue.remove(batch.filter((i) => !refused.has(i.entry.id)));
    if (aside.length) await queue.setAside(aside, this.around.now());
    const ids = batch.map((i) => i.entry.id);
    this.channel.tell({ kind: 'taken', job, ids, answer });
    this.tellTaken(job, ids, answer);
    await this.refresh();
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
      const byJob = await queue.counts();
      const kept = [...byJob.values()].reduce((a, b) => a + b, 0) + (await photos.count());
      this.show({ byJob, waiting: kept + this.unkept, aside: await queue.aside() });
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

/** How a run ends for an answer that leaves things waiting; null when the run can go on. */
function endingOf(answer: Outcome<unknown>): Connection | null {
  if (answer.kind === 'sign-in') return 'signed-out';
  return answer.kind === 'later' || answer.kind === 'failed' ? 'offline' : null;
}

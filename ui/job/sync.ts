import { fold, sameValues } from '@/core/case';
import type { Entry, Json, JobState, NewEntry } from '@/core/case';
import { Outbox } from './outbox';
import { RequestError, send } from './request';

export type SaveStatus =
  | { kind: 'opening' }
  | { kind: 'saved' }
  | { kind: 'saving'; waiting: number }
  | { kind: 'offline'; waiting: number }
  | { kind: 'signed-out'; waiting: number };

export interface Refusal {
  slot: string;
  value: Json;
  message: string;
}

interface Snapshot {
  state: JobState;
  status: SaveStatus;
  refusals: Refusal[];
}

interface Appended {
  entries: Entry[];
  refused: { id: string; slot: string; message: string }[];
  lastSeq: number;
}

const POLL = 4000;
const BATCH = 200;

/**
 * A job's record as this browser sees it: what the server has, with what is still in the outbox on top. Every write is
 * kept in the outbox first and sent in order; what others write is fetched while the page is open.
 */
export class JobSync {
  private server: JobState;
  private lastSeq: number;
  private pending: NewEntry[] = [];
  private refusals: Refusal[] = [];
  private status: SaveStatus = { kind: 'opening' };
  private opened: Promise<Outbox> | null = null;
  private flushing = false;
  private again = false;
  private retry = 1000;
  private listening = false;
  private pollTimer: ReturnType<typeof setTimeout> | undefined;
  private retryTimer: ReturnType<typeof setTimeout> | undefined;
  private listeners = new Set<() => void>();
  private snapshot: Snapshot;

  constructor(
    private readonly job: number,
    private readonly user: { id: string; name: string },
    state: JobState,
    lastSeq: number,
  ) {
    this.server = state;
    this.lastSeq = lastSeq;
    this.snapshot = { state, status: this.status, refusals: [] };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  read = (): Snapshot => this.snapshot;

  /** Opens the outbox, takes up what an earlier visit left in it, and starts listening for others. */
  async begin(): Promise<void> {
    this.listening = true;
    const left = await (await this.outbox()).waiting(this.job);
    const ids = new Set(this.pending.map((e) => e.id));
    const entries = left.flatMap((i) => (i.kind === 'entry' && !ids.has(i.entry.id) ? [i.entry] : []));
    this.pending = [...entries, ...this.pending];
    this.publish();
    void this.flush();
    this.poll();
  }

  end(): void {
    this.listening = false;
    clearTimeout(this.pollTimer);
    clearTimeout(this.retryTimer);
  }

  write(slot: string, value: Json): void {
    this.writeMany([[slot, value]]);
  }

  writeMany(writes: [string, Json][]): void {
    const entries = writes.map(([slot, value]): NewEntry => ({ id: crypto.randomUUID(), slot, value }));
    this.pending = [...this.pending, ...entries];
    if (this.status.kind === 'saved') this.status = { kind: 'saving', waiting: this.pending.length };
    this.publish();
    void this.keep(entries);
  }

  /** Keeps a photo until the server has it. */
  async addPhoto(id: string, blob: Blob): Promise<void> {
    await (await this.outbox()).add({ job: this.job, kind: 'photo', photo: { id, blob } });
    await this.flush();
  }

  dismiss(refusal: Refusal): void {
    this.refusals = this.refusals.filter((r) => r !== refusal);
    this.publish();
  }

  /** Opened once; a write that comes before waits for it. */
  private outbox(): Promise<Outbox> {
    this.opened ??= Outbox.open(this.user.id);
    return this.opened;
  }

  private async keep(entries: NewEntry[]): Promise<void> {
    const outbox = await this.outbox();
    for (const entry of entries) await outbox.add({ job: this.job, kind: 'entry', entry });
    await this.flush();
  }

  private async flush(): Promise<void> {
    if (this.flushing) {
      this.again = true;
      return;
    }
    this.flushing = true;
    try {
      for (;;) {
        this.again = false;
        const waiting = await (await this.outbox()).waiting(this.job);
        if (waiting.length === 0) break;
        this.setStatus({ kind: 'saving', waiting: waiting.length });
        await this.sendSome(waiting);
        this.retry = 1000;
      }
      this.setStatus({ kind: 'saved' });
    } catch (error) {
      this.onFailure(error);
    } finally {
      this.flushing = false;
      if (this.again) void this.flush();
    }
  }

  private async sendSome(waiting: Awaited<ReturnType<Outbox['waiting']>>): Promise<void> {
    const outbox = await this.outbox();
    const [first] = waiting;
    if (first!.kind === 'photo') {
      try {
        await send('PUT', `/api/jobs/${this.job}/photos/${first!.photo.id}`, undefined, first!.photo.blob);
      } catch (error) {
        if (!(error instanceof RequestError) || error.status === 401 || error.status >= 500) throw error;
        this.refusals = [
          ...this.refusals,
          { slot: `photo.${first!.photo.id}`, value: null, message: `${error.message} ${error.remedy}` },
        ];
        this.write(`photo.${first!.photo.id}`, null);
      }
      await outbox.remove([first!.key]);
      return;
    }
    const batch = waiting.slice(0, BATCH).flatMap((i) => (i.kind === 'entry' ? [i] : []));
    const answer = await send<Appended>('POST', `/api/jobs/${this.job}/entries`, {
      entries: batch.map((i) => i.entry),
    });
    await outbox.remove(batch.map((i) => i.key));
    const done = new Set(batch.map((i) => i.entry.id));
    const values = new Map(batch.map((i) => [i.entry.id, i.entry.value]));
    this.pending = this.pending.filter((e) => !done.has(e.id));
    this.refusals = [
      ...this.refusals,
      ...answer.refused.map((r) => ({ slot: r.slot, value: values.get(r.id) ?? null, message: r.message })),
    ];
    this.takeIn(answer.entries);
  }

  private takeIn(entries: Entry[]): void {
    this.server = fold(this.server, entries);
    // Only an unbroken run moves the mark, so that nothing written by others in between is missed.
    for (const e of entries) if (e.seq === this.lastSeq + 1) this.lastSeq = e.seq;
    this.publish();
  }

  private onFailure(error: unknown): void {
    const waiting = this.pending.length || 1;
    if (error instanceof RequestError && error.status === 401) {
      this.setStatus({ kind: 'signed-out', waiting });
      return;
    }
    this.setStatus({ kind: 'offline', waiting });
    clearTimeout(this.retryTimer);
    this.retryTimer = setTimeout(() => void this.flush(), this.retry);
    this.retry = Math.min(this.retry * 2, 15_000);
  }

  private poll(): void {
    clearTimeout(this.pollTimer);
    if (!this.listening) return;
    this.pollTimer = setTimeout(async () => {
      try {
        const news = await send<{ entries: Entry[] }>(
          'GET',
          `/api/jobs/${this.job}/entries?after=${this.lastSeq}`,
        );
        if (news.entries.length) this.takeIn(news.entries);
      } catch {
        // The outbox tells of a dead network; listening just goes on.
      }
      this.poll();
    }, POLL);
  }

  private setStatus(status: SaveStatus): void {
    this.status = status;
    this.snapshot = { ...this.snapshot, status };
    this.tell();
  }

  private publish(): void {
    const at = new Date().toISOString();
    const waiting = this.pending.map((e, k): Entry => ({ ...e, seq: 1e9 + k, by: this.user.name, at }));
    const next = waiting.length ? fold(this.server, waiting) : this.server;
    // An acknowledgement changes who and when, not what: the page is not drawn anew for it.
    const state = sameValues(this.snapshot.state, next) ? this.snapshot.state : next;
    this.snapshot = { state, status: this.status, refusals: this.refusals };
    this.tell();
  }

  private tell(): void {
    this.listeners.forEach((listener) => listener());
  }
}

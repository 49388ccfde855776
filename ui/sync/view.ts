import { clashesOf, fold, FOLD_VERSION, recordOf, sameValues, takeIn } from '@/core/case';
import type { Clash, Entry, Json, JobRecord, JobState, NewEntry } from '@/core/case';
import type { SyncEngine } from './engine';
import { endingOf } from './outcome';
import type { JobMark } from './store';
import type { Appended, Transport } from './transport';

export interface ViewState {
  state: JobState;
  /** Slots two people wrote without knowing of each other, one of them the person here. */
  clashes: readonly Clash[];
}

/** Seconds between questions for news, while somebody looks and while nobody does. */
const LOOKED_AT = 4_000;
const HIDDEN = 20_000;
const KEEP_AFTER = 800;
/** Far above any number a server gives: what waits stands on top. */
const WAITING_SEQ = 2 ** 40;

/**
 * One job as a page shows it: what the server has, with what waits on top. Listens for what others write, and keeps what
 * it knows for opening the job without the network.
 */
export class JobView {
  private record: JobRecord;
  private clashes: Clash[] = [];
  private kept: NewEntry[] = [];
  private unkept: NewEntry[] = [];
  private shown: ViewState;
  private readonly subscribers = new Set<() => void>();
  private readonly ends: (() => void)[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private keeping: ReturnType<typeof setTimeout> | undefined;
  private alive = false;
  /** Called when a backup of the shop was brought back: what the page began with may be another job's now. */
  onRestored: () => void = () => undefined;

  constructor(
    private readonly engine: SyncEngine,
    private readonly transport: Pick<Transport, 'news'>,
    readonly job: number,
    private readonly user: { id: string; name: string },
    private mark: JobMark,
    state: JobState,
    lastSeq: number,
  ) {
    this.record = recordOf(state, lastSeq);
    this.shown = { state, clashes: [] };
  }

  subscribe = (subscriber: () => void): (() => void) => {
    this.subscribers.add(subscriber);
    return () => this.subscribers.delete(subscriber);
  };

  read = (): ViewState => this.shown;

  /** Which job this is, and in which course of the shop's history. */
  get of(): JobMark {
    return this.mark;
  }

  after(): number {
    return this.record.lastSeq;
  }

  /** Takes up what this device knew and what waits, and starts listening. */
  async begin(): Promise<void> {
    this.alive = true;
    this.ends.push(this.engine.attach(this));
    const known = await this.engine
      .store()
      .then((store) => store.get('views', this.job))
      .catch(() => undefined);
    // A page kept by the browser may be older than what this device has seen since; but not across a restored backup.
    const same = known?.of?.id === this.mark.id && known.of.generation === this.mark.generation;
    if (same && known.fold === FOLD_VERSION && known.record.lastSeq >= this.record.lastSeq) {
      this.record = known.record;
      this.clashes = known.clashes;
    }
    await this.readWaiting();
    if (this.alive) void this.listen();
  }

  end(): void {
    this.alive = false;
    clearTimeout(this.timer);
    clearTimeout(this.keeping);
    this.ends.splice(0).forEach((end) => end());
  }

  write(writes: readonly [slot: string, value: Json][]): void {
    const seen = this.record.lastSeq;
    const entries = writes.map(([slot, value], k): NewEntry => ({ id: `unkept-${k}`, slot, value, seen }));
    this.unkept = [...this.unkept, ...entries];
    this.publish();
    void this.engine
      .write(
        this.job,
        entries.map(({ slot, value }) => ({ slot, value, seen })),
        this.mark,
      )
      .then(async () => {
        this.kept = await this.waiting();
        this.unkept = this.unkept.filter((e) => !entries.includes(e));
        this.publish();
      });
  }

  /** Puts a clash away: the value that stands is right, or the other was written anew. */
  dismiss(clash: Clash): void {
    this.clashes = this.clashes.filter((c) => c !== clash);
    this.keepSoon();
    this.publish();
  }

  taken(ids: string[], answer: Appended): void {
    const done = new Set(ids);
    this.kept = this.kept.filter((e) => !done.has(e.id));
    // Numbers of another generation say nothing about this record: it is asked for anew.
    if (answer.generation !== this.mark.generation) return void this.ask();
    this.takeIn(answer.entries);
    if (this.record.lastSeq < answer.lastSeq) void this.ask();
  }

  changed(): void {
    void this.readWaiting();
  }

  /** Asks for news now and then. */
  async listen(): Promise<void> {
    clearTimeout(this.timer);
    await this.ask();
    if (!this.alive) return;
    const hidden = typeof document !== 'undefined' && document.hidden;
    this.timer = setTimeout(() => void this.listen(), hidden ? HIDDEN : LOOKED_AT);
  }

  private async ask(): Promise<void> {
    const news = await this.transport.news(this.job, this.record.lastSeq);
    if (!this.alive) return;
    const ending = news.kind === 'taken' ? 'online' : endingOf(news);
    if (ending && news.kind !== 'failed') this.engine.met(ending);
    if (news.kind === 'refused') return this.onRestored();
    if (news.kind !== 'taken') return;
    if (news.value.id !== this.mark.id || news.value.generation !== this.mark.generation) return this.meet();
    if (news.value.entries.length === 0) return;
    const before = this.record.lastSeq;
    this.takeIn(news.value.entries);
    // A part of a long answer: the rest is asked for at once, as long as that leads on.
    if (before < this.record.lastSeq && this.record.lastSeq < news.value.lastSeq) await this.ask();
  }

  /** A backup was brought back: what the server has is what counts, from the beginning. */
  private async meet(): Promise<void> {
    const all = await this.transport.news(this.job, 0, true);
    if (!this.alive || all.kind !== 'taken') return;
    const { id, generation, entries, lastSeq, kept = 0 } = all.value;
    this.mark = { id, generation };
    this.record = takeIn(
      recordOf({}, 0),
      entries.filter((e) => e.seq <= kept),
    );
    this.clashes = [];
    // What came after the backup is news here, and may clash with what waited.
    this.takeIn(entries);
    if (this.record.lastSeq < lastSeq) await this.ask();
    this.keepSoon();
    this.publish();
    this.onRestored();
  }

  private takeIn(entries: readonly Entry[]): void {
    const mine = clashesOf(this.record, entries).filter(
      (c) => c.stands.by === this.user.name || c.other.by === this.user.name,
    );
    // A later write to the slot settles what was open about it.
    const written = new Set(entries.filter((e) => e.seq > this.record.lastSeq).map((e) => e.slot));
    this.clashes = [...this.clashes.filter((c) => !written.has(c.slot)), ...mine];
    this.record = takeIn(this.record, entries);
    this.keepSoon();
    this.publish();
  }

  private async readWaiting(): Promise<void> {
    this.kept = await this.waiting();
    this.publish();
  }

  /** What waits of this job; where the store cannot be read, what was known of it. */
  private async waiting(): Promise<NewEntry[]> {
    const waiting = await this.engine.waiting(this.job).catch(() => null);
    return waiting ? waiting.map((w) => w.entry) : this.kept;
  }

  private keepSoon(): void {
    clearTimeout(this.keeping);
    this.keeping = setTimeout(() => void this.keep(), KEEP_AFTER);
  }

  /** Keeps what is known of the job on this device. */
  private async keep(): Promise<void> {
    try {
      const store = await this.engine.store();
      const { job, mark, record, clashes } = this;
      await store.put('views', { job, of: mark, fold: FOLD_VERSION, record, clashes });
    } catch {
      // A full or closed store costs only the opening without network.
    }
  }

  private publish(): void {
    const at = new Date().toISOString();
    const waiting = [...this.kept, ...this.unkept].map(
      (e, k): Entry => ({
        ...e,
        seq: WAITING_SEQ + k,
        by: this.user.name,
        at,
      }),
    );
    const next = waiting.length ? fold(this.record.state, waiting) : this.record.state;
    // An acknowledgement changes who and when, not what: the page is not drawn anew for it.
    const state = sameValues(this.shown.state, next) ? this.shown.state : next;
    if (state === this.shown.state && this.clashes === this.shown.clashes) return;
    this.shown = { state, clashes: this.clashes };
    this.subscribers.forEach((subscriber) => subscriber());
  }
}

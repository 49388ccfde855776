import type { Json, NewEntry } from '@/core/case';
import type { JobMark, SetAside, Store, WaitingEntry } from './store';

/** What one request carries at most. */
export const BATCH_ENTRIES = 200;
const BATCH_BYTES = 180_000;

/** A write as a page makes it. */
export interface Write {
  slot: string;
  value: Json;
  /** How far the page knew the job's record. */
  seen: number;
}

/** The writes of one person that wait for the server, over all jobs, oldest first. Knows nothing of the network. */
export class Queue {
  constructor(
    private readonly store: Store,
    private readonly newId: () => string,
  ) {}

  /**
   * Adds writes to a job. A write takes the place of what waits for the same slot: one text, one entry. One that has set
   * out may have arrived; it is followed by a new entry and need not be sent again, since that says more.
   */
  async add(job: number, writes: readonly Write[], mark?: JobMark): Promise<void> {
    const tx = this.store.transaction('entries', 'readwrite');
    const all = (await tx.store.index('job').getAll(job)) as WaitingEntry[];
    // What was written for another job of this number goes its own way.
    const waiting = all.filter((w) => !w.of || !mark || w.of.id === mark.id);
    const bySlot = new Map(waiting.map((w) => [w.entry.slot, w]));
    const asked: Promise<unknown>[] = [];
    // Of two writes to one slot the later says it all.
    for (const { slot, value, seen } of new Map(writes.map((w) => [w.slot, w])).values()) {
      const before = bySlot.get(slot);
      // Under what waits nobody sees what another wrote meanwhile.
      const known = Math.min(seen, before?.entry.seen ?? seen);
      const id = before && !before.sent ? before.entry.id : this.newId();
      // Numbers of two generations do not compare: those of the older one are put right before anything is sent.
      const of = before?.of ?? mark;
      const fresh = { job, ...(of ? { of } : {}), entry: { id, slot, value, seen: known }, sent: false };
      if (before && !before.sent) asked.push(tx.store.put({ ...fresh, key: before.key }));
      else {
        if (before) asked.push(tx.store.delete(before.key));
        asked.push(tx.store.add(fresh));
      }
    }
    await Promise.all([...asked, tx.done]);
  }

  /** What waits of a job. */
  async waiting(job: number): Promise<WaitingEntry[]> {
    return (await this.store.getAllFromIndex('entries', 'job', job)) as WaitingEntry[];
  }

  /** How many writes wait, by job. */
  async counts(): Promise<Map<number, number>> {
    const counts = new Map<number, number>();
    const jobs = this.store.transaction('entries').store.index('job');
    // By job, not by write: each step is a way to the store and back.
    let cursor = await jobs.openKeyCursor(null, 'nextunique');
    for (; cursor; cursor = await cursor.continue()) counts.set(cursor.key, await jobs.count(cursor.key));
    return counts;
  }

  /**
   * The next writes of a job to be sent, by count and bytes, all of one generation; marked as on their way, so that they
   * do not change.
   */
  async take(job: number, most = BATCH_ENTRIES): Promise<WaitingEntry[]> {
    const tx = this.store.transaction('entries', 'readwrite');
    const waiting = (await tx.store.index('job').getAll(job)) as WaitingEntry[];
    const batch: WaitingEntry[] = [];
    const asked: Promise<unknown>[] = [];
    let bytes = 0;
    const [first] = waiting;
    for (const item of waiting.filter((w) => w.of?.generation === first!.of?.generation).slice(0, most)) {
      bytes += sizeOf(item.entry);
      if (batch.length && bytes > BATCH_BYTES) break;
      batch.push(item);
      if (!item.sent) asked.push(tx.store.put({ ...item, sent: true }));
    }
    await Promise.all([...asked, tx.done]);
    return batch;
  }

  async remove(items: readonly WaitingEntry[]): Promise<void> {
    const tx = this.store.transaction('entries', 'readwrite');
    await Promise.all([...items.map((i) => tx.store.delete(i.key)), tx.done]);
  }

  /** Sets writes aside with the reason they were refused. */
  async setAside(refused: readonly { item: WaitingEntry; message: string }[], at: string): Promise<void> {
    const tx = this.store.transaction(['entries', 'aside'], 'readwrite');
    const asked = refused.flatMap(({ item, message }): Promise<unknown>[] => {
      const { slot, value } = item.entry;
      const of = item.of ? { of: item.of } : {};
      return [
        tx.objectStore('aside').add({ job: item.job, ...of, slot, value, message, at }),
        tx.objectStore('entries').delete(item.key),
      ];
    });
    await Promise.all([...asked, tx.done]);
  }

  /**
   * Puts what was written before a backup was brought back into the job as it stands now. `kept`: how many of its entries
   * the backup held; beyond them its writers have seen nothing. Returns what was written for another job of this number.
   */
  async meet(job: number, now: JobMark, kept: number): Promise<WaitingEntry[]> {
    const tx = this.store.transaction('entries', 'readwrite');
    const waiting = (await tx.store.index('job').getAll(job)) as WaitingEntry[];
    const before = waiting.filter((w) => w.of && w.of.generation !== now.generation);
    const asked = before
      .filter((item) => item.of!.id === now.id)
      .map((item) => {
        const entry = { ...item.entry, seen: Math.min(item.entry.seen ?? 0, kept) };
        return tx.store.put({ ...item, of: now, entry });
      });
    await Promise.all([...asked, tx.done]);
    return before.filter((w) => w.of!.id !== now.id);
  }

  async aside(): Promise<SetAside[]> {
    return (await this.store.getAll('aside')) as SetAside[];
  }

  /** Drops one that was set aside. */
  async discard(key: number): Promise<void> {
    await this.store.delete('aside', key);
  }

  /** Puts one that was set aside back in line, as a write of now. */
  async again(item: SetAside): Promise<void> {
    await this.add(item.job, [{ slot: item.slot, value: item.value, seen: 0 }], item.of);
    await this.discard(item.key);
  }
}

const encoder = new TextEncoder();

/** Bytes of an entry on the wire. */
function sizeOf(entry: NewEntry): number {
  return encoder.encode(JSON.stringify(entry)).length + 1;
}

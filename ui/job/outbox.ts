import { openDB } from 'idb';
import type { DBSchema, IDBPDatabase } from 'idb';
import type { NewEntry } from '@/core/case';

/** Something written here and not yet acknowledged by the server. */
export type OutboxItem =
  | { key?: number; job: number; kind: 'entry'; entry: NewEntry }
  | { key?: number; job: number; kind: 'photo'; photo: { id: string; blob: Blob } };

interface OutboxSchema extends DBSchema {
  items: { key: number; value: OutboxItem; indexes: { job: number } };
}

/** One outbox per user, in the browser's own database: it survives reloads, crashes and dead networks. */
export class Outbox {
  private constructor(private readonly db: IDBPDatabase<OutboxSchema>) {}

  static async open(userId: string): Promise<Outbox> {
    const db = await openDB<OutboxSchema>(`pelvik-outbox-${userId}`, 1, {
      upgrade(database) {
        database
          .createObjectStore('items', { keyPath: 'key', autoIncrement: true })
          .createIndex('job', 'job');
      },
    });
    return new Outbox(db);
  }

  async add(item: OutboxItem): Promise<void> {
    await this.db.add('items', item);
  }

  /** Everything waiting for a job, oldest first. */
  async waiting(job: number): Promise<(OutboxItem & { key: number })[]> {
    const items = await this.db.getAllFromIndex('items', 'job', job);
    return (items as (OutboxItem & { key: number })[]).sort((a, b) => a.key - b.key);
  }

  async remove(keys: number[]): Promise<void> {
    const tx = this.db.transaction('items', 'readwrite');
    await Promise.all([...keys.map((k) => tx.store.delete(k)), tx.done]);
  }
}

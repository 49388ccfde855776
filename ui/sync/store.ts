import { deleteDB, openDB } from 'idb';
import type { DBSchema, IDBPDatabase } from 'idb';
import type { Clash, JobRecord, Json, NewEntry } from '@/core/case';

/** Which job a number meant, and in which course of the shop's history: a restored backup may give it to another. */
export interface JobMark {
  id: string;
  generation: string;
}

/** A write not yet acknowledged by the server. */
export interface WaitingEntry {
  key: number;
  job: number;
  /** Absent in what an earlier version of the program left. */
  of?: JobMark;
  entry: NewEntry;
  /** It may have reached the server: its value can no longer be changed, only followed by another write. */
  sent: boolean;
}

/** A photo not yet acknowledged. */
export interface WaitingPhoto {
  key: number;
  job: number;
  of?: JobMark;
  id: string;
  blob: Blob;
}

/** What the server will not take as it is: set aside, so that the rest goes on. */
export interface SetAside {
  key: number;
  job: number;
  of?: JobMark;
  slot: string;
  value: Json;
  /** A photo whose job is gone. */
  picture?: Blob;
  /** What is wrong and what to do, in the server's words. */
  message: string;
  /** ISO 8601, UTC. */
  at: string;
}

/** A job as this device last knew it, for opening it without the network. */
interface KeptView {
  job: number;
  of: JobMark;
  /** The version of the fold that made it. */
  fold: number;
  record: JobRecord;
  clashes: Clash[];
}

export type Unkeyed<T> = Omit<T, 'key'> & { key?: number };

interface StoreSchema extends DBSchema {
  entries: { key: number; value: Unkeyed<WaitingEntry>; indexes: { job: number } };
  photos: { key: number; value: Unkeyed<WaitingPhoto> };
  aside: { key: number; value: Unkeyed<SetAside> };
  views: { key: number; value: KeptView };
}

/** The first version kept writes and photos in one list. */
type FirstItem =
  | { key: number; job: number; kind: 'entry'; entry: NewEntry }
  | { key: number; job: number; kind: 'photo'; photo: { id: string; blob: Blob } };

export type Store = IDBPDatabase<StoreSchema>;

const PREFIX = 'pelvik-outbox-';

/** One person's store, in the browser's own database: it survives reloads, crashes and dead networks. */
export function openStore(userId: string): Promise<Store> {
  return openDB<StoreSchema>(`${PREFIX}${userId}`, 2, {
    async upgrade(db, from, _to, tx) {
      const keyed = { keyPath: 'key', autoIncrement: true } as const;
      db.createObjectStore('entries', keyed).createIndex('job', 'job');
      db.createObjectStore('photos', keyed);
      db.createObjectStore('aside', keyed);
      db.createObjectStore('views', { keyPath: 'job' });
      if (from !== 1) return;
      const first = tx.objectStore('items' as never);
      for (const item of (await first.getAll()) as unknown as FirstItem[]) {
        if (item.kind === 'entry')
          await tx.objectStore('entries').add({ job: item.job, entry: item.entry, sent: true });
        else await tx.objectStore('photos').add({ job: item.job, ...item.photo });
      }
      db.deleteObjectStore('items' as never);
    },
    // A newer version of the program in another tab must not wait for this one.
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  });
}

/** Whether a person has a store here; a browser that cannot say may have one. */
export async function hasStore(userId: string): Promise<boolean> {
  const names = await indexedDB.databases?.();
  return !names || names.some((d) => d.name === `${PREFIX}${userId}`);
}

/** Deletes a person's store, whoever has it open. */
export async function deleteStore(userId: string): Promise<void> {
  await deleteDB(`${PREFIX}${userId}`);
}

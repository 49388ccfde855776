import { openDB } from 'idb';
import type { DBSchema, IDBPDatabase } from 'idb';

/** What is locked: unreadable without the person's key, which the server gives only to that person. */
export interface Box {
  iv: Uint8Array<ArrayBuffer>;
  data: ArrayBuffer;
}

/** What a device knows of who works at it: read by pages and by the service worker alike. */
export interface DevicePerson {
  id: string;
  name: string;
  /** Of the session that is open or ended by itself; it is gone once what was left is locked with it. */
  key?: CryptoKey;
  /** What was left unsent and is locked; the first list is the oldest. */
  left?: Left[];
}

/** Unsent changes, locked: nobody reads them on this device until their writer signs in again. */
export interface Left {
  /** How many changes and photos. */
  changes: number;
  box: Box;
  photos: Box[];
}

interface DeviceSchema extends DBSchema {
  people: { key: string; value: DevicePerson };
  about: { key: 'current'; value: string };
}
export type Device = IDBPDatabase<DeviceSchema>;

const NAME = 'pelvik-device';

let opening: Promise<Device> | null = null;

export function openDevice(): Promise<Device> {
  opening ??= openDB<DeviceSchema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('people', { keyPath: 'id' });
      db.createObjectStore('about');
    },
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      opening = null;
    },
    terminated: () => (opening = null),
  }).catch((error: unknown) => {
    opening = null;
    throw error;
  });
  return opening;
}

/** For tests, where each world has a browser of its own. */
export async function closeDevice(): Promise<void> {
  (await opening)?.close();
  opening = null;
}

/** Whose device this is at the moment; null while nobody is signed in, or where the browser keeps nothing. */
export async function currentPerson(): Promise<string | null> {
  const device = await openDevice().catch(() => null);
  return (await device?.get('about', 'current')) ?? null;
}

export async function setCurrentPerson(id: string | null): Promise<void> {
  const device = await openDevice();
  if (id === null) await device.delete('about', 'current');
  else await device.put('about', id, 'current');
}

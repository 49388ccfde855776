import type { Device, DevicePerson, Left } from '@/workers/device';
import { lock, unlock } from './lock';
import { deleteStore, hasStore, openStore } from './store';
import type { SetAside, Store, Unkeyed, WaitingEntry, WaitingPhoto } from './store';

/** What people leave unsent on a shared device: locked when somebody else comes, given back when they sign in again. */

/** Names under which fields hold what is typed: `pelvik PERSON WHAT`. */
export const typedName = (person: string, what: string) => `pelvik ${person} ${what}`;

interface Unsent {
  entries: Unkeyed<WaitingEntry>[];
  /** Their pictures, then those set aside, are in boxes of their own, in this order. */
  photos: (Omit<WaitingPhoto, 'blob' | 'key'> & { type: string })[];
  aside: (Unkeyed<SetAside> & { type?: string })[];
  /** What stood in fields and was not taken yet: name → text. */
  typed: [string, string][];
}

/** How much of somebody's waits here: changes, photos, and what was set aside. */
export async function changesOf(person: DevicePerson): Promise<number> {
  const locked = (person.left ?? []).reduce((sum, l) => sum + l.changes, 0);
  if (!(await hasStore(person.id))) return locked;
  const store = await openStore(person.id);
  try {
    const counts = await Promise.all((['entries', 'photos', 'aside'] as const).map((s) => store.count(s)));
    return counts.reduce((a, b) => a + b, 0) + locked;
  } finally {
    store.close();
  }
}

/** Locks what a person left and takes everything else of theirs off the device. Without their key it stays as it is. */
export async function lockAway(device: Device, person: DevicePerson, storage: Storage): Promise<void> {
  const { key, left = [], ...known } = person;
  const names = Object.keys(storage).filter((name) => name.startsWith(typedName(person.id, '')));
  const store = await openStore(person.id);
  const { unsent, pictures } = await gather(store, names, storage);
  store.close();
  const { entries, photos, aside, typed } = unsent;
  const changes = entries.length + photos.length + aside.length;
  if (changes + typed.length > 0) {
    if (!key) return;
    const box = await lock(key, new TextEncoder().encode(JSON.stringify(unsent)));
    const boxes: Left['photos'] = [];
    for (const picture of pictures) boxes.push(await lock(key, await picture.arrayBuffer()));
    await device.put('people', { ...known, left: [...left, { changes, box, photos: boxes }] });
  } else if (left.length) await device.put('people', { ...known, left });
  else await device.delete('people', person.id);
  await deleteStore(person.id);
  for (const name of names) storage.removeItem(name);
}

async function gather(
  store: Store,
  names: string[],
  storage: Storage,
): Promise<{ unsent: Unsent; pictures: Blob[] }> {
  const photos = (await store.getAll('photos')) as WaitingPhoto[];
  const aside = (await store.getAll('aside')) as SetAside[];
  return {
    unsent: {
      entries: (await store.getAll('entries')).map(withoutKey),
      photos: photos.map(({ blob, key: _key, ...photo }) => ({ ...photo, type: blob.type })),
      aside: aside.map(({ picture, key: _key, ...rest }) => ({
        ...rest,
        ...(picture ? { type: picture.type } : {}),
      })),
      typed: names.map((name) => [name, storage.getItem(name) ?? '']),
    },
    pictures: [...photos.map((p) => p.blob), ...aside.flatMap((a) => a.picture ?? [])],
  };
}

function withoutKey<T extends { key?: number }>({ key: _key, ...rest }: T): Omit<T, 'key'> {
  return rest;
}

/** Gives a person back what they left. What has been written anew since, of the same field, stands. */
export async function giveBack(
  device: Device,
  person: DevicePerson & { key: CryptoKey },
  storage: Storage,
): Promise<void> {
  const { left = [], ...known } = person;
  if (left.length === 0) return;
  const opened = [];
  for (const { box, photos } of left) {
    const unsent = JSON.parse(new TextDecoder().decode(await unlock(person.key, box))) as Unsent;
    const pictures = [];
    for (const photo of photos) pictures.push(await unlock(person.key, photo));
    opened.push({ unsent, pictures });
  }
  const store = await openStore(person.id);
  const tx = store.transaction(['entries', 'photos', 'aside'], 'readwrite');
  const written = new Set(((await tx.objectStore('entries').getAll()) as WaitingEntry[]).map(fieldOf));
  for (const { unsent, pictures } of opened) {
    for (const entry of unsent.entries)
      if (!written.has(fieldOf(entry))) await tx.objectStore('entries').add(entry);
    const picture = (type: string) => new Blob([pictures.shift()!], { type });
    for (const { type, ...photo } of unsent.photos)
      await tx.objectStore('photos').add({ ...photo, blob: picture(type) });
    for (const { type, ...aside } of unsent.aside)
      await tx
        .objectStore('aside')
        .add({ ...aside, ...(type === undefined ? {} : { picture: picture(type) }) });
  }
  await tx.done;
  store.close();
  for (const { unsent } of opened)
    for (const [name, text] of unsent.typed) if (storage.getItem(name) === null) storage.setItem(name, text);
  await device.put('people', known);
}

const fieldOf = ({ job, entry }: Unkeyed<WaitingEntry>) => `${job} ${entry.slot}`;

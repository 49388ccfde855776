import { currentPerson, openDevice, setCurrentPerson } from '@/workers/device';
import type { Device, DevicePerson } from '@/workers/device';
import { changesOf, giveBack, lockAway } from './left';
import { keyFrom } from './lock';

/** The browser's own storages, replaced in tests. */
export interface Keeping {
  storage: Storage;
  /** Absent where the browser has none. */
  caches?: CacheStorage;
  /** One page at a time settles who works here. */
  alone<T>(work: () => Promise<T>): Promise<T>;
  /** Tells the other tabs whose device this is now. */
  tell(current: string | null): void;
}

/** Somebody whose unsent changes wait on this device. */
export interface WaitingHere {
  id: string;
  name: string;
  changes: number;
}

/** What pages and photos are kept under says whose they are. */
const isKeptFor = (cache: string, person: string) => cache.endsWith(`-for-${person}`);

/**
 * A person has signed in at this device, or opens a page here: what others left is locked and whatever else was kept for
 * them is deleted; what this person left earlier is given back. `key`: the person's own from the server.
 */
export async function enter(
  who: { id: string; name: string },
  key: () => Promise<string>,
  keeping: Keeping,
): Promise<void> {
  await keeping.alone(async () => {
    const device = await openDevice();
    for (const other of await device.getAll('people'))
      if (other.id !== who.id) await lockAway(device, other, keeping.storage);
    if ((await currentPerson()) !== who.id) {
      await deleteCaches(keeping, (name) => isKeptFor(name, who.id));
      await setCurrentPerson(who.id);
      keeping.tell(who.id);
    }
    await welcome(device, who, key, keeping.storage);
  });
}

async function welcome(
  device: Device,
  who: { id: string; name: string },
  key: () => Promise<string>,
  storage: Storage,
): Promise<void> {
  const known = await device.get('people', who.id);
  const person: DevicePerson = { ...known, id: who.id, name: who.name };
  if (!person.key) {
    // Without its key nothing can be given back; the next page asks for it again.
    const given = await key()
      .then(keyFrom)
      .catch(() => null);
    if (given) person.key = given;
  }
  if (!known || known.name !== person.name || known.key !== person.key) await device.put('people', person);
  if (person.key) await giveBack(device, { ...person, key: person.key }, storage);
}

/** A person signs out: what is not sent stays here, locked; nothing else of theirs does. */
export async function leave(id: string, keeping: Keeping): Promise<void> {
  await keeping.alone(async () => {
    const device = await openDevice();
    const person = await device.get('people', id);
    if (person) await lockAway(device, person, keeping.storage);
    await deleteCaches(keeping, () => false);
    await setCurrentPerson(null);
    keeping.tell(null);
  });
}

/** Whose changes wait on this device, but for one person's. */
export async function waitingHere(except: string | null): Promise<WaitingHere[]> {
  const device = await openDevice();
  const people = (await device.getAll('people')).filter((p) => p.id !== except);
  const counted = await Promise.all(
    people.map(async (p) => ({ id: p.id, name: p.name, changes: await changesOf(p) })),
  );
  return counted.filter((p) => p.changes > 0);
}

/** The program's own files stay; they are the same for everybody. */
async function deleteCaches({ caches }: Keeping, stays: (name: string) => boolean): Promise<void> {
  for (const name of (await caches?.keys()) ?? [])
    if (name.startsWith('pelvik-') && !stays(name)) await caches!.delete(name);
}

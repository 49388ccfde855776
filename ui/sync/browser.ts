import { send, sendAs } from '@/ui/net/request';
import { storedBy } from '@/ui/system/kept';
import { openDevice } from '@/workers/device';
import { SyncEngine } from './engine';
import { enter, leave } from './people-here';
import type { Keeping } from './people-here';
import { openStore } from './store';
import type { Surroundings } from './surroundings';
import { transportOf } from './transport';

/** Whose page this is, as the server drew it. */
export interface Who {
  id: string;
  name: string;
  /** Of the shop's data, as the page was drawn. */
  generation: string;
}

const shared = globalThis as { pelvikSync?: { user: string; engine: SyncEngine } };

/** The one engine of a person in this tab; it goes on from page to page. */
export function engineFor(who: Who): SyncEngine {
  sendAs(who);
  if (shared.pelvikSync?.user !== who.id) {
    void shared.pelvikSync?.engine.stop();
    const engine = new SyncEngine(surroundings(who.id));
    shared.pelvikSync = { user: who.id, engine };
    storedBy(() => engine.kept());
    window.addEventListener('online', () => engine.wake());
    window.addEventListener('offline', () => engine.met('offline'));
    void lookForServer(engine);
    document.addEventListener('visibilitychange', () => {
      if (document.hidden) return;
      engine.wake();
      void leaveIfNotHere(who.id);
    });
    // A page the browser brings back as it was may be of who was here before.
    window.addEventListener('pageshow', (event) => event.persisted && void leaveIfNotHere(who.id));
    engine.subscribe(() => engine.read().connection === 'other-person' && makeRoom());
    devices().onmessage = () => void leaveIfNotHere(who.id);
    void enter(who, deviceKey, keeping()).then(() => engine.wake(), ignore);
  }
  return shared.pelvikSync!.engine;
}

/** Just signed in: what the person left on this device is given back before the first page of theirs is drawn. */
export async function enterDevice(who: Pick<Who, 'id' | 'name'>, key: string): Promise<void> {
  await soon(enter(who, async () => key, keeping()));
}

/** Signed out: what is not sent stays here, locked; the theme stays too. */
export async function leaveDevice(id: string): Promise<void> {
  await shared.pelvikSync?.engine.stop();
  shared.pelvikSync = undefined;
  sessionStorage.clear();
  await soon(leave(id, keeping()));
}

/** Another tab may hold things up; then the next page does what is left to do. */
const PATIENCE = 8_000;

async function soon(work: Promise<void>): Promise<void> {
  await Promise.race([work.catch(ignore), new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
}

// A browser that keeps nothing has nothing to lock, to give back or to clear.
const ignore = () => undefined;

const deviceKey = async () =>
  (await send<{ key: string }>('GET', '/api/account/device-key', { within: REACH_TIME })).key;

let channel: BroadcastChannel | undefined;
const devices = () => (channel ??= new BroadcastChannel('pelvik-device'));

function keeping(): Keeping {
  return {
    storage: localStorage,
    caches: globalThis.caches,
    alone: async (work) => (navigator.locks ? navigator.locks.request('pelvik-device', work) : work()),
    tell: (current) => devices().postMessage(current),
  };
}

async function leaveIfNotHere(id: string): Promise<void> {
  // A browser that keeps nothing cannot say who is here: the server still can.
  const current = await openDevice().then(
    (device) => device.get('about', 'current'),
    () => id,
  );
  if (current !== id) makeRoom();
}

/** Not again at once where the network is too slow to say whose page it is now. */
const ROOM_AGAIN = 10_000;
const ROOM_MADE = 'pelvik-room-made';

/** Somebody else works here now: what stands in a field is kept, and the page is drawn anew, for them. */
function makeRoom(): void {
  if (Date.now() - Number(sessionStorage.getItem(ROOM_MADE) ?? 0) < ROOM_AGAIN) return;
  sessionStorage.setItem(ROOM_MADE, String(Date.now()));
  (document.activeElement as HTMLElement | null)?.blur();
  void shared.pelvikSync?.engine.kept().then(() => location.reload());
}

/** Milliseconds a server may take to answer, and between questions while it does not. */
const REACH_TIME = 8_000;
const ASK_AGAIN = 10_000;
const SOON = 500;

/**
 * Asks once whether the server is there, and again until it is: the browser calls itself connected on any network, also
 * where the shop's server is away.
 */
async function lookForServer(engine: SyncEngine): Promise<void> {
  const there = await fetch('/api/ready', {
    cache: 'no-store',
    signal: AbortSignal.timeout(REACH_TIME),
  }).then(
    // An answer that is not read to its end holds its connection.
    (answer) => answer.text().then(() => answer.ok),
    () => false,
  );
  if (shared.pelvikSync?.engine !== engine) return;
  if (there) {
    if (engine.read().connection === 'offline') engine.met('online');
    return engine.wake();
  }
  engine.met('offline');
  // While it sends, the engine finds out by itself; what it found is looked at soon.
  const heard = engine.read().connection === 'offline';
  setTimeout(() => void lookForServer(engine), heard ? ASK_AGAIN : SOON);
}

function surroundings(userId: string): Surroundings {
  const lock = `pelvik-sync-${userId}`;
  return {
    openStore: () => openStore(userId),
    transport: transportOf(userId),
    newId: () => crypto.randomUUID(),
    now: () => new Date().toISOString(),
    // Tabs of one person take turns; where the browser has no locks, sending twice is harmless.
    alone: async (what, work) =>
      navigator.locks ? navigator.locks.request(`${lock}-${what}`, work) : work(),
    openChannel: (hear) => {
      const channel = new BroadcastChannel(lock);
      channel.onmessage = ({ data }) => hear(data);
      return { tell: (told) => channel.postMessage(told), close: () => channel.close() };
    },
    after: (milliseconds, work) => {
      const timer = setTimeout(work, milliseconds);
      return () => clearTimeout(timer);
    },
  };
}

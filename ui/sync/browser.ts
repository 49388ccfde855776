import { storedBy } from '@/ui/system/kept';
import { SyncEngine } from './engine';
import type { Surroundings } from './surroundings';
import { deleteStores, openStore } from './store';
import { transport } from './transport';

const THEME = 'pelvik-theme';
const shared = globalThis as { pelvikSync?: { user: string; engine: SyncEngine } };

/** The one engine of a person in this tab; it goes on from page to page. */
export function engineFor(userId: string): SyncEngine {
  if (shared.pelvikSync?.user !== userId) {
    void shared.pelvikSync?.engine.stop();
    const engine = new SyncEngine(surroundings(userId));
    shared.pelvikSync = { user: userId, engine };
    storedBy(() => engine.kept());
    window.addEventListener('online', () => engine.wake());
    window.addEventListener('offline', () => engine.met('offline'));
    void lookForServer(engine);
    document.addEventListener('visibilitychange', () => !document.hidden && engine.wake());
  }
  return shared.pelvikSync!.engine;
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
  const there = await fetch('/api/health', {
    cache: 'no-store',
    signal: AbortSignal.timeout(REACH_TIME),
  }).then(
    (answer) => answer.ok,
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
    transport,
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

/** Takes everything of everybody off this device: what waits, what was opened, what was typed. The theme stays. */
export async function clearDevice(): Promise<void> {
  await shared.pelvikSync?.engine.stop();
  shared.pelvikSync = undefined;
  await deleteStores();
  for (const name of Object.keys(localStorage))
    if (name.startsWith('pelvik') && name !== THEME) localStorage.removeItem(name);
  sessionStorage.clear();
  for (const name of (await globalThis.caches?.keys()) ?? [])
    if (!name.includes('precache')) await caches.delete(name);
}

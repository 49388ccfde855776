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
    window.addEventListener('online', () => engine.wake());
    window.addEventListener('offline', () => engine.met('offline'));
    if (!navigator.onLine) engine.met('offline');
    document.addEventListener('visibilitychange', () => !document.hidden && engine.wake());
  }
  return shared.pelvikSync!.engine;
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

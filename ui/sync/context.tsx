'use client';
import { createContext, useContext, useEffect, useState, useSyncExternalStore } from 'react';
import type { ReactNode } from 'react';
import { engineFor } from './browser';
import type { Who } from './browser';
import { BEFORE } from './engine';
import type { SyncEngine, SyncState } from './engine';

const EngineContext = createContext<SyncEngine | null>(null);

/** The signed-in person's sync for the pages below; there is none on the server. */
export function SyncProvider({ who, children }: { who: Who; children: ReactNode }) {
  const [engine, setEngine] = useState<SyncEngine | null>(() =>
    typeof window === 'undefined' ? null : engineFor(who),
  );
  useEffect(() => setEngine(engineFor(who)), [who]);
  return (
    <EngineContext value={engine}>
      {/* Says to whoever keeps this page whose it is. */}
      <meta name="pelvik-person" content={who.id} />
      {children}
    </EngineContext>
  );
}

/** Null on the server only. */
export function useEngine(): SyncEngine | null {
  return useContext(EngineContext);
}

const never = () => () => undefined;

/** How the saving goes, over all jobs. */
export function useSync(): SyncState {
  const engine = useEngine();
  return useSyncExternalStore(engine?.subscribe ?? never, engine?.read ?? (() => BEFORE), () => BEFORE);
}

'use client';
import type { ReactNode } from 'react';
import { SyncBanner } from './banner';
import type { Who } from './browser';
import { SyncProvider } from './context';

/** Around every page of a signed-in person: what waits is sent from here, whichever page it is. */
export function SignedIn({ who, children }: { who: Who; children: ReactNode }) {
  return (
    <SyncProvider who={who}>
      <SyncBanner />
      {children}
    </SyncProvider>
  );
}

'use client';
import type { ReactNode } from 'react';
import { SyncBanner } from './banner';
import { SyncProvider } from './context';

/** Around every page of a signed-in person: what waits is sent from here, whichever page it is. */
export function SignedIn({ userId, children }: { userId: string; children: ReactNode }) {
  return (
    <SyncProvider userId={userId}>
      <SyncBanner />
      {children}
    </SyncProvider>
  );
}

'use client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import type { ReactNode } from 'react';

/** Server state for the pages below. */
export function Queries({ children }: { children: ReactNode }) {
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 2000 } } }),
  );
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

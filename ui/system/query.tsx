'use client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useState } from 'react';
import type { ReactNode } from 'react';

// Without the network a question is asked all the same and fails in words: held back, it would wait without any.
const make = () =>
  new QueryClient({
    defaultOptions: {
      queries: { retry: 1, staleTime: 2000, networkMode: 'always' },
      mutations: { networkMode: 'always' },
    },
  });
let shared: QueryClient | undefined;

/** Server state for the pages that ask for it; one store for all of them in a browser, none shared on the server. */
export function Queries({ children }: { children: ReactNode }) {
  const [client] = useState(() => (typeof window === 'undefined' ? make() : (shared ??= make())));
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

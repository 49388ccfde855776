'use client';
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { ScopeLine } from '@/core/scope';
import type { ShelfPiece } from '@/core/shelf';
import type { SupplierAnswer } from '@/core/supply';
import { useBench } from '@/ui/job/provider';
import { sayError, send } from '@/ui/net/request';

/** How one supplier stands: not asked, being asked, answered, or why not. */
export interface Asked {
  supplier: string;
  parts: string[];
  answer: SupplierAnswer | null;
  asking: boolean;
  trouble: string | null;
  again: () => void;
}

/** The suppliers of what is bought, each asked on its own: one that does not answer holds up none of the others. */
export function useOffers(
  lines: readonly ScopeLine[],
  asking: boolean,
): { asked: Asked[]; ask: (() => void) | null } {
  const { number, unit } = useBench();
  const [wanted, setWanted] = useState(asking);
  const bySupplier = new Map<string, string[]>();
  for (const { of } of lines) {
    const supplier = unit.parts.find((p) => p.id === of)?.supplier ?? '';
    bySupplier.set(supplier, [...(bySupplier.get(supplier) ?? []), of!]);
  }
  const questions = [...bySupplier].map(([supplier, parts]) => ({ supplier, parts: parts.sort() }));
  const answers = useQueries({
    queries: questions.map((body) => ({
      queryKey: ['offers', number, body],
      queryFn: () => send<SupplierAnswer>('POST', `/api/jobs/${number}/offers`, { body, within: 20_000 }),
      enabled: wanted,
      staleTime: Infinity,
      retry: false,
    })),
  });
  const asked = questions.map((question, k): Asked => {
    const { data, error, isFetching, refetch } = answers[k]!;
    return {
      ...question,
      answer: data ?? null,
      asking: isFetching,
      trouble: error ? sayError(error) : (data?.trouble ?? null),
      again: () => void refetch(),
    };
  });
  return { asked, ask: wanted ? null : () => setWanted(true) };
}

/** What of this unit lies on the shop's shelf; empty while nobody can say. */
export function useShelf(): {
  pieces: ShelfPiece[];
  known: boolean;
  change: (id: string, body: object) => Promise<void>;
} {
  const { unit } = useBench();
  const client = useQueryClient();
  const key = ['shelf', unit.id];
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => send<{ pieces: ShelfPiece[] }>('GET', `/api/shelf?unit=${encodeURIComponent(unit.id)}`),
    staleTime: 30_000,
  });
  return {
    pieces: data?.pieces ?? [],
    known: data !== undefined,
    change: async (id, body) => {
      try {
        await send('POST', `/api/shelf/${id}`, { body });
      } finally {
        await client.invalidateQueries({ queryKey: key });
      }
    },
  };
}

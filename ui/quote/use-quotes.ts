'use client';
import { useQuery } from '@tanstack/react-query';
import type { QuoteContent } from '@/core/quote';
import { useBase } from '@/ui/job/provider';
import { sayError, send } from '@/ui/net/request';
import { useSync } from '@/ui/sync/context';
import type { QuoteView } from './version';

/** The versions made so far, and the quote as it would be made now. */
export interface Quotes {
  quotes: QuoteView[];
  preview: QuoteContent;
}

export const quotesKey = (job: number) => ['quotes', job];

/**
 * The quotes of the job on this page, asked for again and again. The server prices what it holds: with `settled` it is
 * asked once nothing written in this job waits; photos and other jobs hold nothing up. `words` says what is missing while
 * `data` is not there.
 */
export function useQuotes(
  every: number,
  settled: boolean,
): { data: Quotes | undefined; words: string | null } {
  const { number } = useBase();
  const { connection, byJob } = useSync();
  const waits = settled ? (byJob.get(number) ?? 0) : 0;
  const { data, error } = useQuery({
    queryKey: quotesKey(number),
    queryFn: () => send<Quotes>('GET', `/api/jobs/${number}/quotes`, { listening: true }),
    enabled: connection !== 'opening' && waits === 0,
    refetchInterval: every,
  });
  if (data) return { data, words: null };
  if (waits > 0) return { data, words: waits === 1 ? ONE_WAITS : `${waits} ${MANY_WAIT}` };
  return { data, words: error && sayError(error) };
}

const ONE_WAITS = 'One change of this job has not reached the server yet. The quote appears once it has.';
const MANY_WAIT = 'changes of this job have not reached the server yet. The quote appears once they have.';

'use client';
import { useEffect, useMemo, useReducer, useState } from 'react';
import { preload } from 'react-dom';
import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/quote';
import type { ScopeRules } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { readLasting, sayError } from '@/ui/net/request';

/** What a job's page reasons with: its unit, and what is known of all of them. */
export interface JobLibrary {
  unit: UnitDefinition;
  knowledge: Knowledge;
  rules: ScopeRules;
  terms: ShopTerms;
}

export interface Opening {
  library: JobLibrary | null;
  /** Why it did not come; `retry` asks again. */
  problem: string | null;
  retry: () => void;
}

/** One object for each address, from page to page: what is worked out of it once is not worked out again. */
const held = new Map<string, JobLibrary>();

/**
 * The library at its address. It is a hundred times what a page says of its job and the same for every one of them, so it
 * is no part of the page; null until the browser has it, and always on the server.
 */
export function useLibrary(address: string): Opening {
  preload(address, { as: 'fetch', crossOrigin: 'anonymous' });
  // What the server drew stands until the page has come to life.
  const [live, setLive] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [attempt, retry] = useReducer((n: number) => n + 1, 0);
  useEffect(() => {
    let gone = false;
    const come = () => !gone && setLive(true);
    setProblem(null);
    if (held.has(address)) come();
    else
      readLasting<JobLibrary>(address).then(
        (library) => {
          held.set(address, library);
          come();
        },
        (error: unknown) => !gone && setProblem(sayError(error)),
      );
    return () => {
      gone = true;
    };
  }, [address, attempt]);
  const library = (live && held.get(address)) || null;
  return useMemo(() => ({ library, problem, retry }), [library, problem]);
}

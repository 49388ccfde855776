'use client';
import { useMemo } from 'react';
import { preload } from 'react-dom';
import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/shop';
import type { ScopeRules } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { readLasting, sayError } from '@/ui/net/request';
import { later, useLater } from '@/ui/system';
import type { Later } from '@/ui/system';

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

/** One for each address, from page to page: what is worked out of a library once is not worked out again. */
const held = new Map<string, Later<JobLibrary>>();

function libraryAt(address: string): Later<JobLibrary> {
  let known = held.get(address);
  if (!known) held.set(address, (known = later(() => readLasting<JobLibrary>(address))));
  return known;
}

/**
 * The library at its address. It is a hundred times what a page says of its job and the same for every one of them, so it
 * is no part of the page; null until the browser has it, and always on the server.
 */
export function useLibrary(address: string): Opening {
  preload(address, { as: 'fetch', crossOrigin: 'anonymous' });
  const { piece: library, problem, retry } = useLater(libraryAt(address));
  const words = problem ? sayError(problem) : null;
  return useMemo(() => ({ library, problem: words, retry }), [library, words, retry]);
}

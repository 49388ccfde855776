'use client';
import { createContext, useContext } from 'react';
import type { ShopTerms } from '@/core/shop';

/** The terms as they are being changed: nothing counts until they are kept as a new version. */
export interface Draft {
  terms: ShopTerms;
  change: (patch: Partial<ShopTerms>) => void;
  /** What is wrong with it, by pointer. */
  problems: { pointer: string; message: string; remedy: string }[];
  /** Counts up when everything is put back, so that fields forget what was typed. */
  round: number;
}

const DraftContext = createContext<Draft | null>(null);
export const DraftProvider = DraftContext.Provider;

export function useDraft(): Draft {
  const draft = useContext(DraftContext);
  if (!draft) throw new Error('useDraft stands outside the shop page.');
  return draft;
}

'use client';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { UnitDefinition } from '@/core/unit';
import type { Problem } from '@/core/validation';
import { send } from '@/ui/net/request';

export interface Check {
  problems: Problem[];
  warnings: Problem[];
}

/** What the server finds in a draft, a moment after the last change; null until it has answered. */
export function useCheck(unit: UnitDefinition): { check: Check | null; behind: boolean } {
  const [settled, setSettled] = useState(unit);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(unit), 400);
    return () => clearTimeout(timer);
  }, [unit]);
  const { data, isFetching } = useQuery({
    queryKey: ['unit check', settled],
    queryFn: () => send<Check>('POST', '/api/units/check', { body: settled }),
    placeholderData: (before) => before,
    gcTime: 0,
    retry: 1,
  });
  return { check: data ?? null, behind: isFetching || settled !== unit };
}

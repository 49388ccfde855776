import { findingSlot } from '@/core/case';
import type { Finding, Json } from '@/core/case';
import type { Subject } from '@/core/inspection';
import { useBench, useSlot } from '@/ui/job/provider';

/** A finding and the ways to change it: another value, or some of what goes with it. Null takes it back. */
export interface FindingHandle {
  slot: string;
  finding: Finding | undefined;
  say: (is: Finding['is'] | null, more?: Partial<Finding>) => void;
  add: (more: { [K in keyof Finding]?: Finding[K] | null }) => void;
}

/** One reading of one point of one subject. */
export function useFinding(subject: Subject, point: string, reading: string | null = null): FindingHandle {
  const { write, now } = useBench();
  const slot = findingSlot(subject.slot, point, reading);
  const finding = useSlot(slot) as Finding | undefined;
  // From the record as it stands at this moment: two fields left at once must not undo each other.
  const current = () => (now(slot) as Finding | undefined) ?? null;
  const put = (value: { [key: string]: unknown } | null) => {
    const kept = value && Object.entries(value).filter(([, v]) => v !== undefined && v !== null);
    write(slot, kept ? (Object.fromEntries(kept) as Json) : null);
  };
  return {
    slot,
    finding,
    say: (is, more = {}) => put(is === null ? null : { ...more, ...current(), is }),
    add: (more) => {
      const known = current();
      if (known) put({ ...known, ...more });
    },
  };
}

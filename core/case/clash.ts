import type { Entry, Json } from './entry';
import { sameValue } from './fold';
import type { JobRecord } from './fold';

/** Two people wrote one slot, the later not having seen the earlier: one value stands, the other is in the history. */
export interface Clash {
  slot: string;
  stands: { seq: number; by: string; value: Json };
  other: { seq: number; by: string; value: Json };
}

/**
 * The clashes among entries that are about to be taken into a record, in the order of their numbers. An entry clashes
 * with what another person wrote after what its own writer had seen.
 */
export function clashesOf(record: JobRecord, entries: readonly Entry[]): Clash[] {
  const standing = new Map<string, { seq: number; by: string; value: Json }>();
  const clashes: Clash[] = [];
  for (const entry of [...entries].sort((a, b) => a.seq - b.seq)) {
    if (entry.seq <= record.lastSeq) continue;
    const before = standing.get(entry.slot) ?? record.state[entry.slot];
    const { slot, seq, by, value, seen } = entry;
    if (
      before &&
      seen !== undefined &&
      before.seq > seen &&
      before.by !== by &&
      !sameValue(before.value, value)
    )
      clashes.push({
        slot,
        stands: { seq, by, value },
        other: { seq: before.seq, by: before.by, value: before.value },
      });
    standing.set(slot, { seq, by, value });
  }
  return clashes;
}

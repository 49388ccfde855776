import { array, integer, optional, plainName, said, shape, text } from '@/core/format';
import type { Of } from '@/core/format';

/** One answer of a scale. Severity is the one scale all of Pelvik uses: see `severity.ts`. */
const level = () =>
  shape({
    id: plainName,
    words: text(80),
    severity: optional(
      said('0 sound … 3 past use … 6 fused; absent: says nothing of how bad it is', integer(0, 6)),
    ),
  });
export type Level = Of<ReturnType<typeof level>>;
export const levels = () => array(level(), { minItems: 2, maxItems: 12 });

import { number, numberWithin, said, shape, string, text } from '@/core/format';
import type { Of } from '@/core/format';

/** A name within a definition. */
export const id = string({ pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,59}$' });
export const name = said('What it is called', text(120));
export const reachedAt = said('Station it is reached at', id);

/** A size that cannot be nothing. */
export const above0 = (maximum: number) => numberWithin({ exclusiveMinimum: 0, maximum });

/** Least and most allowed, in an SI unit. */
export const limitsIn = (unit: string) =>
  shape({
    min: said(`Least allowed, ${unit}`, number(0, 1e6)),
    max: said(`Most allowed, ${unit}`, number(0, 1e6)),
  });
export type Limits = Of<ReturnType<typeof limitsIn>>;

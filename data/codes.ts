import { array, literal, oneOf, optional, shape, shipped, string, text } from '@/core/format';
import type { Of } from '@/core/format';
import file from './codes/public.json';

/** A generic public trouble code in our own words: its kind, and the gear it is about where it names one. */
const publicCodeSchema = shape({
  code: string({ pattern: '^P0[78][0-9A-F]{2}$' }),
  kind: oneOf(['electrical', 'rationality']),
  words: string({ minLength: 3, maxLength: 120 }),
  gear: optional(string({ pattern: '^(R|D[1-9])$' })),
});
export type PublicCode = Of<typeof publicCodeSchema>;

export const publicCodesSchema = shape({
  format: literal('pelvik-codes/1'),
  note: optional(text(1000)),
  codes: array(publicCodeSchema),
});

const known = new Map(shipped(publicCodesSchema, file).codes.map((c) => [c.code, c]));

/** What a number says, where it is one of the table. */
export const publicCode = (code: string): PublicCode | undefined => known.get(code);

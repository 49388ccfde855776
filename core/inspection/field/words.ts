import { literal, shape } from '@/core/format';
import type { Of } from '@/core/format';
import type { Kind } from './kind';

/** Free words: kept and shown, never weighed. */
export const wordsField = () => shape({ kind: literal('words') });

export const words: Kind<Of<ReturnType<typeof wordsField>>> = {
  levelled: false,
  again: false,
  underConditions: false,
  saysItself: true,
  levels: () => [],
  value: () => ({ type: 'string', minLength: 1, maxLength: 2000 }),
  judge: () => null,
  words: (_, is) => String(is),
  remedy: () => 'Write a few words.',
  cell: () => 'words',
};

import { literal, shape } from '@/core/format';
import type { Of } from '@/core/format';
import { levels } from './level';
import { levelled } from './levelled';

/** A word of the point's own list. */
export const choiceField = () => shape({ kind: literal('choice'), options: levels() });

export const choice = levelled<Of<ReturnType<typeof choiceField>>>({
  underConditions: false,
  levels: ({ options }) => options,
});

import { literal, shape } from '@/core/format';
import type { Of } from '@/core/format';
import { levels } from './level';
import { levelled } from './levelled';

/** Something that is tried: how and when is kept with what came out. */
export const testField = () => shape({ kind: literal('test'), options: levels() });

export const test = levelled<Of<ReturnType<typeof testField>>>({
  underConditions: true,
  levels: ({ options }) => options,
});

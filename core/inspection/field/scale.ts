import { literal, plainName, shape } from '@/core/format';
import type { Of } from '@/core/format';
import { levelled } from './levelled';

/** A word of a scale that many points share. */
export const scaleField = () => shape({ kind: literal('scale'), scale: plainName });

export const scale = levelled<Of<ReturnType<typeof scaleField>>>({
  underConditions: false,
  levels: ({ scale: id }, find) => find(id).levels,
});

import { BEHAVIOURS } from '@/core/case';
import { numberWithin, optional, record, shape, text } from '@/core/format';
import type { Of } from '@/core/format';

/** What a gear does as a driver would meet it. */
export const PREDICTION_KINDS = [
  'normal',
  'neutral',
  'lower',
  'higher',
  'tie-up',
  'slip',
  'moves',
  'no-braking',
  'shudder',
  'late',
  'stall',
  'wind-up',
] as const;
export type PredictionKind = (typeof PREDICTION_KINDS)[number];

const likelihoods = record(BEHAVIOURS, numberWithin({ exclusiveMinimum: 0, maximum: 1 }));
const kinds = Object.fromEntries(PREDICTION_KINDS.map((kind) => [kind, likelihoods])) as Record<
  PredictionKind,
  typeof likelihoods
>;

/** `data/knowledge/behaviour.json`: likelihood of each behaviour for each kind of prediction. */
export const behaviourSchema = shape({ note: optional(text(2000)), ...kinds });
export type BehaviourTable = Omit<Of<typeof behaviourSchema>, 'note'>;

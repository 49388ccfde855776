import type { Stage } from '@/core/stage';

/** The stage a slot of the record belongs to, by the first part of its name. */
const STAGE_OF = {
  customer: 'intake',
  vehicle: 'intake',
  'unit-source': 'intake',
  job: 'intake',
  complaint: 'intake',
  grid: 'intake',
  history: 'intake',
  roadtest: 'intake',
  speeds: 'intake',
  codes: 'intake',
  station: 'teardown',
  photo: 'teardown',
  cause: 'cause',
  scope: 'scope',
  quote: 'quote',
  clip: 'quote',
  order: 'build',
} as const satisfies Record<string, Stage>;
export type SlotHead = keyof typeof STAGE_OF;

/** The stage of a slot of the record; undefined for what is none, findings among it. */
export function recordStage(slot: string): Stage | undefined {
  const head = slot.split('.', 1)[0]!;
  return Object.hasOwn(STAGE_OF, head) ? STAGE_OF[head as SlotHead] : undefined;
}

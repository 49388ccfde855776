import type { JobState } from './fold';
import type { GridCell, GridGear } from './slots';
import { HEATS } from './vocabulary';
import type { Heat, Speaker } from './vocabulary';

/** What one side says a gear does at one heat. */
export interface Complaint {
  gear: string;
  speaker: Speaker;
  heat: Heat;
  cell: GridCell;
  slot: string;
}

/**
 * The complaint grid of a job, gear by gear in the order of the slots. What the shop has seen stands in place of what the
 * customer said of the same gear and heat; the customer's word stays on record.
 */
export function complaintsOf(state: JobState): Complaint[] {
  const told = Object.keys(state)
    .filter((slot) => slot.startsWith('grid.'))
    .sort()
    .flatMap((slot) => {
      const [, gear, speaker] = slot.split('.') as [string, string, Speaker];
      const value = state[slot]!.value as GridGear;
      return HEATS.flatMap((heat): Complaint[] => {
        const cell = value[heat];
        return cell ? [{ gear, speaker, heat, cell, slot }] : [];
      });
    });
  const verified = told.filter((c) => c.speaker === 'shop');
  const overruled = (c: Complaint) =>
    c.speaker === 'customer' &&
    verified.some((v) => v.gear === c.gear && (v.heat === c.heat || v.heat === 'any'));
  return told.filter((c) => !overruled(c));
}

import type { Complaint } from '@/core/case';
import type { Fault } from '@/core/powerflow';

/** When a fault is there: a crack may open only hot, a hardened seal may leak only cold. */
export type Thermal = 'always' | 'hot' | 'cold';

/** How often losses of grip come each way; what is welded, broken or stripped is so at any temperature. */
const SHARE: Record<Thermal, number> = { always: 0.7, hot: 0.22, cold: 0.08 };
/** How often a fault that is there only hot is told with the word "hot"; and one that is always there. */
const SAID = { bound: 0.8, always: 0.4 };

/** The ways a fault can be there: a loss of grip at some temperatures only, anything else at all of them. */
export function thermalsOf(grip: boolean): { when: Thermal; share: number }[] {
  if (!grip) return [{ when: 'always', share: 1 }];
  return (Object.keys(SHARE) as Thermal[]).map((when) => ({ when, share: SHARE[when] }));
}

/** True when the faults are losses of grip alone. */
export function losesGrip(faults: readonly Fault[]): boolean {
  return faults.every((f) => f.kind === 'lost' || f.kind === 'slip');
}

/**
 * Log-likelihood of a cell when the fault is there at some temperatures only, from its fit to the faulty gear and to the
 * sound one. A cell that names the other temperature is about the sound gear; one that names none may be about either.
 */
export function thermalFit(complaint: Complaint, when: Thermal, faulty: number, sound: number): number {
  const mark = complaint.heat === 'any' ? null : complaint.heat;
  const complains = !complaint.cell.behaviours.every((b) => b === 'normal');
  if (when === 'always') return faulty + (mark && complains ? Math.log(SAID.always) : 0);
  if (mark === when) return faulty + (complains ? Math.log(SAID.bound) : 0);
  if (mark) return sound;
  const most = Math.max(faulty, sound);
  return most + Math.log(0.5 * Math.exp(faulty - most) + 0.5 * Math.exp(sound - most));
}

import { below, complaintsOf } from '@/core/case';
import type { Behaviour, Complaint, JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { readSpeeds } from './speeds';
import type { SpeedReading } from './speeds';

/** What bears on the gears of a job: what was told and seen, and what measured speeds prove. */
export function reportsOf(unit: UnitDefinition, state: JobState): Complaint[] {
  const told = complaintsOf(state);
  return [...told, ...measuredOf(unit, state, told)];
}

/**
 * Measured speeds that prove a gear wrong, as the shop's own observation. A right ratio is left out: it was right that
 * once, and clears nothing of what comes hot or now and then. So is what the shop's grid says of the gear already.
 */
function measuredOf(unit: UnitDefinition, state: JobState, told: readonly Complaint[]): Complaint[] {
  return below(state, 'speeds.').flatMap(([id, speeds]): Complaint[] => {
    const reading = readSpeeds(unit, speeds);
    const behaviour = behaviourOf(speeds.gear, reading);
    const known = told.some(
      (c) =>
        c.speaker === 'shop' && c.gear === speeds.gear && behaviour && c.cell.behaviours.includes(behaviour),
    );
    if (behaviour === null || known) return [];
    const heat = speeds.warmth === 'hot' || speeds.warmth === 'cold' ? speeds.warmth : 'any';
    const actsLike = behaviour === 'wrong-gear' && reading.really ? { actsLike: reading.really } : {};
    return [
      {
        gear: speeds.gear,
        speaker: 'shop',
        heat,
        cell: { behaviours: [behaviour], ...actsLike },
        slot: `speeds.${id}`,
      },
    ];
  });
}

/** What a ratio that is not the gear's own is called; null where it says nothing against the gear. */
function behaviourOf(gear: string, { expected, measured, slip, really }: SpeedReading): Behaviour | null {
  if (expected === null || really === gear) return null;
  if (measured === null) return 'no-drive';
  if (really !== null) return 'wrong-gear';
  return slip !== null && slip > 0 ? 'slips' : 'wrong-gear';
}

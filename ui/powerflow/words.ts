import { explainTieUp, inForwardSense, solveGear } from '@/core/powerflow';
import type { Fault, GearSolution, TieUp } from '@/core/powerflow';
import { elementOf, gearOf, midSentence } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Prediction } from '@/core/suspects';

/** The outcome in one sentence, as a driver meets it. */
export function outcomeWords(unit: UnitDefinition, solution: GearSolution, faults: Fault[]): string {
  const gear = gearOf(unit, solution.key);
  if (solution.outcome === 'drive') {
    const pawl = solution.parkPawl === 'driven' ? ', against the parking pawl' : '';
    return `Drives at ${inForwardSense(unit, solution.ratio!).toFixed(3)} : 1${pawl}; ${solution.coast === 'brakes' ? 'the engine brakes' : 'freewheels on the overrun'}.`;
  }
  if (solution.outcome === 'neutral')
    return gear.gear === null && gear.range !== 'R' ? 'No drive, as it should be.' : 'No drive.';
  if (solution.outcome === 'slip') {
    const then =
      solution.fallsTo?.outcome === 'drive'
        ? ` Let go, it would drive at ${inForwardSense(unit, solution.fallsTo.ratio!).toFixed(3)} : 1.`
        : '';
    return `${elementOf(unit, solution.slipping!).name} slips.${then}`;
  }
  const tieUp = explainTieUp(unit, gear, faults);
  const held = solution.outcome === 'output-held' ? 'The output is held while the input turns' : 'Ties up';
  return `${held}: ${feelWords(unit, tieUp)}.`;
}

/** What a tie-up is felt as, from the margins. */
function feelWords(unit: UnitDefinition, { fighting, weakest, feel, dragNm }: TieUp): string {
  const fight =
    fighting.length > 1 ? ` (${fighting.map((id) => elementOf(unit, id).short).join(' against ')})` : '';
  const name = weakest && midSentence(elementOf(unit, weakest).name);
  if (feel === 'slips')
    return `${name} gives way and slips${fight}; ${Math.round(dragNm!)} N·m drag it round`;
  const would = name ? `; ${name} would slip at ${Math.round(dragNm!)} N·m` : '';
  return feel === 'stalls'
    ? `the engine bogs and stalls${fight}${would}`
    : `binds and slows the car${fight}${would}`;
}

/** What one gear is predicted to do, in a few words for a table. */
export function predictionWords(unit: UnitDefinition, p: Prediction, faults: Fault[]): string {
  switch (p.kind) {
    case 'normal':
      return p.outcome === 'neutral' ? 'no drive, as it should be' : 'normal';
    case 'neutral':
      return 'no drive';
    case 'lower':
    case 'higher':
      return `pulls like ${p.actsLike ?? 'another gear'} (${inForwardSense(unit, p.ratio!).toFixed(2)})`;
    case 'moves':
      return `drives${p.actsLike ? ` like ${p.actsLike}` : ''}`;
    case 'slip': {
      const { slipping } = solveGear(unit, p.gear, faults);
      return slipping ? `slips: ${midSentence(elementOf(unit, slipping).name)}` : 'slips';
    }
    case 'no-braking':
      return 'pulls, no engine braking';
    case 'shudder':
      return 'shudders in lock-up';
    case 'late':
      return 'bites late';
    case 'stall':
      return 'lock-up does not let go';
    case 'wind-up':
      return 'binds in tight turns';
    case 'tie-up':
      return `ties up: ${feelWords(unit, explainTieUp(unit, gearOf(unit, p.gear), faults))}`;
  }
}

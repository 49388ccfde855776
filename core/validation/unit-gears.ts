import { Entangled, gearOutcome } from '@/core/powerflow';
import type { GearOutcome } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';

const REMEDY = 'Check the elements applied, the connections and the tooth counts.';

/** A healthy unit drives in every gear, the right way, and in no position that has none. */
export function gearProblems(unit: UnitDefinition): Problem[] {
  const problems: Problem[] = [];
  unit.gears.forEach((gear, k) => {
    const pointer = `/gears/${k}/apply`;
    let got: GearOutcome;
    try {
      got = gearOutcome(unit, gear.key);
    } catch (error) {
      if (!(error instanceof Entangled)) throw error;
      problems.push({
        pointer,
        message: `${gear.key} cannot be worked out. ${error.message}`,
        remedy: 'Join members that always turn together into one.',
      });
      return;
    }
    const message = wrongWith(unit, k, got);
    if (message) problems.push({ pointer, message, remedy: REMEDY });
  });
  return problems;
}

function wrongWith(unit: UnitDefinition, at: number, { outcome, ratio }: GearOutcome): string | null {
  const gear = unit.gears[at]!;
  const drives = gear.gear !== null || gear.range === 'R';
  if (!drives) return outcome === 'drive' ? `${gear.key} drives at ${ratio!.toFixed(3)}` : null;
  if (outcome === 'neutral') return `${gear.key} does nothing: the output stays free`;
  if (outcome === 'tie-up') return `${gear.key} ties up: the input cannot turn`;
  if (outcome === 'output-held') return `${gear.key} holds the output still`;
  const forward = Math.sign(ratio!) === unit.forwardSign;
  return forward === (gear.range === 'R') ? `${gear.key} turns the output the wrong way` : null;
}

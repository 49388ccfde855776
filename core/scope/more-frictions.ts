import { withMoreFrictions } from '@/core/powerflow';
import type { Pack, UnitDefinition } from '@/core/unit';

/** One more friction in a pack where it fits, and what it brings. */
export interface AddedFriction {
  element: string;
  frictions: number;
  /** Worst torque margin with this engine, as built and with the friction added. */
  before: number;
  after: number;
  /** The steels it takes, m, and how far the piston is cut for it, m. */
  steel: number;
  pistonCut: number;
  /** Heat the steels can take compared with now. */
  heat: number;
  /** The margin as built is too thin for this engine. */
  weak: boolean;
}

/** Below this a dynamic element is called weak: heat and wear take the rest. */
const THIN_MARGIN = 1.2;

/**
 * Dynamic packs that take one more friction: steels of a size that is sold, the plates on their hub and in their drum, the
 * piston cut no lower than it may be. `torqueFactor` is the engine's torque over stock. Weakest first.
 */
export function moreFrictions(unit: UnitDefinition, torqueFactor: number): AddedFriction[] {
  return unit.elements
    .flatMap((element): AddedFriction[] => {
      if (element.application !== 'dynamic' || !element.pack) return [];
      const gain = withMoreFrictions(unit, element.id, 1);
      const fit = gain && fitOf(element.pack);
      if (!gain || !fit) return [];
      const before = gain.before / torqueFactor;
      return [
        {
          element: element.id,
          frictions: gain.frictions,
          before,
          after: gain.after / torqueFactor,
          ...fit,
          weak: before < THIN_MARGIN,
        },
      ];
    })
    .sort((a, b) => a.before - b.before);
}

/** Rounding of sizes as they are written down, m. */
const TOLERANCE = 1e-6;

/** The thickest steels on sale with which one more friction and steel fit, or null. */
function fitOf({ frictions, frictionThickness, steelThickness, order, setUp }: Pack) {
  if (!setUp) return null;
  const steels = order.filter((p) => p === 'steel').length;
  const cuttable = setUp.pistonHeight - setUp.pistonLowest;
  const sizes = [...setUp.steelSizes].sort((a, b) => b - a);
  for (const steel of sizes) {
    const growth = (steels + 1) * steel + frictionThickness - steels * steelThickness;
    const onHub = (frictions + 1) * frictionThickness + frictions * steel;
    const inDrum = onHub + (steels + 1 - frictions) * steel + (setUp.backingThickness ?? 0);
    const fits =
      growth <= cuttable + TOLERANCE &&
      onHub <= setUp.hubLength + TOLERANCE &&
      inDrum <= setUp.drumLength + TOLERANCE;
    if (fits)
      return {
        steel,
        pistonCut: Math.max(0, growth),
        heat: ((steels + 1) * steel) / (steels * steelThickness),
      };
  }
  return null;
}

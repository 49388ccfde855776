import { withMoreFrictions } from '@/core/powerflow';
import type { Pack, UnitDefinition } from '@/core/unit';
import { isWeak } from './added-friction';
import type { AddedFriction } from './added-friction';

/**
 * Dynamic packs that take one more friction: steels of a size that is sold, the plates on their hub and in their drum, the
 * piston cut no lower than it may be; with the stock engine. Weakest first.
 */
export function moreFrictions(unit: UnitDefinition): AddedFriction[] {
  return unit.elements
    .flatMap((element): AddedFriction[] => {
      if (element.application !== 'dynamic' || !element.pack) return [];
      const gain = withMoreFrictions(unit, element.id, 1);
      const fit = gain && fitOf(element.pack);
      if (!gain || !fit) return [];
      return [
        {
          element: element.id,
          frictions: gain.frictions,
          before: gain.before,
          after: gain.after,
          ...fit,
          weak: isWeak(gain.before),
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

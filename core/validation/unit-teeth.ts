import { pinionTeeth } from '@/core/powerflow';
import type { PlanetarySet, UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';
import { Report } from './report';

/**
 * Assembly conditions of every planetary, as warnings: shifted profiles can break the first two by a tooth.
 * Pinions fit: Z_r = Z_s + 2·Z_p. Equal spacing: (Z_r ± Z_s)/n whole, + for single pinions and − for pairs.
 * Neighbours keep clear: (Z_s + Z_p)·sin(π/n) > Z_p + 2.
 */
export function teethWarnings(unit: UnitDefinition): Problem[] {
  const report = new Report();
  unit.gearsets.forEach((set, k) => {
    if (set.kind === 'planetary') planetary(set, `/gearsets/${k}`, report);
    else if (set.mesh === 'internal' && set.first.teeth === set.second.teeth)
      report.add(`/gearsets/${k}`, 'an internal mesh of equal gears cannot turn', 'Check the tooth counts.');
  });
  return report.problems;
}

function planetary(set: PlanetarySet, at: string, report: Report): void {
  const [sun, ring] = [set.sun.teeth, set.ring.teeth];
  const stated = set.pinions?.teeth;
  if (set.planets === 'single') {
    const pinion = pinionTeeth(set)![0]!;
    if (!stated && pinion % 1 !== 0)
      report.add(
        at,
        `ring − sun is odd: the pinions would have ${pinion} teeth`,
        'Check the counts, or state the pinions’ teeth.',
      );
    else if (stated && Math.abs(sun + 2 * pinion - ring) > 1)
      report.add(
        `${at}/pinions/teeth`,
        `sun + 2 × pinion is ${sun + 2 * pinion}, the ring has ${ring}`,
        'Check the three counts.',
      );
    const count = set.pinions?.count;
    if (count && count > 2 && (sun + pinion) * Math.sin(Math.PI / count) <= pinion + 2)
      report.add(
        `${at}/pinions/count`,
        `${count} pinions would touch each other`,
        'Fewer pinions, or other counts.',
      );
  }
  const count = set.pinions?.count;
  const sum = set.planets === 'single' ? ring + sun : ring - sun;
  if (count && sum % count !== 0)
    report.add(
      `${at}/pinions/count`,
      `${count} pinions cannot stand evenly: ${sum} is not a multiple of ${count}`,
      'Check the counts; unevenly spaced pinions are possible.',
    );
}

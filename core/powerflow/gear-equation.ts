import type { Gearset } from '@/core/unit';

type GearName = 'sun' | 'ring' | 'carrier' | 'first' | 'second';

/** One term of a gearset's speed equation: `weight · ω of member`. */
export interface GearTerm {
  member: string;
  gear: GearName;
  weight: number;
}

/**
 * The speed equation of a gearset, Σ weight·ω = 0 (Willis).
 * Simple planetary Zs·ωs + Zr·ωr − (Zs+Zr)·ωc = 0; double pinion Zs·ωs − Zr·ωr − (Zs−Zr)·ωc = 0;
 * external mesh Za·ωa + Zb·ωb = 0; internal mesh, or a pair with an idler between, Za·ωa − Zb·ωb = 0.
 */
export function gearTerms(set: Gearset): GearTerm[] {
  if (set.kind === 'mesh') {
    const sign = set.mesh === 'external' ? 1 : -1;
    return [
      { member: set.first.member, gear: 'first', weight: set.first.teeth },
      { member: set.second.member, gear: 'second', weight: sign * set.second.teeth },
    ];
  }
  const sign = set.planets === 'single' ? 1 : -1;
  return [
    { member: set.sun.member, gear: 'sun', weight: set.sun.teeth },
    { member: set.ring.member, gear: 'ring', weight: sign * set.ring.teeth },
    { member: set.carrier, gear: 'carrier', weight: -(set.sun.teeth + sign * set.ring.teeth) },
  ];
}

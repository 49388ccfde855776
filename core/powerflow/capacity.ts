import { elementOf, frictionElements } from '@/core/unit';
import type { Element, GearPosition, UnitDefinition } from '@/core/unit';
import type { Fault } from './fault';
import { gearOutcome, solveGear, turbineTorque } from './solve';

/**
 * Torque an element can carry at a line pressure, N·m.
 * Pack: T = μ·N·F·r, F = p·A − F_return, r = (2/3)(ro³−ri³)/(ro²−ri²) (uniform pressure).
 * Band: T = F·R·(e^{μθ} − 1), or F·R·(1 − e^{−μθ}) against its self-energising direction (belt friction).
 * One-way clutches and dogs state theirs. Never negative.
 */
export function capacity(element: Element, pressurePa: number): number {
  if (element.pack) {
    const { mu, frictions, outerDiameter, innerDiameter, pistonArea, returnForce } = element.pack;
    const ro = outerDiameter / 2;
    const ri = innerDiameter / 2;
    const meanRadius = ((2 / 3) * (ro ** 3 - ri ** 3)) / (ro ** 2 - ri ** 2);
    return Math.max(0, mu * 2 * frictions * (pressurePa * pistonArea - returnForce) * meanRadius);
  }
  if (element.band) {
    const { mu, wrap, drumRadius, servoArea, returnForce, selfEnergising } = element.band;
    const force = Math.max(0, pressurePa * servoArea - returnForce);
    const grip = selfEnergising ? Math.exp(mu * wrap) - 1 : 1 - Math.exp(-mu * wrap);
    return force * drumRadius * grip;
  }
  return element.capacityNm ?? Infinity;
}

/** Full line pressure in a gear position, Pa (Reverse is boosted). */
export function fullPressure(unit: UnitDefinition, gear: GearPosition): number {
  return gear.range === 'R' ? unit.pressure.reverseFullPa : unit.pressure.fullPa;
}

export interface Margin {
  element: string;
  gear: string;
  /** Torque per unit of turbine torque. */
  share: number;
  loadNm: number;
  capacityNm: number;
  /** capacity ÷ load: below 1 it slips. */
  margin: number;
}

export interface MarginConditions {
  /** Line pressure as a share of full, default 1. */
  pressureShare?: number;
  /** Engine torque as a multiple of stock, default 1. */
  torqueFactor?: number;
}

/** Torque margins of every friction element in every gear where it carries, worst first. */
export function margins(unit: UnitDefinition, conditions: MarginConditions = {}): Margin[] {
  const { pressureShare = 1, torqueFactor = 1 } = conditions;
  const friction = new Map(frictionElements(unit).map((e) => [e.id, e]));
  const result: Margin[] = [];
  for (const gear of unit.gears) {
    const solution = solveGear(unit, gear.key);
    for (const [id, share] of Object.entries(solution.elements)) {
      const element = friction.get(id);
      if (!element || !share) continue;
      const loadNm = share * turbineTorque(unit, gear) * torqueFactor;
      const capacityNm = capacity(element, fullPressure(unit, gear) * pressureShare);
      result.push({ element: id, gear: gear.key, share, loadNm, capacityNm, margin: capacityNm / loadNm });
    }
  }
  return result.sort((a, b) => a.margin - b.margin);
}

/** Each friction element's worst margin, the weakest element first: the order in which a system-wide shortage burns them. */
export function marginOrder(unit: UnitDefinition, conditions: MarginConditions = {}): Margin[] {
  const seen = new Set<string>();
  return margins(unit, conditions).filter((m) => !seen.has(m.element) && seen.add(m.element));
}

export interface TieUp {
  /** Elements that fight each other: letting any one go frees the gear. */
  fighting: string[];
  /** The one with the least capacity, which gives way if any does. */
  weakest: string | null;
  /** What the gear then does. */
  thenDoes: ReturnType<typeof gearOutcome> | null;
}

/** Who fights whom in a tied-up gear, and what the driver gets when the weakest gives way. */
export function explainTieUp(unit: UnitDefinition, gear: GearPosition, faults: Fault[]): TieUp {
  const stuck = faults.flatMap((f) => (f.kind === 'stuck' ? [f.element] : []));
  const lost = new Set(faults.flatMap((f) => (f.kind === 'lost' ? [f.element] : [])));
  const applied = [...new Set([...gear.apply, ...stuck])].filter((id) => !lost.has(id));
  const without = (id: string): Fault[] => [
    ...faults.filter((f) => !(f.kind === 'stuck' && f.element === id)),
    { kind: 'lost', element: id },
  ];
  const fighting = applied.filter((id) => gearOutcome(unit, gear.key, without(id)).outcome !== 'tie-up');
  const pressure = fullPressure(unit, gear);
  const held = fighting.filter((id) => !stuck.includes(id) && elementOf(unit, id).kind !== 'one-way');
  const weakest =
    held.sort((a, b) => capacity(elementOf(unit, a), pressure) - capacity(elementOf(unit, b), pressure))[0] ??
    null;
  return { fighting, weakest, thenDoes: weakest ? gearOutcome(unit, gear.key, without(weakest)) : null };
}

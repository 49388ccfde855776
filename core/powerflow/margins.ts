import { elementOf, frictionElements, gearOf } from '@/core/unit';
import type { Element, UnitDefinition } from '@/core/unit';
import { capacity, fullPressure, pressureFor } from './capacity';
import { solveGear, turbineTorque } from './solve';

export interface Margin {
  element: string;
  gear: string;
  /** Torque per unit of turbine torque. */
  share: number;
  loadNm: number;
  capacityNm: number;
  /** capacity ÷ load: below 1 it slips. */
  margin: number;
  /** Line pressure at which it lets go under this load, Pa, and as a share of full pressure in the gear. */
  letsGoPa: number;
  letsGoShare: number;
  /** Engine torque at which it lets go at this pressure, N·m. */
  letsGoNm: number;
}

export interface MarginConditions {
  /** Line pressure as a share of full, default 1. */
  pressureShare?: number;
  /** Engine torque as a multiple of stock, default 1. */
  torqueFactor?: number;
  /** Speed of the input, rad/s, for the oil that turns with the drums; at 0, the default, it presses nowhere. */
  inputSpeed?: number;
}

/**
 * Torque margins of every friction element in every gear where it carries, worst first. Turbine torque is the engine's,
 * times the stall multiplication where the gear launches. Where a split is not determined there is no margin.
 */
export function margins(unit: UnitDefinition, conditions: MarginConditions = {}): Margin[] {
  const { pressureShare = 1, torqueFactor = 1, inputSpeed = 0 } = conditions;
  const friction = new Map(frictionElements(unit).map((e) => [e.id, e]));
  const result: Margin[] = [];
  for (const gear of unit.gears) {
    const turbine = turbineTorque(unit, gear);
    const full = fullPressure(unit, gear);
    const { elements, speeds } = solveGear(unit, gear.key);
    for (const [id, share] of Object.entries(elements)) {
      const element = friction.get(id);
      if (!element || !share) continue;
      const loadNm = share * turbine * torqueFactor;
      // The piston turns with the drum, the first of the two members a clutch joins.
      const working = { gear: gear.key, drumSpeed: Math.abs(speeds[element.a] ?? 0) * inputSpeed };
      const capacityNm = capacity(element, full * pressureShare, working);
      const letsGoPa = pressureFor(element, loadNm, working)!;
      result.push({
        element: id,
        gear: gear.key,
        share,
        loadNm,
        capacityNm,
        margin: capacityNm / loadNm,
        letsGoPa,
        letsGoShare: letsGoPa / full,
        letsGoNm: (capacityNm / (share * turbine)) * unit.engine.torqueNm,
      });
    }
  }
  return result.sort((a, b) => a.margin - b.margin);
}

/** Each friction element's worst margin, the weakest element first: who slips first as torque rises. */
export function marginOrder(unit: UnitDefinition, conditions: MarginConditions = {}): Margin[] {
  return firstOfEach(margins(unit, conditions));
}

/**
 * The order in which elements let go when the whole system fails them: as pressure falls (the one that needs the largest
 * share of full pressure first; return springs make it differ from the margins) or as engine torque rises.
 */
export function burningOrder(unit: UnitDefinition, cause: 'low-pressure' | 'overload'): Margin[] {
  const all = margins(unit);
  return firstOfEach(cause === 'overload' ? all : all.sort((a, b) => b.letsGoShare - a.letsGoShare));
}

function firstOfEach(sorted: Margin[]): Margin[] {
  const seen = new Set<string>();
  return sorted.filter((m) => !seen.has(m.element) && seen.add(m.element));
}

export interface MoreFrictions {
  frictions: number;
  /** Worst margin as built, and with the frictions added. */
  before: number;
  after: number;
  /** Steel thickness that keeps the height of the stack, m; at or below 0 there is no room. */
  steelThickness: number;
  /** Heat the steels can take compared with now: it goes with their mass. */
  heat: number;
}

/**
 * What added frictions do in a pack whose height stays: capacity grows with the faces (T ∝ N), the steels get thinner,
 * and with them the heat a shift may put in. Null for elements without a pack, or that carry in no gear.
 */
export function withMoreFrictions(
  unit: UnitDefinition,
  elementId: string,
  added: number,
): MoreFrictions | null {
  const element = elementOf(unit, elementId);
  const worst = margins(unit).find((m) => m.element === elementId);
  if (!element.pack || !worst) return null;
  const { frictions, frictionThickness, steelThickness, order } = element.pack;
  const steels = order.filter((p) => p === 'steel').length;
  const thickness = (steels * steelThickness - added * frictionThickness) / (steels + added);
  const richer: Element = { ...element, pack: { ...element.pack, frictions: frictions + added } };
  const full = fullPressure(unit, gearOf(unit, worst.gear));
  return {
    frictions: frictions + added,
    before: worst.margin,
    after: capacity(richer, full, { gear: worst.gear }) / worst.loadNm,
    steelThickness: thickness,
    heat: ((steels + added) * thickness) / (steels * steelThickness),
  };
}

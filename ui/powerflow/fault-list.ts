import { faultKey, solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { elementOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';

/** Faults without those of the same element, part or gearset. */
export function without(faults: Fault[], fault: Fault): Fault[] {
  const about = (f: Fault) => ('element' in f ? `element ${f.element}` : faultKey(f));
  return faults.filter((f) => about(f) !== about(fault));
}

/** The fault put in, or taken out when it was there. */
export function toggled(faults: Fault[], fault: Fault): Fault[] {
  const rest = without(faults, fault);
  return rest.length < faults.length ? rest : [...rest, fault];
}

/** An element taken round: lost, stuck, slipping where it has a lining, whole. */
export function cycled(unit: UnitDefinition, faults: Fault[], element: string): Fault[] {
  const now = faults.find((f) => 'element' in f && f.element === element);
  const rest = without(faults, { kind: 'lost', element });
  if (!now) return [...rest, { kind: 'lost', element }];
  if (now.kind === 'lost') return [...rest, { kind: 'stuck', element }];
  const { pack, band } = elementOf(unit, element);
  if (now.kind === 'stuck' && (pack || band))
    return [...rest, { kind: 'slip', element, capacityNm: halfLoad(unit, element) }];
  return rest;
}

/** Half of what the hardest gear asks of an element, N·m: it slips there and may hold elsewhere. */
export function halfLoad(unit: UnitDefinition, element: string): number {
  const loads = unit.gears.map(
    (g) => (solveGear(unit, g.key).elements[element] ?? 0) * turbineTorque(unit, g),
  );
  return Math.round(Math.max(...loads) / 2);
}

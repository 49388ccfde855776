import { elementOf, partOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';

/** One thing wrong with the powerflow. Capacity in N·m. */
export type Fault =
  | { kind: 'lost'; element: string }
  | { kind: 'stuck'; element: string }
  | { kind: 'slip'; element: string; capacityNm: number }
  | { kind: 'break'; part: string }
  | { kind: 'strip'; gearset: string };

/** A stable key, e.g. `lost:high`; the capacity of a slip is left out. */
export function faultKey(fault: Fault): string {
  if (fault.kind === 'break') return `break:${fault.part}`;
  if (fault.kind === 'strip') return `strip:${fault.gearset}`;
  return `${fault.kind}:${fault.element}`;
}

/** The fault in a few words: "High clutch lost". */
export function faultName(unit: UnitDefinition, fault: Fault): string {
  switch (fault.kind) {
    case 'lost':
      return `${elementOf(unit, fault.element).name} lost`;
    case 'stuck':
      return `${elementOf(unit, fault.element).name} stuck on`;
    case 'slip':
      return `${elementOf(unit, fault.element).name} slipping above ${Math.round(fault.capacityNm)} N·m`;
    case 'break':
      return `${partOf(unit, fault.part).name} broken`;
    case 'strip':
      return `${unit.gearsets.find((g) => g.id === fault.gearset)?.name ?? fault.gearset} stripped`;
  }
}

/** Every element lost and stuck, every part that can break in two, and every gearset stripped. */
export function singleFaults(unit: UnitDefinition): Fault[] {
  return [
    ...unit.elements.flatMap((e): Fault[] => [
      { kind: 'lost', element: e.id },
      { kind: 'stuck', element: e.id },
    ]),
    ...unit.parts.filter((p) => p.splits).map((p): Fault => ({ kind: 'break', part: p.id })),
    ...unit.gearsets.map((g): Fault => ({ kind: 'strip', gearset: g.id })),
  ];
}

/** Every two of the faults that can stand together: one element cannot be lost, stuck and slipping at once. */
export function pairsOf(faults: readonly Fault[]): [Fault, Fault][] {
  const element = (f: Fault) => ('element' in f ? f.element : null);
  return faults.flatMap((a, k) =>
    faults
      .slice(k + 1)
      .filter((b) => element(a) === null || element(a) !== element(b))
      .map((b): [Fault, Fault] => [a, b]),
  );
}

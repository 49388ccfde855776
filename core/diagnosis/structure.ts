import { explainTieUp, margins } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { healthyTable, noiseTable, predict, signatureOf } from '@/core/suspects';
import type { HealthyTable, NoiseSource, Prediction } from '@/core/suspects';
import { elementOf, frictionElements } from '@/core/unit';
import type { Part, UnitDefinition } from '@/core/unit';
import type { EffectStrength } from './schema';

/** What the causal model takes from the unit's construction: worked out once per unit. */
export interface Structure {
  unit: UnitDefinition;
  healthy: HealthyTable;
  sound: Prediction[];
  noises: NoiseSource[];
  /** What every gear does under faults; solved once for each set of faults. */
  under(faults: Fault[]): Prediction[];
  /** Parts whose break no gear can tell apart stand together under the first of them. */
  paths: Map<string, Part[]>;
  /** Elements that fight this one when they do not let go, with how hard it is hit: 1 where it is the one that gives way. */
  rivals(element: string): Map<string, number>;
  /** Elements with a lining on or in the same drum. */
  neighbours(element: string): string[];
  /** A strength as a probability for an element (null: the unit as a whole). */
  strength(value: EffectStrength, element: string | null): number;
  /** P(the gear slips) when pressure is short, or torque raised: that of its weakest element there. */
  slips(gear: string, by: 'pressure' | 'torque'): number;
  /** Torque on the element in the gear over its largest in any gear. */
  share(element: string, gear: string): number;
}

/** An opponent that does not give way itself is hit this much less. */
const HELD_ITS_OWN = 0.5;
/** P(an element burns | another does not let go and it gives way to it). */
const BURNS_FIGHTING = 0.65;

export function structureOf(unit: UnitDefinition): Structure {
  const healthy = healthyTable(unit);
  const solved = new Map<string, Prediction[]>();
  const under = (faults: Fault[]) => {
    const key = JSON.stringify(faults);
    const known = solved.get(key) ?? predict(unit, healthy, faults);
    solved.set(key, known);
    return known;
  };
  const all = margins(unit);
  const friction = frictionElements(unit);
  const worst = new Map<string, number>();
  const heaviest = new Map<string, number>();
  for (const m of all) {
    worst.set(m.element, Math.min(worst.get(m.element) ?? Infinity, m.margin));
    heaviest.set(m.element, Math.max(heaviest.get(m.element) ?? 0, m.loadNm));
  }
  const rivals = rivalsOf(unit, under);
  return {
    unit,
    healthy,
    sound: predict(unit, healthy, []),
    noises: noiseTable(unit),
    under,
    paths: pathsOf(unit, under),
    rivals,
    neighbours: (element) =>
      friction.filter((e) => e.id !== element && shareDrum(unit, e.id, element)).map((e) => e.id),
    strength: (value, element) => {
      if (typeof value === 'number') return value;
      if (value === 'by-rivals') return BURNS_FIGHTING * Math.max(0, ...rivals(element ?? '').values());
      return lettingGo(value === 'by-pressure' ? 'pressure' : 'torque', worst.get(element ?? '') ?? 2);
    },
    slips: (gear, by) =>
      Math.max(0, ...all.filter((m) => m.gear === gear).map((m) => lettingGo(by, m.margin))),
    share: (element, gear) => {
      const here = all.find((m) => m.element === element && m.gear === gear);
      return here ? here.loadNm / heaviest.get(element)! : 0;
    },
  };
}

/**
 * P(an element of this margin slips). When pressure is short it is taken to lie anywhere between 30 % and 100 % of full,
 * equally likely: P = (1/m − 0.3)/0.7. When torque is raised the factor is taken to lie between 1 and 2: P = 2 − m. The
 * weakest element thus burns first, and by how much is computed.
 */
function lettingGo(by: 'pressure' | 'torque', margin: number): number {
  const p = by === 'pressure' ? (1 / margin - 0.3) / 0.7 : 2 - margin;
  return Math.min(0.97, Math.max(0.03, p));
}

/** Two elements are on or in one drum: heat of one reaches the other. */
function shareDrum(unit: UnitDefinition, first: string, second: string): boolean {
  const drums = (id: string) => {
    const { feedPath, powerPath, drumPart } = elementOf(unit, id);
    const parts = new Set([...feedPath, ...powerPath, drumPart]);
    return unit.parts.filter((p) => p.kind === 'drum' && parts.has(p.id)).map((p) => p.id);
  };
  return drums(first).some((id) => drums(second).includes(id));
}

function pathsOf(unit: UnitDefinition, under: Structure['under']): Map<string, Part[]> {
  const bySignature = new Map<string, Part[]>();
  for (const part of unit.parts.filter((p) => p.splits)) {
    const signature = signatureOf(under([{ kind: 'break', part: part.id }]));
    bySignature.set(signature, [...(bySignature.get(signature) ?? []), part]);
  }
  return new Map([...bySignature.values()].map((parts) => [parts[0]!.id, parts]));
}

function rivalsOf(unit: UnitDefinition, under: Structure['under']): Structure['rivals'] {
  const friction = new Set(frictionElements(unit).map((e) => e.id));
  const hit = new Map<string, Map<string, number>>();
  for (const { id } of unit.elements) {
    const faults: Fault[] = [{ kind: 'stuck', element: id }];
    under(faults).forEach((p, k) => {
      if (p.kind !== 'tie-up') return;
      const { fighting, weakest } = explainTieUp(unit, unit.gears[k]!, faults);
      for (const other of fighting) {
        if (other === id || !friction.has(other)) continue;
        const known = hit.get(other) ?? new Map<string, number>();
        const weight = other === weakest ? 1 : HELD_ITS_OWN;
        hit.set(other, known.set(id, Math.max(known.get(id) ?? 0, weight)));
      }
    });
  }
  return (element) => hit.get(element) ?? new Map();
}

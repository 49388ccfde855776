import { explainTieUp } from '@/core/powerflow';
import { elementsServedBy, frictionElements, midSentence, partsWithRole } from '@/core/unit';
import type { Part, UnitDefinition } from '@/core/unit';
import type { HealthyTable } from '@/core/suspects';
import type { CausalKnowledge, RootTemplate, SignatureKind } from './knowledge';
import { named, sayAim, strengthFor } from './mechanisms';
import type { Mechanism } from './mechanisms';
import { SIGNATURES } from './signature';
import type { GridModel, SignatureTarget } from './signature';

/** A first cause this unit can have. */
export interface Root {
  id: string;
  mode: string;
  part: string | null;
  element: string | null;
  solenoid: string | null;
  gearset: string | null;
  prior: number;
  /** Mechanism index → P(mechanism | this cause). */
  effects: Map<number, number>;
  presentAs: number | null;
  /** It names what is wrong without saying why: never called determined. */
  open: boolean;
  /** The damage it names, which something else must have set off: a mechanism index. */
  behind: number | null;
  grid: GridModel;
  /** Mechanism index the grid hangs on, or null. */
  gridOn: number | null;
  words: string;
}

/** Instantiates the root templates over the unit's parts, elements and solenoids. Ids are unique. */
export function buildRoots(
  unit: UnitDefinition,
  causal: CausalKnowledge,
  mechanisms: Mechanism[],
  healthy: HealthyTable,
): Root[] {
  const index = new Map(mechanisms.map((m, k) => [m.id, k]));
  const strength = strengthFor(unit);
  const known = new Map<string, GridModel>();
  const gridOf = (kind: SignatureKind, target: SignatureTarget) => {
    const key = `${kind}|${target.elements.join()}|${kind === 'break' ? target.part : ''}|${target.shiftIndex}`;
    const found = known.get(key) ?? SIGNATURES[kind](unit, healthy, target);
    known.set(key, found);
    return found;
  };
  return causal.roots.flatMap((template) =>
    targetsOf(unit, template).map((target): Root => {
      const effects = new Map<number, number>();
      for (const [mechanism, value] of Object.entries(template.effects)) {
        for (const element of elementsOfEffect(unit, mechanism, target)) {
          const name =
            mechanism === 'weak:opponents'
              ? `weak:${element}`
              : named(mechanism, { element, gearset: target.gearset });
          const k = index.get(name);
          if (k !== undefined) effects.set(k, strength(value, element));
        }
      }
      const element = target.elements[0] ?? null;
      const find = (id: string | null | undefined) =>
        id ? (index.get(named(id, { element, gearset: target.gearset })) ?? null) : null;
      const grid = gridOf(template.signature, {
        elements: target.elements,
        part: target.part?.id ?? null,
        shiftIndex: target.shiftIndex,
        drives: target.drives,
      });
      return {
        id:
          template.id ??
          `${target.part?.id ?? target.solenoid ?? target.gearset ?? target.elements[0]}:${template.mode}`,
        mode: template.mode,
        part: target.part?.id ?? unit.solenoids.find((x) => x.id === target.solenoid)?.part ?? null,
        element,
        solenoid: target.solenoid,
        gearset: target.gearset,
        prior: template.prior * (target.part?.weakness ?? 1),
        effects,
        presentAs: find(template.presentAs),
        open: template.open ?? false,
        behind: find(template.behind),
        grid,
        gridOn: find(grid.on),
        words: wordsOf(unit, causal, template, target),
      };
    }),
  );
}

interface Target {
  elements: string[];
  part: Part | null;
  solenoid: string | null;
  solenoidName: string;
  shiftIndex: number | null;
  drives: string | null;
  gearset: string | null;
}

function targetsOf(unit: UnitDefinition, template: RootTemplate): Target[] {
  const blank: Target = {
    elements: [],
    part: null,
    solenoid: null,
    solenoidName: '',
    shiftIndex: null,
    drives: null,
    gearset: null,
  };
  switch (template.each) {
    case 'once':
      return [blank];
    case 'part':
      return [
        ...partsWithRole(unit, ...(template.roles ?? [])),
        ...unit.parts.filter((p) => template.kinds?.includes(p.kind ?? '')),
      ].map((part) => ({ ...blank, part, gearset: part.gearset ?? null }));
    case 'feed-part':
      return unit.parts.flatMap((part) => {
        const elements = unit.elements.filter((e) => e.feedPath.includes(part.id)).map((e) => e.id);
        return elements.length ? [{ ...blank, part, elements }] : [];
      });
    case 'split-part':
      return unit.parts
        .filter((p) => p.splits)
        .map((part) => ({
          ...blank,
          part,
          elements: elementsServedBy(unit, part.id)
            .map((e) => e.id)
            .slice(0, 1),
        }));
    case 'solenoid':
      return unit.solenoids
        .filter((s) => s.role === template.role)
        .map((s) => ({
          ...blank,
          solenoid: s.id,
          solenoidName: s.name,
          shiftIndex: s.shiftIndex ?? null,
          drives: s.element ?? null,
        }));
    case 'one-way':
      return unit.elements
        .filter((e) => e.kind === 'one-way')
        .map((e) => ({ ...blank, elements: [e.id], part: unit.parts.find((p) => p.id === e.part) ?? null }));
    case 'friction':
      return frictionElements(unit).map((e) => ({ ...blank, elements: [e.id] }));
    case 'gearset':
      return unit.gearsets.filter((g) => g.kind === 'planetary').map((g) => ({ ...blank, gearset: g.id }));
  }
}

/** Elements an effect template stands for. Opponents are those that give way where the stuck one ties a gear up. */
function elementsOfEffect(unit: UnitDefinition, mechanism: string, target: Target): (string | null)[] {
  if (mechanism === 'weak:opponents') {
    const element = target.elements[0]!;
    const losers = unit.gears.flatMap((gear) => {
      const { fighting, weakest } = explainTieUp(unit, gear, [{ kind: 'stuck', element }]);
      return fighting.includes(element) && weakest ? [weakest] : [];
    });
    const friction = new Set(frictionElements(unit).map((e) => e.id));
    return [...new Set(losers)].filter((id) => id !== element && friction.has(id));
  }
  if (!mechanism.includes('$e')) return [null];
  return target.elements.length ? target.elements : frictionElements(unit).map((e) => e.id);
}

function wordsOf(
  unit: UnitDefinition,
  causal: CausalKnowledge,
  template: RootTemplate,
  target: Target,
): string {
  const failure = causal.failureWords[target.part?.failure ?? ''] ?? 'failed';
  const elements =
    target.elements.length > 1 && template.each === 'feed-part' ? null : (target.elements[0] ?? null);
  return sayAim(unit, template.words, { element: elements, gearset: target.gearset })
    .replaceAll('{e}', 'elements it feeds')
    .replaceAll('the elements it feeds loses', 'the elements it feeds lose')
    .replaceAll('{p}', target.part?.name ?? '')
    .replaceAll('{failure}', failure)
    .replaceAll('{s}', target.solenoidName || midSentence('Solenoid'));
}

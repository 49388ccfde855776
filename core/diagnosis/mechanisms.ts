import { marginOrder } from '@/core/powerflow';
import { elementOf, frictionElements, midSentence } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { CausalKnowledge, EffectStrength } from './knowledge';

/** One mechanism of this unit, with its parents as indices. */
export interface Mechanism {
  id: string;
  element: string | null;
  words: string;
  /** Words for a customer, with `{e}` left open, so that several elements can share a sentence. */
  plain: string;
  silent: boolean;
  leak: number;
  parents: { index: number; strength: number }[];
}

/** Instantiates the mechanism templates for a unit. Throws a RangeError when a template names an unknown parent. */
export function buildMechanisms(unit: UnitDefinition, causal: CausalKnowledge): Mechanism[] {
  const friction = frictionElements(unit).map((e) => e.id);
  const strength = strengthFor(unit);
  const instances = causal.mechanisms.flatMap((template) =>
    (template.each === 'friction' ? friction : [null]).map((element) => ({ template, element })),
  );
  const ids = instances.map(({ template, element }) => named(template.id, element));
  return instances.map(({ template, element }, k) => ({
    id: ids[k]!,
    element,
    words: sayElement(unit, template.words, element),
    plain: template.plain,
    silent: template.silent ?? false,
    leak: template.leak,
    parents: Object.entries(template.parents).flatMap(([parent, value]) => {
      const names = parent.endsWith(':*')
        ? friction.map((e) => `${parent.slice(0, -1)}${e}`)
        : [named(parent, element)];
      return names.map((name) => {
        const index = ids.indexOf(name);
        if (index < 0)
          throw new RangeError(`Mechanism "${template.id}" names an unknown parent "${parent}".`);
        return { index, strength: strength(value, element) };
      });
    }),
  }));
}

/**
 * Turns a strength into a probability. When pressure is short, it is taken to lie anywhere between 30 % and 100 % of
 * full, equally likely, so an element with torque margin m slips with P = (1/m − 0.3)/0.7. When torque is raised, the
 * factor is taken to lie anywhere between 1 and 2: P = 2 − m. The weakest element thus burns first, and by how much is computed.
 */
export function strengthFor(unit: UnitDefinition): (value: EffectStrength, element: string | null) => number {
  const worst = new Map(marginOrder(unit).map((m) => [m.element, m.margin]));
  const clamp = (p: number) => Math.min(0.97, Math.max(0.03, p));
  return (value, element) => {
    if (typeof value === 'number') return value;
    const margin = worst.get(element ?? '') ?? 2;
    return value === 'by-pressure' ? clamp((1 / margin - 0.3) / 0.7) : clamp(2 - margin);
  };
}

export function named(template: string, element: string | null): string {
  return element === null ? template : template.replaceAll('$e', element);
}

/** Fills `{e}` with the element's name, in mid-sentence case. */
export function sayElement(unit: UnitDefinition, words: string, element: string | null): string {
  return element === null ? words : words.replaceAll('{e}', midSentence(elementOf(unit, element).name));
}

import { marginOrder } from '@/core/powerflow';
import { elementOf, frictionElements, midSentence } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { CausalKnowledge, EffectStrength } from './knowledge';

/** One mechanism of this unit, with its parents as indices. */
export interface Mechanism {
  id: string;
  element: string | null;
  gearset: string | null;
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
  const sets = unit.gearsets.filter((g) => g.kind === 'planetary').map((g) => g.id);
  const none: Aim = { element: null, gearset: null };
  const aims = {
    friction: friction.map((element): Aim => ({ ...none, element })),
    gearset: sets.map((gearset): Aim => ({ ...none, gearset })),
  };
  const instances = causal.mechanisms.flatMap((template) =>
    (template.each ? aims[template.each] : [none]).map((aim) => ({ template, aim })),
  );
  const ids = instances.map(({ template, aim }) => named(template.id, aim));
  return instances.map(({ template, aim }, k) => ({
    id: ids[k]!,
    ...aim,
    words: sayAim(unit, template.words, aim),
    plain: template.plain,
    silent: template.silent ?? false,
    leak: template.leak,
    parents: Object.entries(template.parents).flatMap(([parent, value]) => {
      const all = parent.endsWith(':*');
      const known = all || causal.mechanisms.some((m) => m.id === parent);
      const names = all ? ids.filter((id) => id.startsWith(parent.slice(0, -1))) : [named(parent, aim)];
      return names.map((name) => {
        const index = ids.indexOf(name);
        if (index < 0 || !known)
          throw new RangeError(`Mechanism "${template.id}" names an unknown parent "${parent}".`);
        return { index, strength: strength(value, aim.element) };
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

/** What a template is filled with: at most one of these. */
export interface Aim {
  element: string | null;
  gearset: string | null;
}

export function named(template: string, { element, gearset }: Aim): string {
  const id = element === null ? template : template.replaceAll('$e', element);
  return gearset === null ? id : id.replaceAll('$g', gearset);
}

/** Fills `{e}` and `{g}` with the names of element and gearset, in mid-sentence case. */
export function sayAim(unit: UnitDefinition, words: string, { element, gearset }: Aim): string {
  const said = element === null ? words : words.replaceAll('{e}', midSentence(elementOf(unit, element).name));
  const set = unit.gearsets.find((g) => g.id === gearset);
  return set ? said.replaceAll('{g}', midSentence(set.name)) : said;
}

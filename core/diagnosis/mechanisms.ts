import { filled } from '@/core/facts';
import { frictionElements } from '@/core/unit';
import type { CausalKnowledge, MechanismScope, MechanismTemplate } from './schema';
import { sayAim } from './say';
import { NOTHING } from './shows';
import type { Aim } from './shows';
import type { Structure } from './structure';

/** One mechanism of this unit. */
export interface Mechanism {
  id: string;
  template: MechanismTemplate;
  aim: Aim;
  element: string | null;
  words: string;
  leak: number;
}

const AIMS: Record<MechanismScope, (s: Structure) => Aim[]> = {
  friction: ({ unit }) => frictionElements(unit).map((e) => ({ ...NOTHING, elements: [e.id] })),
  fed: ({ unit }) =>
    unit.elements.filter((e) => e.feedPath.length > 0).map((e) => ({ ...NOTHING, elements: [e.id] })),
  element: ({ unit }) => unit.elements.map((e) => ({ ...NOTHING, elements: [e.id] })),
  gearset: ({ unit }) => unit.gearsets.map((g) => ({ ...NOTHING, gearset: g.id })),
  path: ({ paths }) => [...paths.keys()].map((part) => ({ ...NOTHING, part })),
  solenoid: ({ unit }) => unit.solenoids.map((x) => ({ ...NOTHING, solenoid: x.id })),
};

/** Instantiates the mechanism templates for a unit. */
export function buildMechanisms(structure: Structure, causal: CausalKnowledge): Mechanism[] {
  return causal.mechanisms.flatMap((template) =>
    (template.each ? AIMS[template.each](structure) : [NOTHING]).map((aim) => ({
      id: named(template.id, aim),
      template,
      aim,
      element: aim.elements[0] ?? null,
      words: sayAim(structure.unit, template.words, aim),
      leak: template.leak,
    })),
  );
}

/** Fills the holes of an id with what is aimed at. */
export const named = (id: string, { elements, gearset, part, solenoid }: Aim): string =>
  filled(id, { $e: elements[0] ?? '', $g: gearset ?? '', $x: part ?? '', $s: solenoid ?? '' });

/**
 * The mechanisms a name in `parents` or `effects` stands for, seen from an aim: itself, `name:*` all of that name,
 * `name:@neighbours` those of the elements in the same drum; `name:$e` one for every element of the aim, `name:$x` the way
 * the path opens.
 */
export function standsFor(s: Structure, ids: readonly string[], name: string, aim: Aim): string[] {
  const at = name.indexOf(':');
  const [head, hole] = [name.slice(0, at), name.slice(at + 1)];
  if (hole === '*') return ids.filter((id) => id.startsWith(`${head}:`));
  if (hole === '@neighbours') return s.neighbours(aim.elements[0]!).map((other) => `${head}:${other}`);
  if (hole === '$e') return aim.elements.map((e) => `${head}:${e}`);
  if (hole === '$x') {
    const path = [...s.paths].find(([, parts]) => parts.some((p) => p.id === aim.part))?.[0];
    return path ? [`${head}:${path}`] : [];
  }
  return [named(name, aim)];
}

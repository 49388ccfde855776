import { elementsServedBy, frictionElements, partsWithRole } from '@/core/unit';
import type { Part, UnitDefinition } from '@/core/unit';
import { shareWith } from './experience';
import type { Experience } from './experience';
import type { RootTemplate, CausalKnowledge } from './schema';
import { sayAim } from './say';
import type { Aim } from './shows';

/** A first cause this unit can have. */
export interface Root {
  id: string;
  template: RootTemplate;
  mode: string;
  aim: Aim;
  /** The part that is to be looked at, and those that are part of it. */
  part: string | null;
  parts: string[];
  element: string | null;
  solenoid: string | null;
  gearset: string | null;
  /** P(present), before anything is known. */
  prior: number;
  /** It names what is wrong without saying why: never called determined. */
  open: boolean;
  words: string;
}

/** Instantiates the root templates over the unit's parts, elements and solenoids. Ids are unique. */
export function buildRoots(unit: UnitDefinition, causal: CausalKnowledge, experience: Experience): Root[] {
  const roots = causal.roots.flatMap((template) =>
    targetsOf(unit, template).map((target): Root => {
      const { elements, part, solenoid, gearset } = target;
      const [element = null] = elements;
      const own = part?.id ?? unit.solenoids.find((x) => x.id === solenoid)?.part ?? null;
      return {
        id:
          template.id ?? `${part?.id ?? solenoid ?? gearset ?? element}:${template.variant ?? template.mode}`,
        template,
        mode: template.mode,
        aim: { elements, part: part?.id ?? null, solenoid, gearset },
        part: own,
        parts: [...(own === null ? [] : [own]), ...target.members],
        element,
        solenoid,
        gearset,
        prior: template.prior * (part?.weakness ?? 1),
        open: template.open ?? false,
        words: wordsOf(unit, causal, template, target),
      };
    }),
  );
  const total = roots.reduce((sum, r) => sum + r.prior, 0);
  // Causes this unit does not have (of an earlier version of it) count for nothing.
  const counted = new Set(roots.map((r) => r.id));
  const jobs = Object.entries(experience.causes).reduce((sum, [id, n]) => sum + (counted.has(id) ? n : 0), 0);
  for (const root of roots)
    root.prior = causal.rate * shareWith(root.prior / total, root.id, { ...experience, jobs });
  return roots;
}

interface Target {
  elements: string[];
  part: Part | null;
  /** Parts that are graded apart and ordered with it: the inner and outer seal of a piston's set. */
  members: string[];
  solenoid: string | null;
  gearset: string | null;
}

const BLANK: Target = { elements: [], part: null, members: [], solenoid: null, gearset: null };
/** Parts that feed more elements than this fail as a whole, not one of them. */
const FEW = 2;

type Scope = (unit: UnitDefinition, template: RootTemplate) => Target[];

const ofKind = (unit: UnitDefinition, { kinds }: RootTemplate) =>
  unit.parts.filter((p) => kinds === undefined || kinds.includes(p.kind ?? ''));

const SCOPES: Record<RootTemplate['each'], Scope> = {
  once: () => [BLANK],
  part: (unit, template) =>
    [
      ...partsWithRole(unit, ...(template.roles ?? [])),
      ...(template.kinds ? ofKind(unit, template) : []),
    ].map((part) => ({ ...BLANK, part, gearset: part.gearset ?? null })),
  'element-part': (unit, template) =>
    ofKind(unit, template)
      .filter((p) => p.element !== undefined && !inSealedFeed(unit, p))
      .map((part) => ({ ...BLANK, part, elements: [part.element!] })),
  'feed-part': (unit, template) =>
    ofKind(unit, template).flatMap((part) => {
      const elements = unit.elements.filter((e) => e.feedPath.includes(part.id)).map((e) => e.id);
      const fits = template.feeds === undefined || (template.feeds === 'few') === elements.length <= FEW;
      if (elements.length === 0 || !fits || part.kind === 'solenoid') return [];
      const members = unit.parts.filter(
        (p) =>
          elements.includes(p.element ?? '') &&
          part.kind === 'seal' &&
          inSealedFeed(unit, p) &&
          !unit.elements.some((e) => e.feedPath.includes(p.id)),
      );
      return [{ ...BLANK, part, elements, members: members.map((p) => p.id) }];
    }),
  'split-part': (unit) =>
    unit.parts
      .filter((p) => p.splits)
      .map((part) => ({
        ...BLANK,
        part,
        elements: elementsServedBy(unit, part.id)
          .map((e) => e.id)
          .slice(0, 1),
      })),
  bearing: (unit) =>
    unit.bearings.flatMap((b) => {
      const part = unit.parts.find((p) => p.id === b.part);
      return part ? [{ ...BLANK, part }] : [];
    }),
  solenoid: (unit, template) =>
    unit.solenoids
      .filter(
        (s) =>
          s.role === template.role &&
          (template.sets === undefined || (template.sets === 'element') === (s.element !== undefined)),
      )
      .map((s) => ({ ...BLANK, solenoid: s.id, elements: s.element ? [s.element] : [] })),
  'one-way': (unit) =>
    unit.elements
      .filter((e) => e.kind === 'one-way')
      .map((e) => ({ ...BLANK, elements: [e.id], part: unit.parts.find((p) => p.id === e.part) ?? null })),
  friction: (unit) => frictionElements(unit).map((e) => ({ ...BLANK, elements: [e.id] })),
  band: (unit) => unit.elements.filter((e) => e.band).map((e) => ({ ...BLANK, elements: [e.id] })),
  gearset: (unit) => unit.gearsets.map((g) => ({ ...BLANK, gearset: g.id })),
};

/** A seal of a piston whose seals stand in the element's feed, as a set or by themselves: a cause there already. */
function inSealedFeed(unit: UnitDefinition, part: Part): boolean {
  const element = unit.elements.find((e) => e.id === part.element);
  return (
    part.kind === 'seal' &&
    element !== undefined &&
    element.feedPath.some((id) => unit.parts.find((p) => p.id === id)?.kind === 'seal')
  );
}

function targetsOf(unit: UnitDefinition, template: RootTemplate): Target[] {
  return SCOPES[template.each](unit, template);
}

function wordsOf(
  unit: UnitDefinition,
  causal: CausalKnowledge,
  template: RootTemplate,
  { elements, part, solenoid, gearset }: Target,
): string {
  const failure = causal.failureWords[part?.failure ?? ''] ?? 'failed';
  return sayAim(unit, template.words, { elements, gearset })
    .replaceAll('{p}', part?.name ?? '')
    .replaceAll('{failure}', failure)
    .replaceAll('{s}', unit.solenoids.find((s) => s.id === solenoid)?.name ?? '');
}

import { elementOf, frictionElements, partsWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { endMark, filled, pattern } from '@/core/facts';
import type { ScopeFact } from './facts';
import type { Repair, RuleLine, ScopeRule } from './schema';

/** The repairs a rule is for. */
const INSIDE: readonly Repair[] = ['targeted', 'full', 'upgrade'];
export const isFor = (rule: ScopeRule, repair: Repair) => (rule.repairs ?? INSIDE).includes(repair);
/** The unit is opened and what is inside is put right. */
export const isInside = (repair: Repair) => INSIDE.includes(repair);

/** Patterns that hold together, with what their marks are bound to and the slots they rest on. */
export interface Match {
  binding: Record<string, string>;
  slots: string[];
}

/** A rule that holds. */
export interface Firing extends Match {
  rule: ScopeRule;
}

/** Every way a rule's patterns hold together. */
export function fire(rule: ScopeRule, facts: readonly ScopeFact[]): Firing[] {
  return matches(rule.when, facts).map((match) => ({ rule, ...match }));
}

/** Every way patterns hold together; without patterns one, resting on nothing. */
export function matches(when: readonly string[], facts: readonly ScopeFact[]): Match[] {
  return when.reduce<Match[]>(
    (partial, text) => partial.flatMap((match) => facts.flatMap((fact) => extend(match, text, fact))),
    [{ binding: {}, slots: [] }],
  );
}

function extend(match: Match, text: string, fact: ScopeFact): Match[] {
  const { point, levels } = pattern(text);
  const binding = { ...match.binding };
  const bind = (text: string, value: string): boolean => {
    const end = endMark(text);
    if (!end) return text === value;
    const { head, mark } = end;
    if (!value.startsWith(head) || value.length === head.length) return false;
    const rest = value.slice(head.length);
    if (binding[mark] !== undefined) return binding[mark] === rest;
    binding[mark] = rest;
    return true;
  };
  if (!bind(point, fact.point) || !levels.some((level) => bind(level, fact.level))) return [];
  return [{ binding, slots: [...match.slots, ...fact.slots] }];
}

type Group = (unit: UnitDefinition, target: string) => string[];

/** Groups of parts a line can ask for, by name; after a colon stands what it is of. */
const GROUPS: Record<string, Group> = {
  /** Renewed whenever the unit is apart. */
  always: (unit) => ids(unit.parts.filter((p) => p.kit === 'always')),
  lining: (unit, e) => elementOf(unit, e).liningParts ?? [],
  steels: (unit, e) =>
    (elementOf(unit, e).liningParts ?? []).filter((id) =>
      unit.parts.some((p) => p.id === id && p.kind === 'steel-plates'),
    ),
  drum: (unit, e) => [elementOf(unit, e).drumPart ?? ''],
  /** Seals and rings its oil passes, and those of its own piston. */
  seals: (unit, e) =>
    ids(
      unit.parts.filter(
        (p) =>
          ['seal', 'sealing-ring'].includes(p.kind ?? '') &&
          (p.element === e || elementOf(unit, e).feedPath.includes(p.id)),
      ),
    ),
  with: (unit, p) => unit.parts.find((part) => part.id === p)?.takesAlong ?? [],
  /** Parts of a gearset, and what joins its gears to the rest. */
  set: (unit, g) =>
    ids(
      unit.parts.filter(
        (p) => p.gearset === g || p.splits?.away.some((a) => 'gearset' in a && a.gearset === g) === true,
      ),
    ),
  /** Bushings and oil jets where a gearset sits: its oil comes through them. */
  'bushings-at': (unit, g) => {
    const station = unit.gearsets.find((s) => s.id === g)?.station;
    return ids(unit.parts.filter((p) => p.station === station && ['bushing', 'jet'].includes(p.kind ?? '')));
  },
  solenoid: (unit, s) => [unit.solenoids.find((x) => x.id === s)?.part ?? ''],
  kind: (unit, kind) => ids(unit.parts.filter((p) => p.kind === kind)),
  'all-linings': (unit) => frictionElements(unit).flatMap((e) => e.liningParts ?? []),
  /** Pistons whose seals are bonded on: no seal of theirs is sold apart. */
  'bonded-pistons': (unit) => {
    const isSealed = (e: string) =>
      unit.parts.some(
        (p) =>
          p.kind === 'seal' &&
          (p.element === e || unit.elements.some((x) => x.id === e && x.feedPath.includes(p.id))),
      );
    return ids(unit.parts.filter((p) => p.kind === 'piston' && p.element && !isSealed(p.element)));
  },
  /** Frictions of the packs that pull speeds together. */
  'dynamic-linings': (unit) => {
    const parts = unit.elements
      .filter((e) => e.application === 'dynamic' && e.pack)
      .flatMap((e) => e.liningParts ?? []);
    return parts.filter((id) => unit.parts.some((p) => p.id === id && p.kind === 'friction-plates'));
  },
};

const ids = (parts: { id: string }[]) => parts.map((p) => p.id);

/**
 * The parts a line stands for, marks filled in. Unknown parts are dropped: a rule may name what a unit lacks. Throws a
 * RangeError for a group nobody knows.
 */
export function partsOfLine(
  unit: UnitDefinition,
  line: Pick<RuleLine, 'part' | 'role' | 'group'>,
  binding: Record<string, string>,
): string[] {
  const known = (list: string[]) => list.filter((id) => unit.parts.some((p) => p.id === id));
  if (line.part) return known([filled(line.part, binding)]);
  if (line.role) return ids(partsWithRole(unit, line.role));
  if (!line.group) return [];
  const [kind, target = ''] = filled(line.group, binding).split(':') as [string, string?];
  const group = GROUPS[kind];
  if (!group) throw new RangeError(`Scope rule names an unknown group "${kind}".`);
  return known(group(unit, target));
}

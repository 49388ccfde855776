import { elementOf, frictionElements, partsWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { pattern } from '@/core/facts';
import type { ScopeFact } from './facts';

export type ScopeAction = 'reuse' | 'clean' | 'measure' | 'machine' | 'replace' | 'upgrade';

/** What a rule puts into the scope: a part, a group of parts, an operation, or something outside the unit. */
export interface RuleLine {
  /** `$p`: the part the rule is about. */
  part?: string;
  /** Every part of a role. */
  role?: string;
  group?: string;
  /** The operation of a role. */
  operation?: string;
  outside?: string;
  name?: string;
  action?: ScopeAction;
  onTheShop?: boolean;
}

export interface ScopeRule {
  id: string;
  firm?: boolean;
  when: string[];
  lines: RuleLine[];
  reason: string;
}

/** `data/policies/scope-rules.json`. */
export interface ScopeRules {
  format: 'pelvik-scope-rules/1';
  rules: ScopeRule[];
}

/** A rule that holds, with what its marks are bound to and the slots it rests on. */
export interface Firing {
  rule: ScopeRule;
  binding: Record<string, string>;
  slots: string[];
}

/** Every way a rule's patterns hold together. */
export function fire(rule: ScopeRule, facts: ScopeFact[]): Firing[] {
  return rule.when.reduce<Firing[]>(
    (partial, text) => partial.flatMap((firing) => facts.flatMap((fact) => extend(firing, text, fact))),
    [{ rule, binding: {}, slots: [] }],
  );
}

function extend(firing: Firing, text: string, fact: ScopeFact): Firing[] {
  const { point, levels } = pattern(text);
  const binding = { ...firing.binding };
  const bind = (text: string, value: string): boolean => {
    const mark = text.match(/\$[epsg]$/)?.[0];
    if (!mark) return text === value;
    const head = text.slice(0, -2);
    if (!value.startsWith(head) || value.length === head.length) return false;
    const rest = value.slice(head.length);
    if (binding[mark] !== undefined) return binding[mark] === rest;
    binding[mark] = rest;
    return true;
  };
  if (!bind(point, fact.point) || !levels.some((level) => bind(level, fact.level))) return [];
  return [{ ...firing, binding, slots: [...firing.slots, ...fact.slots] }];
}

/** The parts a rule line stands for, marks filled in. Unknown parts are dropped: a rule may name what a unit lacks. */
export function partsOfLine(unit: UnitDefinition, line: RuleLine, binding: Record<string, string>): string[] {
  const fill = (text: string) => text.replace(/\$[epsg]/g, (mark) => binding[mark] ?? mark);
  const known = (ids: string[]) => ids.filter((id) => unit.parts.some((p) => p.id === id));
  if (line.part) return known([fill(line.part)]);
  if (line.role) return partsWithRole(unit, line.role).map((p) => p.id);
  if (!line.group) return [];
  const [kind, target = ''] = fill(line.group).split(':') as [string, string?];
  switch (kind) {
    case 'always':
      return unit.parts.filter((p) => p.kit === 'always').map((p) => p.id);
    case 'lining':
      return known(elementOf(unit, target).liningParts ?? []);
    case 'drum':
      return known([elementOf(unit, target).drumPart ?? '']);
    case 'with':
      return known(unit.parts.find((p) => p.id === target)?.takesAlong ?? []);
    case 'set':
      return unit.parts.filter((p) => p.gearset === target).map((p) => p.id);
    case 'solenoid':
      return known([unit.solenoids.find((s) => s.id === target)?.part ?? '']);
    case 'all-linings':
      return known(frictionElements(unit).flatMap((e) => e.liningParts ?? []));
    default:
      throw new RangeError(`Scope rule names an unknown group "${kind}".`);
  }
}

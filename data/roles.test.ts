import { POLICIES } from '@/tests/fixtures/paper';
import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import { buildScope } from '@/core/scope';
import { currentUnit, OPERATION_ROLES, PART_ROLES } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { checkUnit } from '@/core/validation';
import { knowledge, rules } from '@/data/knowledge';
import causal from '@/data/knowledge/causal.json';
import { shippedUnits } from '@/data/shipped';
import { devicesOf } from '@/ui/section/device';

/** Where a definition names a part, a station or an operation. */
const POINTING = new Set([
  'id',
  'station',
  'part',
  'powerPath',
  'feedPath',
  'liningParts',
  'drumPart',
  'takesAlong',
  'soldAs',
  'mistakenFor',
  'with',
  'blockedBy',
  'commonFeed',
]);

/** The unit with every part, station and operation under another id and name: what they are is in their roles alone. */
function renamed(unit: UnitDefinition): UnitDefinition {
  const ids = [...unit.parts, ...unit.stations, ...unit.labour].map((x) => x.id);
  // Longest first, so that "pump-cover" is not taken for "pump".
  const others = new Map([...new Set(ids)].sort((a, b) => b.length - a.length).map((id, k) => [id, `x${k}`]));
  const elements = new Set([...unit.elements, ...unit.gearsets, ...unit.members].map((e) => e.id));
  const walk = (value: unknown, key = ''): unknown => {
    if (typeof value === 'string')
      return POINTING.has(key) && others.has(value) && !elements.has(value) ? others.get(value) : value;
    if (Array.isArray(value)) return value.map((v) => walk(v, key));
    if (typeof value === 'object' && value !== null)
      return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v, k)]));
    return value;
  };
  const other = walk(unit) as UnitDefinition;
  for (const list of [other.parts, other.stations, other.labour] as { name: string }[][])
    list.forEach((item, k) => (item.name = `Thing ${k}`));
  return other;
}

const findings = (unit: UnitDefinition): Record<string, Json> => {
  const part = (role: string) => unit.parts.find((p) => p.role === role)!.id;
  return {
    [`part.${part('filter')}.pleats`]: { is: 'blocked' },
    'unit.debris.bright-flakes': { is: { sump: 'heavy' } },
    'unit.fluid.level': { is: 'full' },
    [`part.${part('converter')}.hub`]: { is: 'blue' },
    [`part.${part('pump-cover')}.condition`]: { is: 'failed' },
  };
};

describe.each(shippedUnits.map((u) => [u.id, u] as const))('%s under other ids and names', (_, unit) => {
  const other = renamed(unit);

  test('is as good a unit', () => expect(checkUnit(other)).toEqual([]));

  test('has the same first causes, as likely', () => {
    const causes = (u: UnitDefinition) =>
      diagnoser(
        u,
        knowledge,
      )(stateFromValues(findings(u)))
        .causes.map((c) => `${c.mode} ${c.probability.toFixed(9)}`)
        .sort();
    expect(causes(other)).toEqual(causes(unit));
  });

  test('gets the same scope', () => {
    const scope = (u: UnitDefinition, overhaul: 'full' | 'targeted') =>
      buildScope(
        u,
        { rules, knowledge },
        { state: stateFromValues(findings(u)), policies: POLICIES, causes: [] },
        overhaul,
      )
        .lines.map((l) => [l.kind, l.action, l.hours, l.price, l.inKit].join())
        .sort();
    for (const overhaul of ['full', 'targeted'] as const)
      expect(scope(other, overhaul)).toEqual(scope(unit, overhaul));
  });

  test('is drawn with the same devices', () => {
    const kinds = (u: UnitDefinition) => devicesOf(u).map((d) => d.kind);
    expect(kinds(other)).toEqual(kinds(unit));
    expect(kinds(unit)).toContain('pump');
  });
});

test('a definition from before there were roles gets those its ids stood for', () => {
  for (const unit of shippedUnits) {
    const former = { ...structuredClone(unit), format: 'pelvik-unit/1' };
    for (const item of [...former.parts, ...former.labour]) delete item.role;
    for (const element of former.elements) if (element.part === element.id) delete element.part;
    expect(currentUnit(former)).toEqual(unit);
    expect(currentUnit(unit)).toBe(unit);
  }
});

test('what the causes and rules ask for is a role that exists', () => {
  const asked = causal.roots.flatMap((r) => (r as { roles?: string[] }).roles ?? []);
  const lines = rules.rules.flatMap((r) => r.lines as { role?: string; operation?: string; part?: string }[]);
  for (const role of [...asked, ...lines.flatMap((l) => l.role ?? [])]) expect(PART_ROLES).toContain(role);
  for (const role of lines.flatMap((l) => l.operation ?? [])) expect(OPERATION_ROLES).toContain(role);
  expect(lines.flatMap((l) => l.part ?? []).every((p) => p === '$p')).toBe(true);
});

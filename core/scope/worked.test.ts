import { readFileSync } from 'node:fs';
import { stateOfCase } from '@/core/case';
import type { CaseDocument } from '@/core/case';
import { standingCauses } from '@/core/quote';
import { knowledge, rules } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { POLICIES } from '@/tests/fixtures/paper';
import { scoper } from './index';
import type { Policies } from '@/core/case';
import type { Scope } from './index';
import { diagnoserOf } from '@/tests/fixtures/diagnosers';

/* Whole stories as case files: what their scope must hold, and what it must not. */
function scopeOf(name: string, policies: Partial<Policies> = {}) {
  const told = JSON.parse(readFileSync(`tests/cases/${name}.json`, 'utf8')) as CaseDocument;
  const unit = shippedUnits.find((u) => u.id === told.unit)!;
  const state = stateOfCase(told);
  const causes = standingCauses(state, diagnoserOf(unit)(state));
  const scopes = scoper(
    unit,
    { rules, knowledge },
    { state, policies: { ...POLICIES, ...policies }, causes },
  );
  return { unit, scopes, scope: scopes.scope(scopes.usual) };
}
const action = (scope: Scope, key: string) => scope.lines.find((l) => l.key === key)?.action;
const renewed = (scope: Scope) =>
  scope.lines.filter((l) => l.kind === 'part' && l.action === 'replace').map((l) => l.of!);

test('third falls back to first: the seal and its burnt plates, no solenoid and no converter', () => {
  const { scope } = scopeOf('third-falls-to-first');
  expect(scope.repair).toBe('targeted');
  for (const part of ['intermediate-piston-seals', 'intermediate-frictions', 'intermediate-steels'])
    expect(action(scope, `part-${part}`)).toBe('replace');
  expect(renewed(scope).filter((id) => /solenoid|^converter$/.test(id))).toEqual([]);
});

test('fades on climbs: converter, filter, flush and fluid; the packs are reused, the rebuilder is asked to pay', () => {
  const { scope, unit } = scopeOf('fades-on-climbs');
  expect(scope.repair).toBe('targeted');
  expect(action(scope, 'part-converter')).toBe('replace');
  expect(action(scope, 'part-filter')).toBe('replace');
  for (const key of ['labour-cooler-flush', 'fluid', 'outside-converter-claim'])
    expect(scope.lines.map((l) => l.key)).toContain(key);
  const linings = new Set(unit.elements.flatMap((e) => e.liningParts ?? []));
  expect(renewed(scope).filter((id) => linings.has(id))).toEqual([]);
});

test('only when hot: the drum with its seals and rings, measured before it is ordered, with its deposit', () => {
  const { scope } = scopeOf('only-when-hot');
  for (const part of ['k2-drum', 'k2-piston-seals']) expect(action(scope, `part-${part}`)).toBe('replace');
  expect(scope.lines.find((l) => l.key === 'part-k2-drum')!.coreDeposit).toBeGreaterThan(0);
  expect(scope.problems.map((p) => p.kind)).toEqual(['variant']);
});

test('more load than gearbox: the overhaul with more frictions, sensors cleaned, power and towing named', () => {
  const { scope, scopes } = scopeOf('more-load-than-gearbox');
  expect(scope.repair).toBe('upgrade');
  expect(scopes.open.find((o) => o.repair === 'upgrade')!.reason).toMatch(/more torque/);
  expect(action(scope, 'part-high-frictions')).toBe('upgrade');
  expect(action(scope, 'part-turbine-speed')).toBe('clean');
  for (const key of ['outside-load', 'outside-cooler']) expect(scope.lines.map((l) => l.key)).toContain(key);
});

test('fresh fluid: cooling and filtration come along, not a unit cleared by its linings', () => {
  const { scope } = scopeOf('fresh-fluid');
  for (const key of ['labour-cooler-flush', 'outside-cooler', 'outside-filter', 'part-c3-steels'])
    expect(scope.lines.map((l) => l.key)).toContain(key);
});

test('one burnt band: the band, its drum measured; never the valve body alone', () => {
  const { scope } = scopeOf('one-burnt-band');
  expect(
    scope.lines.some((l) => l.kind === 'part' && /band/.test(l.of ?? '') && l.action === 'replace'),
  ).toBe(true);
  expect(scope.lines.map((l) => l.key)).not.toContain('labour-valve-body');
  expect(scope.problems.filter((p) => p.kind === 'cause')).toEqual([]);
});

describe('grey powder everywhere', () => {
  test('no targeted repair: the set, all linings and steels, filter, flush, valve body', () => {
    const { scope, scopes, unit } = scopeOf('grey-powder');
    expect(scopes.open.find((o) => o.repair === 'targeted')!.barred).toMatch(/Metal/);
    expect(scope.repair).toBe('full');
    const all = unit.elements.flatMap((e) => (e.pack || e.band ? (e.liningParts ?? []) : []));
    for (const part of [...all, 'p1-carrier', 'filter'])
      expect([part, action(scope, `part-${part}`)]).toEqual([part, 'replace']);
    for (const key of ['labour-cooler-flush', 'labour-valve-body'])
      expect(scope.lines.map((l) => l.key)).toContain(key);
  });
  test('converter and solenoids by the shop’s way, and what is kept needs its proof', () => {
    const by = (policies: Partial<Policies>) => scopeOf('grey-powder', policies).scope;
    expect(action(by({}), 'part-converter')).toBe('replace');
    // This converter is not opened in house.
    expect(action(by({ converter: 'reline' }), 'part-converter')).toBe('replace');
    expect(action(by({ converter: 'keep' }), 'part-converter')).toBe('measure');
    expect(by({ converter: 'keep' }).problems.some((p) => p.kind === 'proof')).toBe(true);
    const solenoids = (scope: Scope) =>
      scope.lines.filter((l) => /solenoid/i.test(l.name) && l.kind === 'part').map((l) => l.action);
    expect(new Set(solenoids(by({})))).toEqual(new Set(['clean']));
    expect(new Set(solenoids(by({ solenoids: 'set' })))).toEqual(new Set(['replace']));
    expect(action(by({ cooler: 'replace' }), 'part-cooler')).toBe('replace');
  });
});

import { shippedUnits } from '@/data/shipped';
import { knowledge, rules } from '@/data/knowledge';
import { diagnoser } from '@/core/diagnosis';
import { stateFromValues } from '@/core/case';
import { scoper } from '@/core/scope';
import { cause, diagnosis, paperTerms, POLICIES, rule, scopeBy } from '@/tests/fixtures/paper';
import { billOf } from './price';
import { COMMITTED, expectedReturnCost, riskOf } from './risk';
import type { Commit } from './risk';

const shaft = { part: 'shaft', curedBy: [{ by: [{ part: '$p' }], works: 0.9 }] };
const ring = { part: 'ring', curedBy: [{ by: [{ part: '$p' }], works: 0.8 }] };
const found = diagnosis([
  cause('s', 0.6, shaft),
  cause('r', 0.3, ring),
  cause('x', 0.096),
  cause('y', 0.004),
]);

function risk(
  parts: string[],
  commit: Commit | null = null,
  repair: 'targeted' | 'full' | 'none' = 'targeted',
) {
  const { scopes, scope } = scopeBy(
    [
      rule(
        'a',
        parts.map((part) => ({ part })),
      ),
    ],
    {},
    { repair },
  );
  return riskOf(scopes, scope, found, commit, paperTerms);
}

describe('what stays uncured, on paper', () => {
  test('is every cause by its weight, less how well the scope cures it', () => {
    expect(risk([]).uncured).toBeCloseTo(1, 12);
    expect(risk(['shaft']).uncured).toBeCloseTo(0.6 * 0.1 + 0.4, 12);
    expect(risk(['shaft', 'ring']).uncured).toBeCloseTo(0.06 + 0.3 * 0.2 + 0.1, 12);
  });
  test('goes by the committed cause, not by the ranking', () => {
    const commit = { cause: 'r' };
    expect(risk(['ring'], commit).uncured).toBeCloseTo(COMMITTED * 0.2 + 0.15 * (0.6 + 0.3 * 0.2 + 0.1), 12);
    expect(risk(['shaft'], commit).uncured).toBeCloseTo(COMMITTED + 0.15 * (0.6 * 0.1 + 0.4), 12);
    expect(risk(['shaft'], { cause: 'gone' }).uncured).toBeCloseTo(risk(['shaft']).uncured, 12);
  });
  test('counts what contributed besides', () => {
    const alone = risk(['shaft'], { cause: 's' }).uncured;
    const both = risk(['shaft'], { cause: 's', contributing: ['r', 'gone'] }).uncured;
    expect(1 - both).toBeCloseTo((1 - alone) * (1 - COMMITTED), 12);
    const cured = risk(['shaft', 'ring'], { cause: 's', contributing: ['r'] });
    expect(1 - cured.uncured).toBeCloseTo(
      (1 - risk(['shaft', 'ring'], { cause: 's' }).uncured) * (1 - COMMITTED * 0.2),
      12,
    );
  });
  test('comes back nine times in ten, and the work itself now and then', () => {
    const { returns, uncured, workmanship } = risk(['shaft']);
    expect(workmanship).toBe(0.04);
    expect(returns).toBeCloseTo(1 - (1 - 0.9 * uncured) * 0.96, 12);
    expect(risk(['shaft'], null, 'full').workmanship).toBe(0.02);
    expect(risk([], null, 'none')).toEqual({ uncured: 1, workmanship: 0, returns: 1, steps: [] });
  });
  test('says how it comes about, the largest first, what is small together', () => {
    expect(risk(['shaft']).steps.map((s) => s.words)).toEqual([
      'Cause r',
      'Cause x',
      'Cause s',
      'Everything else it could have been',
      'The work itself, as often as it comes back in this shop',
    ]);
    const [r, x, s, rest, work] = risk(['shaft']).steps.map((step) => step.share);
    expect([r, x, s, rest, work].map((n) => Number(n!.toFixed(6)))).toEqual([
      0.27, 0.0864, 0.054, 0.0036, 0.04,
    ]);
    const none = diagnosis([cause('s', 1, shaft)]);
    const { scopes, scope } = scopeBy([rule('a', [{ part: 'shaft' }])]);
    expect(riskOf(scopes, scope, none, null, paperTerms).steps).toHaveLength(2);
  });
});

test('a return takes labour and fluid again, and half of the parts', () => {
  const { scope } = scopeBy([rule('a', [{ part: 'shaft' }, { operation: 'teardown' }, { supply: 'fluid' }])]);
  const bill = billOf(scope.lines, paperTerms, null);
  expect(expectedReturnCost({ uncured: 0, workmanship: 0, returns: 0.1, steps: [] }, bill)).toBe(2500);
});

describe('on every shipped unit', () => {
  test.each(shippedUnits.map((u) => [u.id, u] as const))(
    '%s: committing any cause and doing what cures it lowers the risk',
    (_, unit) => {
      const found = diagnoser(unit, knowledge)(stateFromValues({}));
      const state = stateFromValues({ 'part.filter.pleats': { is: 'clear' } });
      const basis = { rules, knowledge };
      const without = scoper(unit, basis, { state, policies: POLICIES, causes: [] });
      const uncommitted = without.scope('targeted');
      // One of every kind: what cures it goes by its kind.
      for (const c of found.causes.filter((c, k) => found.causes.findIndex((o) => o.mode === c.mode) === k)) {
        const commit = { cause: c.id };
        const before = riskOf(without, uncommitted, found, commit, paperTerms);
        const scopes = scoper(unit, basis, { state, policies: POLICIES, causes: [c] });
        const scope = scopes.scope('targeted');
        const after = riskOf(scopes, scope, found, commit, paperTerms);
        const already = without.works(uncommitted, c);
        // Something of the usual cure is in every scope for some: those are cured already.
        expect([c.id, already >= c.curedBy[0]!.works || after.uncured < before.uncured]).toEqual([
          c.id,
          true,
        ]);
        // What nobody models is cured by an overhaul at best.
        if (c.id !== 'other') expect([c.id, scopes.works(scope, c) > 0.5]).toEqual([c.id, true]);
        expect(scope.problems.filter((p) => p.kind === 'cause')).toEqual([]);
        const full = riskOf(scopes, scopes.scope('full'), found, commit, {
          ...paperTerms,
          workmanship: { ...paperTerms.workmanship, full: 0.04 },
        });
        expect([c.id, full.returns <= after.returns + 1e-12]).toEqual([c.id, true]);
      }
    },
  );
});

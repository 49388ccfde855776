import type { UnitDefinition } from '@/core/unit';
import { paperUnit, rule, rulesOf, scopeBy, scopeCause } from '@/tests/fixtures/paper';

const firm = rule('a', [{ part: 'shaft' }], { firm: true, when: ['bare=no'] });
const edit = (change: object) => ({ 'scope.line.part-shaft': { reason: 'r', ...change } as never });

describe('a rule no policy switches off', () => {
  test('that is not followed is named, with its reason and the finding', () => {
    expect(scopeBy([firm], edit({ change: 'remove' })).problems).toEqual([
      {
        id: 'kept-part-shaft',
        kind: 'kept',
        words: 'Part shaft was taken out, though: because of a.',
        line: null,
        slots: ['vehicle.bare'],
        needsWaiver: true,
        waiver: null,
      },
    ]);
    expect(scopeBy([firm], edit({ change: 'change', action: 'clean' })).problems).toMatchObject([
      {
        id: 'kept-part-shaft',
        words: 'Part shaft is only to be cleaned, though: because of a.',
        line: 'part-shaft',
      },
    ]);
  });
  test('is followed by doing as much or more; a custom may be left', () => {
    expect(scopeBy([firm]).problems).toEqual([]);
    expect(scopeBy([firm], edit({ change: 'change', action: 'upgrade' })).problems).toEqual([]);
    expect(scopeBy([{ ...firm, firm: undefined }], edit({ change: 'remove' })).problems).toEqual([]);
  });
  test.each([
    ['reuse', 'reused'],
    ['return', 'returned'],
    ['flush', 'flushed'],
    ['measure', 'measured'],
    ['machine', 'machined'],
    ['reline', 'relined'],
  ])('%s is said as %s', (action, words) => {
    expect(scopeBy([firm], edit({ change: 'change', action })).warnings[0]).toContain(`only to be ${words}`);
  });
});

describe('a cause', () => {
  const bad = scopeCause(
    'x:torn',
    [
      {
        by: [
          { part: '$p' },
          { operation: 'valve-body' },
          { supply: 'fluid' },
          { outside: 'outside-x', name: 'The trailer' },
          { outside: 'outside-y' },
          { operation: 'polish' },
        ],
        works: 0.9,
      },
    ],
    { part: 'shaft' },
  );
  const gone = { 'scope.line.part-shaft': { change: 'remove', reason: 'r' } };
  test('that nothing cures is named with what it takes, and needs a signature', () => {
    const [problem, kept] = scopeBy([], gone, { causes: [bad] }).problems;
    expect(problem).toMatchObject({ id: 'cause-x-torn', kind: 'cause', needsWaiver: true, line: null });
    expect(problem!.words).toBe(
      'The root cause stays in: cause x:torn. It takes: part shaft, clean the valve body, fresh fluid, the trailer, outside-y, polish. The job cannot be released so without a written waiver.',
    );
    expect(kept!.kind).toBe('kept');
    expect(scopeBy([], {}, { causes: [bad] }).problems).toEqual([]);
  });
  test('that contributed is called so; one nothing can cure says so', () => {
    const none = scopeCause('n', []);
    const words = scopeBy([], {}, { causes: [scopeCause('ok', [{ by: [], works: 0.9 }]), none] }).warnings;
    expect(words).toEqual([
      'A contributing cause stays in: cause n. Nothing in this unit’s definition cures it: add the line that does. The job cannot be released so without a written waiver.',
    ]);
  });
  test('stays in a vehicle that is not repaired: no contradiction there', () => {
    expect(scopeBy([], {}, { causes: [bad], repair: 'none' }).problems).toEqual([]);
  });
  test('is marked again where its line is put back', () => {
    const back = { 'scope.line.x': { change: 'add', part: 'shaft', reason: 'r' } };
    expect(scopeBy([], back, { causes: [bad] }).problems).toEqual([]);
  });
});

describe('variants', () => {
  const unit: UnitDefinition = {
    ...paperUnit,
    variants: [
      {
        id: 'depth',
        name: 'Two depths',
        part: 'inner',
        measure: 'Depth to the hub',
        readings: [
          { is: 'shallow', min: 0.03, max: 0.031 },
          { is: 'deep', min: 0.035, max: 0.036 },
        ],
      },
    ],
  };
  const asked = (values = {}, action: 'replace' | 'clean' = 'replace') =>
    scopeBy([rule('a', [{ part: 'inner', action }])], values, { unit }).problems;
  test('are measured before one is bought, also where it is sold in a set; not before it is cleaned', () => {
    expect(asked()).toMatchObject([
      {
        id: 'variant-depth',
        kind: 'variant',
        line: 'part-set',
        words: 'Two depths. Depth to the hub.',
        needsWaiver: false,
        slots: ['scope.variant.depth'],
      },
    ]);
    expect(asked({}, 'clean')).toEqual([]);
  });
  test.each([0.03, 0.0305, 0.031, 0.036])('a reading of %s m settles it', (depth) => {
    expect(asked({ 'scope.variant.depth': depth })).toEqual([]);
  });
  test.each([0.0299, 0.0311, 0.04])('a reading of %s m fits none', (depth) => {
    expect(asked({ 'scope.variant.depth': depth })[0]!.words).toBe(
      'Two depths: the reading fits none of them. Measure again: depth to the hub.',
    );
  });
});

test('what is bought without a price is named; a part that is only looked at needs none', () => {
  expect(scopeBy([rule('a', [{ part: 'lugs' }])]).problems).toMatchObject([
    { id: 'price-part-lugs', kind: 'unpriced', line: 'part-lugs', needsWaiver: false },
  ]);
  expect(scopeBy([rule('a', [{ part: 'lugs', action: 'measure' }])]).problems).toEqual([]);
});

describe('a converter kept although something spread', () => {
  const metal = { 'unit.debris.chunks': { is: { sump: 'heavy' } } };
  const proof = {
    ...metal,
    'part.converter.leak': { is: 'tight' },
    'part.converter.end-play': { is: 0.3 },
    'part.converter.paste': { is: 'none' },
  };
  test('lacks its proof until every part of it is there', () => {
    const [problem] = scopeBy([], metal).problems;
    expect(problem).toMatchObject({
      id: 'proof-converter',
      kind: 'proof',
      needsWaiver: true,
      line: null,
      slots: ['unit.debris.chunks'],
    });
    expect(problem!.words).toBe(
      'The converter is kept although metal went through the system. Its proof is lacking: leak test, end play, what runs out of it.',
    );
    const measured = rule('a', [{ role: 'converter', action: 'measure' }]);
    expect(scopeBy([measured], metal).problems).toMatchObject([{ line: 'part-converter' }]);
    expect(scopeBy([], proof).problems).toEqual([]);
    const words = scopeBy([], { ...proof, 'part.converter.leak': { is: 'leaks' } }).warnings.join();
    expect(words).toContain('lacking: leak test');
  });
  test('is no question where it is renewed or relined, or nothing spread', () => {
    for (const action of ['replace', 'reline'] as const)
      expect(scopeBy([rule('a', [{ role: 'converter', action }])], metal).problems).toEqual([]);
    expect(scopeBy([]).problems).toEqual([]);
  });
});

test('what somebody signed for is no warning any more, and keeps their words', () => {
  const values = { ...edit({ change: 'remove' }), 'scope.waiver.kept-part-shaft': { words: 'Owner agreed' } };
  const { problems, warnings } = scopeBy([firm], values);
  expect(warnings).toEqual([]);
  expect(problems).toMatchObject([{ id: 'kept-part-shaft', waiver: { words: 'Owner agreed' } }]);
  expect(scopeBy(rulesOf([firm]), edit({ change: 'remove' })).warnings).toHaveLength(1);
});

import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { scopeFacts } from './facts';
import { buildScope } from './index';
import type { Policies, ScopeCause, ScopeRule, ScopeRules } from './index';

/** Rules made for the test alone, so that each step of the building can be followed by itself. */
const unit = ostrelFour as unknown as UnitDefinition;
const SHOP: Policies = { overhaul: 'targeted', converter: 'on-evidence' };
const rule = (id: string, lines: ScopeRule['lines'], more: Partial<ScopeRule> = {}): ScopeRule => ({
  id,
  when: ['job=open'],
  lines,
  reason: `Because of ${id}`,
  ...more,
});

function scope(rules: ScopeRule[], values: Record<string, Json> = {}, cause: ScopeCause | null = null) {
  const set: ScopeRules = { format: 'pelvik-scope-rules/1', rules };
  return buildScope(unit, { rules: set, knowledge }, stateFromValues(values), SHOP, cause);
}
const only = (rules: ScopeRule[], values: Record<string, Json> = {}) => scope(rules, values).lines[0]!;

describe('a line of a rule', () => {
  test('for a part to be bought carries its price, delivery and deposit', () => {
    expect(only([rule('a', [{ part: 'converter' }])])).toEqual({
      key: 'part-converter',
      kind: 'part',
      name: 'Torque converter',
      station: 'converter',
      action: 'replace',
      quantity: 1,
      price: 39500,
      hours: 0,
      leadDays: 2,
      coreDeposit: 15000,
      coreReturnDays: 30,
      inKit: false,
      onTheShop: false,
      reasons: [{ rule: 'a', words: 'Because of a', slots: [], firm: false }],
      edited: null,
    });
  });
  test.each(['reuse', 'clean', 'measure', 'machine'] as const)('to %s costs no part', (action) => {
    expect(only([rule('a', [{ part: 'converter', action }])])).toMatchObject({
      action,
      price: 0,
      leadDays: 0,
      coreDeposit: 0,
      coreReturnDays: null,
    });
  });
  test('for a part that is made no more is for its successor, and says whose place it takes', () => {
    expect(only([rule('a', [{ part: 'harness' }])])).toMatchObject({
      key: 'part-harness-2',
      price: 7340,
      reasons: [{ words: 'Because of a (Internal harness)' }],
    });
  });
  test('to upgrade is bought', () => {
    expect(only([rule('a', [{ part: 'converter', action: 'upgrade' }])]).price).toBe(39500);
  });
  test('for an operation is its hours, for what is outside its words', () => {
    expect(only([rule('a', [{ operation: 'cooler-flush' }])])).toMatchObject({
      key: 'labour-cooler-flush',
      kind: 'labour',
      hours: 0.9,
      price: 0,
      station: null,
    });
    expect(only([rule('a', [{ outside: 'outside-x', name: 'The cooler' }])])).toMatchObject({
      key: 'outside-x',
      kind: 'outside',
      name: 'The cooler',
      action: 'measure',
    });
    expect(only([rule('a', [{ outside: 'outside-x', action: 'clean' }])])).toMatchObject({
      name: '',
      action: 'clean',
    });
  });
  test('for an operation or part the unit does not have is none', () => {
    expect(scope([rule('a', [{ operation: 'polish' }, { part: 'ghost' }, { role: 'ghost' }])]).lines).toEqual(
      [],
    );
  });
  test('rests on the findings that fired it, each once', () => {
    const [line] = scope([rule('a', [{ part: 'filter' }], { when: ['part:$p=worn', 'part:$p=worn'] })], {
      'part.filter.condition': { is: 'worn' },
    }).lines;
    expect(line!.reasons[0]!.slots).toEqual(['part.filter.condition']);
  });
});

describe('two rules for one part', () => {
  const measure = rule('a', [{ part: 'converter', action: 'measure' }]);
  const replace = rule('b', [{ part: 'converter', onTheShop: true }]);
  test.each([
    ['the stronger last', [measure, replace]],
    ['the stronger first', [replace, measure]],
  ])('%s: it stands with its price', (_, rules) => {
    const line = only(rules);
    expect(line).toMatchObject({ action: 'replace', price: 39500, onTheShop: true });
    expect(line.reasons.map((r) => r.rule).sort()).toEqual(['a', 'b']);
  });
  test('equal ones keep the first; one rule speaks once', () => {
    const line = only([rule('a', [{ part: 'converter' }, { part: 'converter' }])]);
    expect(line.reasons).toHaveLength(1);
    expect(scope([rule('a', [{ part: 'converter' }, { part: 'converter' }])]).lines).toHaveLength(1);
  });
});

describe('the kit', () => {
  const kit = rule('kit', [{ role: 'overhaul-kit' }]);
  const parts = rule('parts', [{ part: 'filter' }, { part: 'converter' }, { operation: 'cooler-flush' }]);
  test('holds what is in it, when it is bought', () => {
    const inKit = scope([kit, parts])
      .lines.filter((l) => l.inKit)
      .map((l) => l.key);
    expect(inKit).toEqual(['part-filter']);
    expect(scope([parts]).lines.some((l) => l.inKit)).toBe(false);
  });
});

describe('the order of lines', () => {
  test('parts by their station, then labour, then what is outside; within one by name', () => {
    const { lines } = scope([
      rule('a', [
        { outside: 'outside-x', name: 'x' },
        { operation: 'teardown' },
        { operation: 'cooler-flush' },
        { part: 'low-owc' },
        { part: 'pump-gears' },
        { part: 'pump-cover' },
        { part: 'converter' },
      ]),
    ]);
    expect(lines.map((l) => l.key)).toEqual([
      'part-converter',
      'part-pump-cover',
      'part-pump-gears',
      'part-low-owc',
      'labour-cooler-flush',
      'labour-teardown',
      'outside-x',
    ]);
  });
  test('a part of no station stands after those that have one, before labour', () => {
    const { lines } = scope([rule('a', [{ part: 'low-owc' }, { operation: 'teardown' }])], {
      'scope.line.own': { change: 'add', name: 'A bracket', price: 900, reason: 'cracked' },
    });
    expect(lines.map((l) => l.key)).toEqual(['part-low-owc', 'own', 'labour-teardown']);
  });
});

describe('a change by hand', () => {
  const base = rule('a', [{ part: 'converter' }, { operation: 'teardown' }]);
  const edited = (key: string, edit: Record<string, Json>) =>
    scope([base], { [`scope.line.${key}`]: edit as Json });
  test('takes what it names and leaves the rest', () => {
    const find = (edit: Record<string, Json>) =>
      edited('part-converter', { change: 'change', reason: 'r', ...edit }).lines[0]!;
    expect(find({ name: 'Rebuilt converter' })).toMatchObject({ name: 'Rebuilt converter', price: 39500 });
    expect(find({ action: 'clean' })).toMatchObject({ action: 'clean', name: 'Torque converter' });
    expect(find({ quantity: 3 })).toMatchObject({ quantity: 3, hours: 0, price: 39500 });
    expect(find({ price: 0 })).toMatchObject({ price: 0, quantity: 1 });
    expect(find({ hours: 2 })).toMatchObject({ hours: 2, edited: 'change' });
    expect(find({}).reasons).toEqual([
      expect.objectContaining({ rule: 'a' }),
      { rule: 'technician', words: 'r', slots: ['scope.line.part-converter'], firm: false },
    ]);
  });
  test('that adds what stands there already changes that line: a part has one', () => {
    const { lines } = edited('own', { change: 'add', part: 'converter', quantity: 2, reason: 'r' });
    expect(lines.filter((l) => l.key === 'part-converter')).toMatchObject([{ quantity: 2, edited: 'add' }]);
    const again = edited('own', { change: 'add', operation: 'teardown', hours: 4, reason: 'r' });
    expect(again.lines.filter((l) => l.key === 'labour-teardown')).toMatchObject([{ hours: 4 }]);
  });
  test('that adds the root cause’s part answers for it', () => {
    const values = { 'scope.line.own': { change: 'add', part: 'filter', reason: 'r' } };
    const cause: ScopeCause = { id: 'c', mode: 'm', part: 'filter', element: null, gearset: null };
    expect(scope([], values, cause).warnings).toEqual([]);
  });
  test('that takes out keeps the line with why it was there and why it went', () => {
    const { lines, removed } = edited('labour-teardown', { change: 'remove', reason: 'done before' });
    expect(lines.map((l) => l.key)).toEqual(['part-converter']);
    expect(removed).toMatchObject([{ key: 'labour-teardown', edited: 'remove', hours: 3.2 }]);
    expect(removed[0]!.reasons.map((r) => r.rule)).toEqual(['a', 'technician']);
  });
  test('that adds takes a known part or operation as it is, else what was typed', () => {
    const added = (edit: Record<string, Json>) =>
      edited('own', { change: 'add', reason: 'r', ...edit }).lines.find((l) => l.edited === 'add')!;
    expect(added({ part: 'filter' })).toMatchObject({ name: 'Filter', price: 1850, action: 'replace' });
    expect(added({ part: 'filter', action: 'measure' })).toMatchObject({ price: 0, action: 'measure' });
    expect(added({ part: 'ghost' })).toMatchObject({ name: 'own', kind: 'part', price: 0 });
    expect(added({ operation: 'pump' })).toMatchObject({ kind: 'labour', hours: 1.1 });
    expect(added({ name: 'Weld the lug', hours: 1.5 })).toMatchObject({
      kind: 'labour',
      name: 'Weld the lug',
    });
    expect(added({ name: 'A bracket' })).toMatchObject({ kind: 'part', name: 'A bracket' });
    expect(added({}).reasons).toHaveLength(1);
  });
});

describe('warnings', () => {
  const cause = (part: string | null): ScopeCause => ({
    id: 'c',
    mode: 'm',
    part,
    element: null,
    gearset: null,
  });
  test('something firm taken out is named with its reason', () => {
    const firm = rule('a', [{ part: 'filter' }], { firm: true, reason: 'Blocked' });
    const out = { 'scope.line.part-filter': { change: 'remove', reason: 'no' } };
    expect(scope([firm], out).warnings).toEqual(['Filter was taken out, though: blocked.']);
    expect(scope([rule('a', [{ part: 'filter' }])], out).warnings).toEqual([]);
  });
  test('the root cause has to be in the scope, when the unit has such a part', () => {
    expect(scope([], {}, cause('filter')).warnings.join()).toMatch(/root cause, filter, is not/);
    expect(scope([rule('a', [{ part: 'filter' }])], {}, cause('filter')).warnings).toEqual([]);
    expect(scope([], {}, cause('ghost')).warnings).toEqual([]);
    expect(scope([], {}, cause(null)).warnings).toEqual([]);
  });
  test('variants are measured before one is bought, not before it is cleaned', () => {
    expect(scope([rule('a', [{ part: 'converter' }])]).warnings).toEqual([
      'Torque converter: more than one variant. Measure the pilot diameter: 41.0 mm or 43.5 mm.',
    ]);
    expect(scope([rule('a', [{ part: 'converter', action: 'clean' }])]).warnings).toEqual([]);
  });
});

describe('facts', () => {
  const facts = (values: Record<string, Json>, cause: ScopeCause | null = null) =>
    scopeFacts(unit, stateFromValues(values), knowledge, SHOP, cause);
  const level = (point: string, values: Record<string, Json>) =>
    facts(values).find((f) => f.point === point)?.level;
  test('say whether there is a vehicle, and what the shop’s way is', () => {
    expect(level('bare', {})).toBe('no');
    expect(level('bare', { 'vehicle.bare': true })).toBe('yes');
    expect(level('bare', { 'vehicle.bare': false })).toBe('no');
    expect(level('policy:overhaul', {})).toBe('targeted');
    expect(level('policy:converter', {})).toBe('on-evidence');
  });
  test('name the cause by what is known of it', () => {
    const points = (cause: ScopeCause) =>
      facts({}, cause)
        .filter((f) => f.point.startsWith('cause'))
        .map((f) => `${f.point}=${f.level} ${f.slots}`);
    expect(points({ id: 'i', mode: 'm', part: 'p', element: 'e', gearset: null })).toEqual([
      'cause=i cause.commit',
      'cause-mode=m cause.commit',
      'cause-part=p cause.commit',
      'cause-element=e cause.commit',
    ]);
    expect(points({ id: 'i', mode: 'm', part: null, element: null, gearset: null })).toHaveLength(2);
    expect(facts({}).some((f) => f.point.startsWith('cause'))).toBe(false);
  });
  test('a takedown’s damage is a fact of its part, with its slot', () => {
    const values = {
      'part.filter.condition': { is: 'takedown' },
      'part.converter.condition': { is: 'worn' },
    };
    expect(facts(values).filter((f) => f.point.startsWith('takedown'))).toMatchObject([
      { point: 'takedown:filter', level: 'yes', slots: ['part.filter.condition'] },
    ]);
  });
  test('what spread rests on the debris it was seen in', () => {
    const spread = facts({
      'unit.debris.fibre': { is: { sump: 'heavy' } },
      'unit.fluid.colour': { is: 'milky' },
    });
    expect(spread.filter((f) => f.point === 'spread')).toMatchObject([
      { point: 'spread', level: 'fibre', slots: ['unit.debris.fibre'] },
      { point: 'spread', level: 'water', slots: ['unit.fluid.colour'] },
    ]);
  });
});

describe('what is ordered, and what it takes', () => {
  test('a part sold in a set is ordered as the set, once, with the part named in the reason', () => {
    const values = {
      'part.gasket-upper.gasket': { is: 'blown' },
      'part.separator-plate.plate': { is: 'hammered' },
    };
    const { lines } = scope([rule('failed', [{ part: '$p' }], { when: ['part:$p=failed'] })], values);
    expect(lines.map((l) => [l.key, l.price])).toEqual([['part-valve-body-gasket-set', 6400]]);
    expect(lines[0]!.reasons.map((r) => r.words)).toEqual(['Because of failed (Valve body gasket, upper)']);
  });
  test('what is only cleaned or measured is no order', () => {
    const { lines } = scope([rule('clean', [{ part: 'separator-plate', action: 'clean' }])]);
    expect(lines[0]!.key).toBe('part-separator-plate');
  });
  test('a root cause sold in a set is in the scope with the set', () => {
    const cause: ScopeCause = { id: 'c', mode: 'm', part: 'gasket-upper', element: null, gearset: null };
    expect(scope([rule('a', [{ part: 'gasket-upper' }])], {}, cause).warnings).toEqual([]);
    expect(scope([], {}, cause).warnings.join()).toMatch(/root cause, valve body gasket, upper, is not/);
  });
  test('hours two operations would both count are counted once', () => {
    const hours = (...operations: string[]) =>
      Object.fromEntries(
        scope([
          rule(
            'a',
            operations.map((operation) => ({ operation })),
          ),
        ]).lines.map((l) => [l.key, l.hours]),
      );
    const alone = hours('pump')['labour-pump']!;
    const both = hours('pump', 'overhaul');
    expect(both['labour-pump']).toBeCloseTo(alone - 0.6, 9);
    expect(both['labour-overhaul']).toBe(hours('overhaul')['labour-overhaul']);
  });
  test('hours the technician set are left alone', () => {
    const edit = { 'scope.line.labour-pump': { change: 'change', hours: 5, reason: 'seized' } };
    const { lines } = scope([rule('a', [{ operation: 'pump' }, { operation: 'overhaul' }])], edit);
    expect(lines.find((l) => l.key === 'labour-pump')!.hours).toBe(5);
  });
});

import type { UnitDefinition } from '@/core/unit';
import { paperUnit, part, rule, rulesOf, scopeBy, scopeCause } from '@/tests/fixtures/paper';

const shaft = rule('a', [{ part: 'shaft' }]);

describe('lines of rules', () => {
  test('a part, a role, an operation, fluid, and what is outside', () => {
    const all = rule('a', [
      { part: 'shaft', action: 'measure' },
      { role: 'converter' },
      { operation: 'cooler-flush' },
      { supply: 'fluid' },
      { outside: 'outside-x', name: 'The cooler' },
      { outside: 'outside-y', action: 'return' },
    ]);
    const { keys, line } = scopeBy([all]);
    expect(keys).toEqual(['part-converter', 'part-shaft', 'fluid', 'labour-flush', 'outside-y', 'outside-x']);
    expect(line('part-shaft')!.action).toBe('measure');
    expect(line('part-converter')!.action).toBe('replace');
    expect(line('outside-x')).toMatchObject({ kind: 'outside', action: 'measure', name: 'The cooler' });
    expect(line('outside-y')).toMatchObject({ action: 'return', name: '' });
  });
  test('what the unit does not have is no line', () => {
    expect(
      scopeBy([rule('a', [{ operation: 'polish' }, { part: 'ghost' }, { role: 'ghost' }, {}])]).lines,
    ).toEqual([]);
  });
  test('only what of an operation is done already', () => {
    const { line } = scopeBy([rule('a', [{ operation: 'remove-refit', done: true }])]);
    expect(line('labour-rr')).toMatchObject({ hours: 4, before: 1 });
  });
  test('rest on the findings that fired them, each once', () => {
    const { lines } = scopeBy([rule('a', [{ part: 'shaft' }], { when: ['bare=no', 'bare=no'] })]);
    expect(lines[0]!.reasons).toEqual([
      { rule: 'a', words: 'Because of a', slots: ['vehicle.bare'], firm: false, action: 'replace' },
    ]);
  });
  test('stand for the repairs they name, else for what is repaired inside', () => {
    const rules = [shaft, rule('b', [{ part: 'ring' }], { repairs: ['exchange', 'none'] })];
    const keys = (repair: 'targeted' | 'full' | 'upgrade' | 'exchange' | 'none') =>
      scopeBy(rules, {}, { repair }).keys;
    for (const repair of ['targeted', 'full', 'upgrade'] as const)
      expect(keys(repair)).toEqual(['part-shaft']);
    for (const repair of ['exchange', 'none'] as const) expect(keys(repair)).toEqual(['part-ring']);
  });
  test('parts by their station, then what has none, fluid, labour, outside; within one by name', () => {
    const { keys } = scopeBy(
      [
        rule('a', [
          { outside: 'outside-x', name: 'x' },
          { operation: 'teardown' },
          { operation: 'cooler-flush' },
          { supply: 'fluid' },
          { part: 'drum' },
          { part: 'shaft' },
          { part: 'ring' },
        ]),
      ],
      { 'scope.line.own': { change: 'add', name: 'A bracket', price: 900, reason: 'cracked' } },
    );
    expect(keys).toEqual([
      'part-ring',
      'part-shaft',
      'part-drum',
      'own',
      'fluid',
      'labour-flush',
      'labour-apart',
      'outside-x',
    ]);
  });
});

describe('the kit', () => {
  const kit = rule('kit', [{ role: 'overhaul-kit' }]);
  test('is shown with what it holds, and none of that is charged again', () => {
    const { line } = scopeBy([kit, rule('b', [{ part: 'in-kit' }])]);
    expect(line('part-kit')).toMatchObject({ inKit: false, contents: ['Part in-kit'] });
    expect(line('part-in-kit')).toMatchObject({ inKit: true, action: 'replace' });
    expect(line('part-in-kit')!.reasons.map((r) => r.words)).toEqual(['Because of b', 'In the overhaul kit']);
  });
  test('holds nothing while it is not bought, and nothing is in it then', () => {
    expect(scopeBy([rule('b', [{ part: 'in-kit' }])]).line('part-in-kit')!.inKit).toBe(false);
    expect(scopeBy([rule('kit', [{ role: 'overhaul-kit', action: 'measure' }])]).keys).toEqual(['part-kit']);
  });
  test('bought by hand it comes with what it holds too', () => {
    const { line } = scopeBy([], { 'scope.line.x': { change: 'add', part: 'kit', reason: 'r' } });
    expect(line('part-in-kit')!.inKit).toBe(true);
  });
  test('what was taken out stays out; what gets one more plate is not the kit’s', () => {
    const out = { 'scope.line.part-in-kit': { change: 'remove', reason: 'no' } };
    const both = [kit, rule('b', [{ part: 'in-kit' }])];
    expect(scopeBy(both, out).keys).toEqual(['part-kit']);
    expect(
      scopeBy([kit, rule('b', [{ part: 'in-kit', action: 'upgrade' }])]).line('part-in-kit')!.inKit,
    ).toBe(false);
  });
  test('what is sold only within a set has no line of its own', () => {
    const unit: UnitDefinition = {
      ...paperUnit,
      parts: [...paperUnit.parts, part('hidden', { kit: 'overhaul', soldAs: 'set' })],
    };
    const { keys, line } = scopeBy([kit], {}, { unit });
    expect(keys).not.toContain('part-hidden');
    expect(line('part-kit')!.contents).toEqual(['Part in-kit', 'Part hidden']);
  });
});

describe('what cures the causes', () => {
  const ways = [
    { by: [{ part: '$p' }, { operation: 'valve-body' }], works: 0.9 },
    { by: [{ part: '$p' }], works: 0.6 },
  ];
  const bad = scopeCause('c', ways, { part: 'shaft' });
  test('comes into the scope, firmly, with why', () => {
    const { line, keys } = scopeBy([], {}, { causes: [bad] });
    expect(keys).toEqual(['part-shaft', 'labour-clean']);
    expect(line('part-shaft')!.reasons[0]).toEqual({
      rule: 'cause',
      words: 'Cures what failed first: Cause c',
      slots: ['cause.commit'],
      firm: true,
      action: 'replace',
    });
  });
  test('what contributed is cured besides, and said to have contributed', () => {
    const other = scopeCause('d', [{ by: [{ part: '$p' }], works: 0.9 }], { part: 'ring' });
    const { line } = scopeBy([], {}, { causes: [bad, other] });
    expect(line('part-ring')!.reasons[0]!.words).toBe('Cures what contributed: Cause d');
  });
  test('is marked where the scope has a way as good already; a lesser one is not enough', () => {
    const equal = scopeCause(
      'c',
      [
        { by: [{ part: '$p' }], works: 0.9 },
        { by: [{ role: 'converter' }], works: 0.9 },
      ],
      { part: 'shaft' },
    );
    const { keys, line } = scopeBy([rule('a', [{ role: 'converter' }])], {}, { causes: [equal] });
    expect(keys).toEqual(['part-converter']);
    expect(line('part-converter')!.reasons.map((r) => r.rule)).toEqual(['a', 'cause']);
    expect(scopeBy([shaft], {}, { causes: [bad] }).keys).toContain('labour-clean');
  });
  test('the usual way is the first whose conditions hold', () => {
    const either = scopeCause(
      'c',
      [
        { by: [{ part: '$p', action: 'machine' }], works: 0.5, when: ['policy:cooler=replace'] },
        { by: [{ part: '$p' }], works: 0.9 },
      ],
      { part: 'shaft' },
    );
    expect(scopeBy([], {}, { causes: [either] }).line('part-shaft')!.action).toBe('replace');
    expect(
      scopeBy([], {}, { causes: [either], policies: { cooler: 'replace' } }).line('part-shaft')!.action,
    ).toBe('machine');
    expect(scopeBy([], {}, { causes: [scopeCause('n', [])] }).lines).toEqual([]);
  });
  test('of a unit that is exchanged only what lies outside it is cured', () => {
    const wide = scopeCause(
      'c',
      [
        {
          by: [
            { part: '$p' },
            { role: 'converter' },
            { operation: 'cooler-flush' },
            { operation: 'valve-body' },
            { outside: 'outside-x' },
            { supply: 'fluid' },
          ],
          works: 0.9,
        },
      ],
      { part: 'shaft' },
    );
    expect(scopeBy([], {}, { causes: [wide], repair: 'exchange' }).keys).toEqual([
      'part-converter',
      'fluid',
      'labour-flush',
      'outside-x',
    ]);
    expect(scopeBy([], {}, { causes: [wide], repair: 'none' }).keys).toEqual([]);
  });
});

describe('changes by hand', () => {
  test('reach what is inside, in an exchange only what is its own', () => {
    const values = {
      'scope.line.own': { change: 'add', name: 'Bracket', price: 100, reason: 'r' },
      'scope.line.part-shaft': { change: 'change', quantity: 2, reason: 'r' },
      'scope.line.x': { change: 'add', part: 'ring', reason: 'r' },
    };
    expect(scopeBy([shaft], values).keys).toEqual(['part-ring', 'part-shaft', 'own']);
    expect(scopeBy([], values, { repair: 'exchange' }).keys).toEqual(['own']);
    expect(scopeBy([], values, { repair: 'none' }).keys).toEqual([]);
    const unit = rule('e', [{ role: 'exchange-unit' }], { repairs: ['exchange'] });
    const change = { 'scope.line.part-exchange': { change: 'change', quantity: 3, reason: 'r' } };
    expect(scopeBy([unit], change, { repair: 'exchange' }).line('part-exchange')!.quantity).toBe(3);
  });
  test('to work come after the work that follows from the parts', () => {
    const rules = rulesOf([rule('a', [{ part: 'shaft', action: 'machine' }])], {
      work: [{ id: 'w', actions: ['machine'], operation: 'machining', reason: 'Cut' }],
    });
    const { line } = scopeBy(rules, { 'scope.line.labour-cut': { change: 'change', hours: 3, reason: 'r' } });
    expect(line('labour-cut')).toMatchObject({ hours: 3, edited: 'change' });
    const none = { 'scope.line.labour-cut': { change: 'remove', reason: 'r' } };
    expect(scopeBy(rules, none).keys).toEqual(['part-shaft']);
    expect(scopeBy(rules, none).removed.map((l) => l.key)).toEqual(['labour-cut']);
  });
});

describe('repairs', () => {
  const rules = rulesOf([], {
    repairs: [
      { repair: 'targeted', unless: [{ when: ['bare=yes'], reason: 'No vehicle' }] },
      { repair: 'full' },
      { repair: 'upgrade', onlyFor: [{ when: ['policy:plates=added'], reason: 'Asked for' }] },
      { repair: 'none' },
    ],
  });
  const open = (values = {}, policies = {}) => scopeBy(rules, values, { policies }).scopes;
  test('are open, barred with the reason, or not called for', () => {
    expect(open().open).toEqual([
      { repair: 'targeted', barred: null, reason: null },
      { repair: 'full', barred: null, reason: null },
      { repair: 'upgrade', barred: 'Nothing calls for it.', reason: null },
      { repair: 'none', barred: null, reason: null },
    ]);
    expect(open({ 'vehicle.bare': true }).open[0]).toEqual({
      repair: 'targeted',
      barred: 'No vehicle',
      reason: null,
    });
    expect(open({}, { plates: 'added' }).open[2]).toEqual({
      repair: 'upgrade',
      barred: null,
      reason: 'Asked for',
    });
  });
  test('the usual one is the policy’s, unless it is barred or an upgrade is called for', () => {
    expect(open().usual).toBe('targeted');
    expect(open({}, { overhaul: 'full' }).usual).toBe('full');
    expect(open({ 'vehicle.bare': true }).usual).toBe('full');
    expect(open({}, { plates: 'added' }).usual).toBe('upgrade');
  });
});

test('what spread is said, with the elements it was seen in', () => {
  const { spread } = scopeBy([], {
    'unit.debris.chunks': { is: { sump: 'some' } },
    'face.high.2.a.metal': { is: 'specks' },
    'face.forward.2.a.metal': { is: 'none' },
  });
  expect(spread).toEqual([{ kind: 'metal', seenIn: ['high'] }]);
  expect(scopeBy([]).spread).toEqual([]);
  expect(scopeBy([], { 'unit.debris.fibre': { is: { sump: 'heavy' } } }).spread).toEqual([
    { kind: 'fibre', seenIn: [] },
  ]);
});

import { rule, scopeBy } from '@/tests/fixtures/paper';

const base = rule('a', [{ part: 'shaft' }, { operation: 'teardown' }, { supply: 'fluid' }]);
const edited = (key: string, edit: Record<string, unknown>, rules = [base]) =>
  scopeBy(rules, { [`scope.line.${key}`]: { reason: 'r', ...edit } as never });

describe('a change of the action', () => {
  const measured = rule('m', [{ part: 'shaft', action: 'measure' }]);
  test('from measuring to replacing sells the part at its price, with its deposit and delivery', () => {
    expect(
      edited('part-shaft', { change: 'change', action: 'replace' }, [measured]).line('part-shaft'),
    ).toMatchObject({
      action: 'replace',
      price: 5000,
      coreDeposit: 700,
      coreReturnDays: 20,
      leadDays: 4,
      edited: 'change',
    });
  });
  test.each(['reuse', 'clean', 'measure'] as const)(
    'from replacing to %s bills nothing of it any more',
    (action) => {
      const line = edited('part-shaft', { change: 'change', action, price: 5000 }).line('part-shaft');
      expect(line).toMatchObject({ action, price: null, coreDeposit: 0, leadDays: 0, unpriced: false });
    },
  );
  test('to machining costs what is typed for it, and nothing where nothing is', () => {
    expect(
      edited('part-shaft', { change: 'change', action: 'machine' }).line('part-shaft')!.price,
    ).toBeNull();
    expect(
      edited('part-shaft', { change: 'change', action: 'machine', price: 1200 }).line('part-shaft')!.price,
    ).toBe(1200);
  });
  test('to replacing what is sold in a set orders the set, in place of the line', () => {
    const inner = rule('m', [{ part: 'inner', action: 'measure' }]);
    expect(edited('part-inner', { change: 'change', action: 'replace' }, [inner]).keys).toEqual(['part-set']);
  });
  test('that is none leaves the price; reasons add up', () => {
    const line = edited('part-shaft', { change: 'change', action: 'replace', quantity: 2 }).line(
      'part-shaft',
    )!;
    expect(line).toMatchObject({ price: 5000, quantity: 2 });
    expect(line.reasons.map((r) => r.rule)).toEqual(['a', 'technician']);
  });
  test('of what the shop broke leaves it on the shop', () => {
    const broken = rule('t', [{ part: 'shaft', onTheShop: true }]);
    expect(
      edited('part-shaft', { change: 'change', action: 'machine' }, [broken]).line('part-shaft')!.onTheShop,
    ).toBe(true);
  });
});

describe('a price by hand', () => {
  test('stands for a part, fluid and something outside, and answers for one that has none', () => {
    expect(edited('part-shaft', { change: 'change', price: 4100 }).line('part-shaft')!.price).toBe(4100);
    expect(edited('fluid', { change: 'change', price: 700, quantity: 4.5 }).line('fluid')).toMatchObject({
      price: 700,
      quantity: 4.5,
    });
    const outside = rule('o', [{ outside: 'outside-x', name: 'x' }]);
    expect(edited('outside-x', { change: 'change', price: 900 }, [outside]).line('outside-x')!.price).toBe(
      900,
    );
    const lugs = rule('l', [{ part: 'lugs' }]);
    expect(scopeBy([lugs]).line('part-lugs')!.unpriced).toBe(true);
    expect(edited('part-lugs', { change: 'change', price: 2500 }, [lugs]).line('part-lugs')).toMatchObject({
      price: 2500,
      unpriced: false,
    });
    expect(edited('part-lugs', { change: 'change', quantity: 2 }, [lugs]).line('part-lugs')!.unpriced).toBe(
      true,
    );
  });
  test('an action of something outside changes nothing but the action', () => {
    const outside = rule('o', [{ outside: 'outside-x', name: 'x' }]);
    expect(
      edited('outside-x', { change: 'change', action: 'replace' }, [outside]).line('outside-x'),
    ).toMatchObject({ action: 'replace', kind: 'outside', name: 'x' });
  });
});

describe('a line added by hand', () => {
  const added = (edit: Record<string, unknown>) => edited('own', { change: 'add', ...edit }, []);
  test('for a part or an operation of the unit is that part’s line, as it is', () => {
    expect(added({ part: 'shaft' }).line('part-shaft')).toMatchObject({
      price: 5000,
      edited: 'add',
      action: 'replace',
    });
    expect(added({ part: 'shaft', action: 'clean' }).line('part-shaft')).toMatchObject({
      action: 'clean',
      price: null,
    });
    expect(added({ operation: 'flush' }).line('labour-flush')).toMatchObject({
      hours: 1,
      rate: 'vehicle',
      edited: 'add',
    });
  });
  test('there already changes that line: a part has one', () => {
    expect(edited('own', { change: 'add', part: 'shaft', quantity: 2 }).keys).toEqual([
      'part-shaft',
      'fluid',
      'labour-apart',
    ]);
  });
  test('of one’s own is what was typed: work where it has hours, else a part', () => {
    expect(added({ name: 'Bracket', price: 900, quantity: 2 }).line('own')).toMatchObject({
      kind: 'part',
      name: 'Bracket',
      price: 900,
      quantity: 2,
      unpriced: false,
      of: null,
    });
    expect(added({ name: 'Weld', hours: 1.5 }).line('own')).toMatchObject({
      kind: 'labour',
      hours: 1.5,
      unpriced: false,
    });
    expect(added({}).line('own')!.name).toBe('own');
  });
  test('to be bought without a price says so', () => {
    expect(added({ name: 'Bracket' }).line('own')!.unpriced).toBe(true);
    expect(added({ name: 'Bracket', action: 'clean' }).line('own')!.unpriced).toBe(false);
    expect(added({ name: 'Bracket', price: 0 }).line('own')!.unpriced).toBe(false);
  });
});

describe('a line taken out', () => {
  test('is kept apart, with why it was there and why it went', () => {
    const { removed, keys } = edited('part-shaft', { change: 'remove', reason: 'welded here' });
    expect(keys).not.toContain('part-shaft');
    expect(removed).toMatchObject([{ key: 'part-shaft', edited: 'remove' }]);
    expect(removed[0]!.reasons.at(-1)).toEqual({
      rule: 'technician',
      words: 'welded here',
      slots: ['scope.line.part-shaft'],
      firm: false,
      action: 'replace',
    });
  });
  test('that is not there is no line and no error', () => {
    expect(edited('part-ghost', { change: 'remove' }).removed).toEqual([]);
  });
});

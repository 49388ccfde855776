import { paperUnit, part } from '@/tests/fixtures/paper';
import type { UnitDefinition } from '@/core/unit';
import {
  blankLine,
  fluidLine,
  isBought,
  isPriced,
  merge,
  operationLine,
  orderedAs,
  partLine,
  reaches,
  withReasons,
} from './line';
import type { Lines, Reason } from './line';
import { SCOPE_ACTIONS } from '@/core/case';

const reason = (action: Reason['action'], more: Partial<Reason> = {}): Reason => ({
  rule: 'r',
  words: 'Because',
  slots: [],
  firm: false,
  action,
  ...more,
});

describe('a line for a part', () => {
  test('that is bought carries price, delivery, deposit and who sells it', () => {
    expect(partLine(paperUnit, 'shaft', reason('replace'))).toEqual({
      key: 'part-shaft',
      kind: 'part',
      name: 'Part shaft',
      of: 'shaft',
      station: 'pan',
      action: 'replace',
      quantity: 1,
      price: 5000,
      unpriced: false,
      hours: 0,
      before: 0,
      rate: 'bench',
      leadDays: 4,
      coreDeposit: 700,
      coreReturnDays: 20,
      supplier: null,
      grade: null,
      packaging: null,
      shelf: null,
      inKit: false,
      contents: [],
      sizes: [],
      onTheShop: false,
      reasons: [reason('replace')],
      edited: null,
    });
  });
  test.each(SCOPE_ACTIONS.filter((a) => !isBought(a)))('to %s costs no part and waits for none', (action) => {
    expect(partLine(paperUnit, 'shaft', reason(action))).toMatchObject({
      action,
      price: null,
      leadDays: 0,
      coreDeposit: 0,
      coreReturnDays: null,
      unpriced: false,
    });
  });
  test('that has no price says so: nothing is sold for nothing', () => {
    expect(partLine(paperUnit, 'lugs', reason('replace'))).toMatchObject({ price: null, unpriced: true });
    expect(partLine(paperUnit, 'lugs', reason('measure')).unpriced).toBe(false);
  });
  test('sold in a set is ordered as the set, with the part named in the reason; looked at it stays itself', () => {
    expect(partLine(paperUnit, 'inner', reason('replace'))).toMatchObject({
      key: 'part-set',
      price: 900,
      reasons: [{ words: 'Part inner: Because' }],
    });
    expect(partLine(paperUnit, 'inner', reason('clean')).key).toBe('part-inner');
  });
  test('of a pack that gets one more costs the set and one plate on top', () => {
    const high = paperUnit.elements.find((e) => e.id === 'high')!.pack!;
    expect([high.frictions, high.order.filter((p) => p === 'steel').length]).toEqual([4, 4]);
    expect(partLine(paperUnit, 'lining-a', reason('upgrade')).price).toBe(1250);
    expect(partLine(paperUnit, 'lining-b', reason('upgrade')).price).toBe(1250);
    expect(partLine(paperUnit, 'shaft', reason('upgrade')).price).toBe(5000);
    expect(partLine(paperUnit, 'lining-a', reason('replace')).price).toBe(1000);
  });
});

test('an operation is its hours at its rate; fluid is the litres the unit takes', () => {
  const [remove, take] = [paperUnit.labour[0]!, paperUnit.labour[2]!];
  expect(operationLine(remove, reason('replace'))).toMatchObject({
    key: 'labour-rr',
    of: 'rr',
    kind: 'labour',
    hours: 8,
    before: 0.5,
    rate: 'vehicle',
    price: null,
  });
  expect(operationLine(take, reason('replace'))).toMatchObject({ before: 0, rate: 'bench' });
  expect(fluidLine(paperUnit, reason('replace'))).toMatchObject({
    key: 'fluid',
    kind: 'fluid',
    quantity: 5,
    price: null,
    of: null,
  });
});

test('a circle of successors ends', () => {
  const ring: UnitDefinition = {
    ...paperUnit,
    parts: [part('a', { soldAs: 'b' }), part('b', { soldAs: 'a' })],
  };
  expect(['a', 'b']).toContain(orderedAs(ring, 'a').id);
  expect(orderedAs(paperUnit, 'shaft').id).toBe('shaft');
});

test('actions go further and further: what is bought, what costs something, and what does at least as much', () => {
  expect(SCOPE_ACTIONS.filter(isBought)).toEqual(['replace', 'upgrade']);
  expect(SCOPE_ACTIONS.filter(isPriced)).toEqual(['machine', 'reline', 'replace', 'upgrade']);
  expect(reaches('replace', 'reline')).toBe(true);
  expect(reaches('reline', 'replace')).toBe(false);
  expect(reaches('reuse', 'return')).toBe(true);
  expect(reaches('clean', 'measure')).toBe(false);
  for (const action of SCOPE_ACTIONS) expect(reaches(action, action)).toBe(true);
});

describe('two reasons for one line', () => {
  const line = (action: Reason['action'], rule: string, onTheShop = false) => ({
    ...partLine(paperUnit, 'shaft', reason(action, { rule, words: `By ${rule}` })),
    onTheShop,
  });
  test.each([
    ['the further last', [line('measure', 'a'), line('replace', 'b', true)]],
    ['the further first', [line('replace', 'b', true), line('measure', 'a')]],
  ])('%s: it stands with its price, both are kept', (_, made) => {
    const lines: Lines = new Map();
    for (const one of made) merge(lines, one);
    expect(lines.size).toBe(1);
    expect(lines.get('part-shaft')).toMatchObject({ action: 'replace', price: 5000, onTheShop: true });
    expect(
      lines
        .get('part-shaft')!
        .reasons.map((r) => r.rule)
        .sort(),
    ).toEqual(['a', 'b']);
  });
  test('equal ones keep the first', () => {
    const lines: Lines = new Map();
    merge(lines, { ...line('replace', 'a'), name: 'First' });
    merge(lines, { ...line('replace', 'b'), name: 'Second' });
    expect(lines.get('part-shaft')!.name).toBe('First');
  });
  test('the same words stand once: firm where either is, with the findings of both and the further action', () => {
    const known = [reason('measure', { slots: ['x'] })];
    const all = withReasons(known, [
      reason('replace', { firm: true, slots: ['y', 'x'] }),
      reason('clean', { words: 'Else' }),
    ]);
    expect(all).toEqual([
      reason('replace', { firm: true, slots: ['x', 'y'] }),
      reason('clean', { words: 'Else' }),
    ]);
    expect(known[0]!.firm).toBe(false);
    expect(withReasons([reason('replace')], [reason('measure')])[0]!.action).toBe('replace');
  });
});

test('a blank line costs and takes nothing', () => {
  expect(blankLine('outside-x', 'outside', 'The cooler', reason('measure'))).toMatchObject({
    price: null,
    hours: 0,
    quantity: 1,
    station: null,
    action: 'measure',
  });
});

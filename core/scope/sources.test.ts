import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { paperUnit } from '@/tests/fixtures/paper';
import { blankLine } from './line';
import type { ScopeLine } from './line';
import { asSourced, markSources } from './sources';

const source = (more: Record<string, Json> = {}) => ({
  grade: 'remanufactured',
  supplier: 'Tern Hydraulics',
  price: 3300,
  leadDays: 9,
  on: '2026-11-27',
  ...more,
});
const shaft = (values: Record<string, Json>) =>
  asSourced(paperUnit, stateFromValues(values)).parts.find((p) => p.id === 'shaft');

test('without a choice the unit stays what it was', () => {
  expect(asSourced(paperUnit, stateFromValues({}))).toBe(paperUnit);
});

test('a part costs, and comes, as it is bought; the deposit of another supplier goes', () => {
  expect(shaft({ 'scope.source.shaft': source() })).toMatchObject({
    price: 3300,
    leadDays: 9,
    supplier: 'Tern Hydraulics',
    coreDeposit: 0,
    returnDays: undefined,
  });
  const own = { coreDeposit: 900, returnDays: 14 };
  expect(shaft({ 'scope.source.shaft': source(own) })).toMatchObject(own);
  expect(shaft({ 'scope.source.valve': source() })).toEqual(paperUnit.parts.find((p) => p.id === 'shaft'));
});

describe('a line', () => {
  const line = (more: Partial<ScopeLine>): ScopeLine => ({
    ...blankLine('part-shaft', 'part', 'Shaft', {
      rule: 'r',
      words: 'Because',
      slots: [],
      firm: false,
      action: 'replace',
    }),
    of: 'shaft',
    ...more,
  });
  const marked = (made: ScopeLine) => {
    const lines = new Map([[made.key, made]]);
    const chosen = source({ packaging: 'its box', shelf: 'piece-1' });
    markSources(lines, stateFromValues({ 'scope.source.shaft': chosen }));
    return [made.grade, made.packaging, made.shelf];
  };

  test('that is bought says what it is bought as', () => {
    expect(marked(line({}))).toEqual(['remanufactured', 'its box', 'piece-1']);
  });

  test.each([
    [{ action: 'measure' as const }],
    [{ of: 'valve' }],
    [{ of: null }],
    [{ kind: 'labour' as const }],
  ])('of another kind does not (%j)', (more) => expect(marked(line(more))).toEqual([null, null, null]));
});

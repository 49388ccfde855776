import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { paperUnit, rule, scopeBy } from '@/tests/fixtures/paper';
import { changesSince, leftAsItWas, madeOf, withTaken } from './made';
import type { ScopeChange } from './made';

/** A rule for the shaft and one for the drum, of which a finding switches the second. */
const rules = (drum: boolean, shaft: 'measure' | 'replace' = 'measure') => [
  rule('s', [{ part: 'shaft', action: shaft }, { operation: 'teardown' }]),
  ...(drum ? [rule('d', [{ part: 'drum', action: 'replace' as const }])] : []),
];
const at = (drum: boolean, values: Record<string, Json> = {}, shaft?: 'measure' | 'replace') =>
  scopeBy(rules(drum, shaft), values);
const since = (scope: ReturnType<typeof at>, values: Record<string, Json>) =>
  changesSince(paperUnit, stateFromValues(values), scope);
const stood = (drum: boolean, shaft?: 'measure' | 'replace') => {
  const scope = at(drum, {}, shaft);
  return { [`scope.made.${scope.repair}`]: madeOf(scope) as unknown as Json };
};
const told = (list: ScopeChange[]) => list.map((c) => [c.key, c.before, c.now]);

test('a scope is kept by what is done with what; work and custom follow by themselves', () => {
  expect(madeOf(at(true)).lines.sort()).toEqual(['part-drum replace 1', 'part-shaft measure 1']);
  const kept = scopeBy([rule('full', [{ part: 'valve' }], { custom: true })]);
  expect(madeOf(kept).lines).toEqual(['part-valve replace 1 custom']);
});

test('what was renewed by custom and is now asked for is renewed all the same: nothing changes', () => {
  const before = scopeBy([rule('full', [{ part: 'valve' }], { custom: true })]);
  const made = { 'scope.made.targeted': madeOf(before) as unknown as Json };
  const found = [rule('worn', [{ part: 'valve' }])];
  expect(since(scopeBy([rule('full', [{ part: 'valve' }], { custom: true }), ...found]), made)).toEqual([]);
  expect(since(scopeBy([]), made)).toEqual([]);
  const only = { 'scope.made.targeted': madeOf(scopeBy(found)) as unknown as Json };
  expect(since(before, only)).toEqual([]);
  expect(since(before, { 'scope.made.targeted': { lines: [] } })).toEqual([]);
  const measured = scopeBy([rule('full', [{ part: 'valve', action: 'measure' }], { custom: true })]);
  expect(told(since(measured, only))).toEqual([['part-valve', 'replace', 'measure']]);
});

test('nothing has changed where nobody stood by it, or where it is the same', () => {
  expect(since(at(true), {})).toEqual([]);
  expect(since(at(true), stood(true))).toEqual([]);
});

test('a line more, a line less, and another action are told', () => {
  expect(told(since(at(true), stood(false)))).toEqual([['part-drum', null, 'replace']]);
  expect(told(since(at(false), stood(true)))).toEqual([['part-drum', 'replace', null]]);
  expect(told(since(at(false, {}, 'replace'), stood(false)))).toEqual([['part-shaft', 'measure', 'replace']]);
  expect(since(at(false), stood(true))[0]!.name).toBe('Part drum');
});

test('what a person changed by hand is no change of the evidence', () => {
  const values = { 'scope.line.part-drum': { change: 'remove', reason: 'Kept.' } };
  expect(since(at(true, values), { ...stood(true), ...values })).toEqual([]);
  const other = { 'scope.line.part-shaft': { change: 'change', action: 'replace', reason: 'Sure.' } };
  expect(since(at(true, other), { ...stood(true), ...other })).toEqual([]);
});

test('what was taken is no difference any more', () => {
  for (const [then, now] of [
    [false, true],
    [true, false],
  ] as const) {
    const made = stood(then);
    const [slot] = Object.keys(made);
    const [change] = since(at(now), made);
    const taken = withTaken(made[slot!] as unknown as ReturnType<typeof madeOf>, change!);
    expect(since(at(now), { [slot!]: taken as unknown as Json })).toEqual([]);
  }
});

test('what was left stays as it was, with the reason, whatever the evidence says', () => {
  const cases = [
    [at(true), stood(false)],
    [at(false), stood(true)],
    [at(false, {}, 'replace'), stood(false)],
  ] as const;
  for (const [scope, made] of cases) {
    const [change] = since(scope, made);
    const edit = leftAsItWas(paperUnit, change!, 'Looked again.');
    const values = { [`scope.line.${change!.key}`]: edit as unknown as Json };
    const shaft = scope.lines.find((l) => l.key === 'part-shaft')!.action as 'measure';
    const drum = scope.lines.some((l) => l.key === 'part-drum');
    const left = at(drum, values, shaft);
    expect(since(left, { ...made, ...values })).toEqual([]);
    expect(left.lines.find((l) => l.key === change!.key)?.action ?? null).toBe(change!.before);
    const reasons = [...left.lines, ...left.removed].find((l) => l.key === change!.key)!.reasons;
    expect(reasons.at(-1)).toMatchObject({ rule: 'technician', words: 'Looked again.' });
  }
});

test('a record nobody can read changes nothing', () => {
  const made = { 'scope.made.targeted': { lines: ['part-shaft', 'x y z', ''] } };
  expect(() => since(at(true), made)).not.toThrow();
});

test('what is no part of the unit keeps its name and its kind when it is left in', () => {
  const cooler = scopeBy([rule('c', [{ outside: 'outside-cooler', name: 'External cooler' }])]);
  const made = { 'scope.made.targeted': madeOf(cooler) as unknown as Json };
  const [change] = since(scopeBy([]), made);
  expect(change).toMatchObject({ key: 'outside-cooler', name: 'External cooler', now: null });
  const values = {
    'scope.line.outside-cooler': leftAsItWas(
      paperUnit,
      change!,
      'Agreed with the customer.',
    ) as unknown as Json,
  };
  const [line] = scopeBy([], values).lines;
  expect(line).toMatchObject({
    key: 'outside-cooler',
    kind: 'outside',
    name: 'External cooler',
    edited: 'add',
  });
  expect(since(scopeBy([], values), { ...made, ...values })).toEqual([]);
});

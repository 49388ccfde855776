import type { UnitDefinition } from '@/core/unit';
import { paperUnit, part, rule, rulesOf, scopeBy } from '@/tests/fixtures/paper';

const unit: UnitDefinition = {
  ...paperUnit,
  parts: [
    ...paperUnit.parts,
    part('pan-gasket', { kind: 'gasket', kit: 'overhaul', price: 120 }),
    part('pan-bolts', { kind: 'bolt', kit: 'always', price: 30 }),
    part('plain-bolts', { kind: 'bolt' }),
    part('drum-gasket', { kind: 'gasket', kit: 'overhaul', station: 'reverse-drum' }),
    part('high-ring', { kind: 'snap-ring', element: 'high', sizes: [0.001, 0.002], station: 'reverse-drum' }),
    part('low-ring', { kind: 'snap-ring', element: 'low-reverse', sizes: [0.001] }),
    part('fixed-ring', { kind: 'snap-ring', element: 'high' }),
  ],
};
const rules = (lines: Parameters<typeof rule>[1], repairs?: Parameters<typeof rule>[2]) =>
  rulesOf([rule('a', lines, repairs)], {
    opened: { renewed: ['gasket', 'bolt'], selective: ['snap-ring'], reason: 'Opened', chosen: 'By size' },
  });
const APART = { 'part.shaft.splines': { is: 'sound' } };
const keys = (lines: Parameters<typeof rule>[1], values = {}) =>
  scopeBy(rules(lines), { ...APART, ...values }, { unit }).keys;

test('where something is renewed or machined, what is not used twice is renewed too', () => {
  expect(keys([{ part: 'shaft' }])).toEqual(['part-pan-bolts', 'part-pan-gasket', 'part-shaft']);
  expect(keys([{ part: 'shaft', action: 'machine' }])).toContain('part-pan-gasket');
  expect(keys([{ part: 'shaft', action: 'measure' }])).toEqual(['part-shaft']);
  expect(scopeBy(rules([{ part: 'shaft' }]), APART, { unit }).line('part-pan-gasket')!.reasons).toEqual([
    { rule: 'opened', custom: true, words: 'Opened', slots: [], firm: false, action: 'replace' },
  ]);
});

test('and where a place was taken out, whatever is done there', () => {
  expect(keys([], { 'station.reverse-drum.out': true })).toEqual(['part-drum-gasket']);
  expect(keys([], { 'station.reverse-drum.out': false })).toEqual([]);
});

test('a ring that is chosen by size is on the list where its pack gets new plates', () => {
  const { line } = scopeBy(rules([{ part: 'lining-a' }]), APART, { unit });
  expect(line('part-high-ring')).toMatchObject({
    action: 'measure',
    price: null,
    reasons: [{ words: 'By size' }],
  });
  expect(line('part-low-ring')).toBeUndefined();
  expect(line('part-fixed-ring')).toBeUndefined();
});

test('what was taken out stays out; before it is apart, and in an exchange, nothing is opened', () => {
  const out = { 'scope.line.part-pan-gasket': { change: 'remove', reason: 'kept' } };
  const without = scopeBy(rules([{ part: 'shaft' }]), { ...APART, ...out }, { unit });
  expect(without.keys).toEqual(['part-pan-bolts', 'part-shaft']);
  expect(without.removed.map((l) => l.key)).toEqual(['part-pan-gasket']);
  const more = { 'scope.line.part-pan-gasket': { change: 'change', quantity: 2, reason: 'both' } };
  const line = scopeBy(rules([{ part: 'shaft' }]), { ...APART, ...more }, { unit }).line('part-pan-gasket');
  expect(line).toMatchObject({ quantity: 2, edited: 'change' });
  // A change of what is nowhere is no line of that name.
  expect(scopeBy(rules([]), { ...APART, ...more }, { unit }).keys).toEqual([]);
  expect(scopeBy(rules([{ part: 'shaft' }]), {}, { unit }).keys).toEqual(['part-shaft']);
  const swap = rules([{ part: 'shaft' }], { repairs: ['exchange'] });
  expect(scopeBy(swap, APART, { unit, repair: 'exchange' }).keys).toEqual(['part-shaft']);
});

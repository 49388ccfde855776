import type { UnitDefinition } from '@/core/unit';
import { paperUnit, part, rule, scopeBy } from '@/tests/fixtures/paper';
import { includedIn } from './included';

const unit: UnitDefinition = {
  ...paperUnit,
  parts: [
    ...paperUnit.parts,
    part('seal', { kind: 'seal' }),
    part('hose', { kind: 'line' }),
    part('next', { kind: 'successor' }),
  ],
};
const of = (lines: Parameters<typeof rule>[1], repair: 'targeted' | 'exchange' = 'targeted') =>
  includedIn(unit, scopeBy([rule('a', lines, { repairs: [repair] })], {}, { repair, unit }).scope);
const group = (name: string, ...args: Parameters<typeof of>) =>
  of(...args).find((i) => i.group.startsWith(name))!;

test('the same sorts of parts in every option, each counted once, without kits, successors and parts of sets', () => {
  expect(of([]).map((i) => [i.group, i.of])).toEqual([
    ['Linings and plates', 2],
    ['Seals, gaskets and rings', 1],
    ['Bushings, bearings and washers', 0],
    ['Valve body and solenoids', 1],
    ['Pump', 0],
    ['Filter', 0],
    ['Torque converter', 1],
    ['Cooler and lines', 1],
    ['Drums, shafts, gears and the rest', 6],
  ]);
  expect(of([]).every((i) => i.renewed === 0 && i.also === '' && i.names.length === 0)).toBe(true);
});

test('what is renewed is counted and named; what else is done is said once', () => {
  expect(group('Linings', [{ part: 'lining-a' }, { part: 'lining-b', action: 'measure' }])).toEqual({
    group: 'Linings and plates',
    renewed: 1,
    of: 2,
    also: 'measured',
    names: ['Part lining-a'],
  });
  expect(group('Linings', [{ part: 'lining-a', action: 'upgrade' }]).also).toBe('one more friction');
  expect(group('Valve', [{ part: 'valve', action: 'clean' }]).also).toBe('cleaned and tested');
  expect(group('Torque', [{ role: 'converter', action: 'reline' }])).toMatchObject({
    renewed: 0,
    also: 'opened and relined',
  });
  expect(
    group('Drums', [
      { part: 'shaft', action: 'machine' },
      { part: 'drum', action: 'machine' },
    ]).also,
  ).toBe('machined');
  expect(group('Drums', [{ part: 'shaft', action: 'reuse' }]).also).toBe('');
});

test('the cooler that is flushed says so', () => {
  expect(group('Cooler', [{ operation: 'cooler-flush' }]).also).toBe('flushed to a measured flow');
  expect(group('Cooler', [{ operation: 'teardown' }]).also).toBe('');
});

test('an exchange unit renews all that is inside, and neither converter nor cooler', () => {
  const all = of([{ role: 'exchange-unit' }, { role: 'converter' }], 'exchange');
  expect(all.filter((i) => i.renewed === i.of).map((i) => i.group)).not.toContain('Cooler and lines');
  expect(all.find((i) => i.group.startsWith('Drums'))).toMatchObject({ renewed: 6, names: [] });
  expect(all.find((i) => i.group === 'Torque converter')).toMatchObject({
    renewed: 1,
    names: ['Part converter'],
  });
});

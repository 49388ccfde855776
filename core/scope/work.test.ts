import type { UnitDefinition } from '@/core/unit';
import { paperUnit, rule, rulesOf, scopeBy } from '@/tests/fixtures/paper';

describe('work that follows from the parts', () => {
  const rules = (lines: Parameters<typeof rule>[1], work: object) =>
    rulesOf([rule('a', lines, { when: ['bare=no'] })], {
      work: [{ id: 'w', actions: ['replace'], operation: 'machining', reason: 'Cut', ...work }],
    });
  test('is there for the kinds, the roles or any part, with the action that asks for it', () => {
    const has = (lines: Parameters<typeof rule>[1], work: object) =>
      scopeBy(rules(lines, work)).keys.includes('labour-cut');
    expect(has([{ part: 'valve' }], { kinds: ['valve'] })).toBe(true);
    expect(has([{ part: 'shaft' }], { kinds: ['valve'] })).toBe(false);
    expect(has([{ part: 'valve' }], { roles: ['regulator'] })).toBe(true);
    expect(has([{ part: 'shaft' }], { roles: ['regulator'] })).toBe(false);
    expect(has([{ part: 'converter' }], { kinds: ['drum'], roles: ['converter'] })).toBe(true);
    expect(has([{ part: 'shaft' }], {})).toBe(true);
    expect(has([{ part: 'shaft', action: 'measure' }], {})).toBe(false);
    expect(has([{ operation: 'teardown' }], {})).toBe(false);
    expect(has([{ part: 'shaft' }], { operation: 'polish' })).toBe(false);
  });
  test('is done once, or for every piece', () => {
    const two = [{ part: 'shaft' }, { part: 'ring' }];
    expect(scopeBy(rules(two, {})).line('labour-cut')!.quantity).toBe(1);
    expect(scopeBy(rules(two, { each: true })).line('labour-cut')!.quantity).toBe(2);
    const more = { 'scope.line.part-ring': { change: 'change', quantity: 3, reason: 'r' } };
    expect(scopeBy(rules(two, { each: true }), more).line('labour-cut')!.quantity).toBe(4);
  });
  test('says why, and rests on what the parts rest on', () => {
    expect(scopeBy(rules([{ part: 'shaft' }], {})).line('labour-cut')!.reasons).toEqual([
      { rule: 'w', words: 'Cut', slots: ['vehicle.bare'], firm: false, action: 'replace' },
    ]);
  });
  test('follows the technician’s own lines of parts, not of their own things', () => {
    const add = { 'scope.line.x': { change: 'add', part: 'shaft', reason: 'r' } };
    expect(scopeBy(rules([], {}), add).keys).toContain('labour-cut');
    const own = { 'scope.line.x': { change: 'add', name: 'Bracket', price: 5, reason: 'r' } };
    expect(scopeBy(rules([], {}), own).keys).not.toContain('labour-cut');
    expect(scopeBy(rules([{ part: 'shaft' }], {}), {}, { repair: 'none' }).keys).not.toContain('labour-cut');
  });
});

describe('bench time of a targeted repair', () => {
  const some = (lines: Parameters<typeof rule>[1], unit?: UnitDefinition) =>
    scopeBy([rule('a', [{ operation: 'targeted' }, ...lines])], {}, unit ? { unit } : {}).line(
      'labour-some',
    )!;
  // Overhaul 6 h, putting together 2 h, eleven stations: those without a time of their own take 4 h / 11.
  test('is putting it together, and each place where something is renewed', () => {
    expect(some([]).hours).toBe(2);
    expect(some([{ part: 'shaft' }]).hours).toBe(3);
    expect(some([{ part: 'shaft' }, { part: 'ring' }]).hours).toBe(3);
    expect(some([{ part: 'drum' }]).hours).toBe(2.36);
    expect(some([{ part: 'shaft' }, { part: 'drum' }]).hours).toBe(3.36);
  });
  test('not where something is only looked at; machining counts', () => {
    expect(some([{ part: 'shaft', action: 'measure' }]).hours).toBe(2);
    expect(some([{ part: 'shaft', action: 'machine' }]).hours).toBe(3);
  });
  test('says how it comes about', () => {
    expect(some([{ part: 'shaft' }]).reasons.map((r) => r.words)).toEqual([
      'Because of a',
      '2 h to put it together, and Pan and filter 1 h',
    ]);
    expect(some([]).reasons).toHaveLength(1);
  });
  test('is never more than the overhaul', () => {
    const slow = { ...paperUnit, stations: paperUnit.stations.map((s) => ({ ...s, benchHours: 5 })) };
    expect(some([{ part: 'shaft' }], slow).hours).toBe(6);
    const lone = { ...slow, labour: slow.labour.filter((o) => o.role !== 'overhaul') };
    expect(some([{ part: 'shaft' }], lone).hours).toBe(7);
    const bare = { ...paperUnit, labour: lone.labour };
    expect(some([{ part: 'drum' }], bare).hours).toBe(2);
  });
  test('with no such work is nothing', () => {
    expect(scopeBy([rule('a', [{ part: 'shaft' }])]).keys).toEqual(['part-shaft']);
  });
});

describe('hours two pieces of work would both count', () => {
  const lines = (operations: string[], values = {}) =>
    scopeBy(
      [
        rule(
          'a',
          operations.map((operation) => ({ operation })),
        ),
      ],
      values,
    );
  test('are counted once', () => {
    const { line } = lines(['cooler-flush', 'remove-refit']);
    expect(line('labour-flush')).toMatchObject({ hours: 0.8 });
    expect(line('labour-flush')!.reasons.at(-1)!.words).toBe(
      '0.2 h less: done along with “Remove and refit”',
    );
    expect(line('labour-rr')!.hours).toBe(8);
  });
  test('are all of it where one holds the other', () => {
    const { line } = lines(['valve-body', 'overhaul']);
    expect(line('labour-clean')).toMatchObject({ hours: 0 });
    expect(line('labour-clean')!.reasons.at(-1)!.words).toBe('Done within “Overhaul”: not charged again');
  });
  test('stay where the other is not done, or where the technician set them', () => {
    expect(lines(['cooler-flush']).line('labour-flush')).toMatchObject({ hours: 1, reasons: { length: 1 } });
    const set = { 'scope.line.labour-flush': { change: 'change', hours: 1, reason: 'r' } };
    expect(lines(['cooler-flush', 'remove-refit'], set).line('labour-flush')!.hours).toBe(1);
  });
  test('never make hours out of nothing', () => {
    const unit = {
      ...paperUnit,
      labour: paperUnit.labour.map((o) =>
        o.id === 'flush'
          ? {
              ...o,
              overlaps: [
                { with: 'rr', hours: 3 },
                { with: 'apart', hours: 1 },
              ],
            }
          : o,
      ),
    };
    const { line } = scopeBy(
      [
        rule(
          'a',
          ['cooler-flush', 'remove-refit', 'teardown'].map((operation) => ({ operation })),
        ),
      ],
      {},
      { unit },
    );
    expect(line('labour-flush')!.hours).toBe(0);
    expect(line('labour-flush')!.reasons).toHaveLength(2);
  });
});

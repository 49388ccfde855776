import {
  below,
  EMPTY_STATE,
  fold,
  recordOf,
  recordStage,
  sameValue,
  sameValues,
  stateFromValues,
  takeIn,
  until,
  valueOf,
} from './index';
import { isStage, STAGES } from '@/core/stage';
import type { Entry, Json } from './index';

describe('a state from plain values', () => {
  test('numbers them in order and leaves out what is null', () => {
    const state = stateFromValues({
      'unit.fluid.level': { is: 'low' },
      'unit.fluid.smell': null,
      'unit.fluid.colour': { is: 'red' },
    });
    expect(Object.keys(state)).toEqual(['unit.fluid.level', 'unit.fluid.colour']);
    expect(state['unit.fluid.level']).toMatchObject({ value: { is: 'low' }, seq: 1 });
    expect(state['unit.fluid.colour']).toMatchObject({ value: { is: 'red' }, seq: 2 });
  });
  test('is read by slot and by prefix, sorted, without the prefix', () => {
    const state = stateFromValues({
      'part.b.condition': { is: 'worn' },
      'part.a.condition': { is: 'sound' },
      partial: 1,
    });
    expect(valueOf(state, 'part.a.condition')).toEqual({ is: 'sound' });
    expect(valueOf(state, 'part.c.condition')).toBeUndefined();
    expect(below(state, 'part.')).toEqual([
      ['a.condition', { is: 'sound' }],
      ['b.condition', { is: 'worn' }],
    ]);
  });
});

describe('sameness', () => {
  const a = stateFromValues({ 'unit.fluid.level': { is: 'low' }, 'grid.D2': ['slips'] });
  test.each<[string, Record<string, Json>, boolean]>([
    ['the same values', { 'unit.fluid.level': { is: 'low' }, 'grid.D2': ['slips'] }, true],
    ['the same in another order', { 'grid.D2': ['slips'], 'unit.fluid.level': { is: 'low' } }, true],
    [
      'one more',
      { 'unit.fluid.level': { is: 'low' }, 'grid.D2': ['slips'], 'unit.fluid.smell': { is: 'burnt' } },
      false,
    ],
    ['one fewer', { 'unit.fluid.level': { is: 'low' } }, false],
    ['another value', { 'unit.fluid.level': { is: 'full' }, 'grid.D2': ['slips'] }, false],
    ['another list', { 'unit.fluid.level': { is: 'low' }, 'grid.D2': ['binds'] }, false],
    ['another slot', { 'unit.fluid.level': { is: 'low' }, 'grid.D3': ['slips'] }, false],
  ])('%s', (_, values, same) => {
    expect(sameValues(a, stateFromValues(values))).toBe(same);
    expect(sameValues(stateFromValues(values), a)).toBe(same);
  });
  test('does not ask who wrote', () => {
    const other = { ...a, 'unit.fluid.level': { ...a['unit.fluid.level']!, by: 'Ivo', seq: 99 } };
    expect(sameValues(a, other)).toBe(true);
    expect(sameValues(a, a)).toBe(true);
  });
  test.each<[Json, Json, boolean]>([
    [1, 1, true],
    [1, '1', false],
    ['null', null, false],
    [{ x: 1 }, { x: 1 }, true],
    [{ x: 1 }, { x: 2 }, false],
    [[1, 2], [2, 1], false],
    [{ x: 1, y: [{ z: 2 }] }, { y: [{ z: 2 }], x: 1 }, true],
    [{ x: 1 }, { x: 1, y: 2 }, false],
  ])('%j and %j: %s', (x, y, same) => expect(sameValue(x, y)).toBe(same));
});

describe('a record', () => {
  const write = (seq: number, value: Json, source?: Entry['source']): Entry => ({
    id: `e-${seq}`,
    seq,
    by: 'Mira',
    at: '2026-03-04T09:00:00.000Z',
    slot: 'unit.fluid.level',
    value,
    ...(source ? { source } : {}),
  });
  test('remembers a clearing, so that an older write does not bring the value back', () => {
    const cleared = takeIn(recordOf(EMPTY_STATE, 0), [write(3, null)]);
    expect(cleared.cleared).toEqual({ 'unit.fluid.level': 3 });
    expect(takeIn(cleared, [write(2, 'low')]).state).toEqual({});
    const again = takeIn(cleared, [write(4, 'full')]);
    expect(again.state['unit.fluid.level']!.value).toBe('full');
    expect(again.cleared).toEqual({});
  });
  test('leaves the record it was given as it was', () => {
    const start = takeIn(recordOf(EMPTY_STATE, 0), [write(1, 'low')]);
    const before = structuredClone(start);
    takeIn(start, [write(2, null)]);
    expect(start).toEqual(before);
  });
  test('says where a value came from, when it came from elsewhere', () => {
    const source = { by: 'Another shop', at: '2020-01-01T00:00:00.000Z' };
    expect(fold(EMPTY_STATE, [write(1, 'low', source)])['unit.fluid.level']).toHaveProperty('source', source);
    expect(fold(EMPTY_STATE, [write(1, 'low')])['unit.fluid.level']).not.toHaveProperty('source');
  });
  test('takes what lies beyond a gap once', () => {
    const gap = takeIn(recordOf(EMPTY_STATE, 5), [write(8, 'low'), write(8, 'low')]);
    expect(gap).toMatchObject({ lastSeq: 5, ahead: [8] });
    expect(takeIn(gap, [write(6, 'full')])).toMatchObject({ lastSeq: 6, ahead: [8] });
    expect(takeIn(gap, [write(6, 'full'), write(7, 'over')])).toMatchObject({ lastSeq: 8, ahead: [] });
  });
});

describe('stages', () => {
  test('only those of the work are stages', () => {
    for (const stage of STAGES) expect(isStage(stage)).toBe(true);
    expect(isStage('Intake')).toBe(false);
    expect(isStage('')).toBe(false);
  });
  test('the state until a stage keeps that stage and those before', () => {
    const state = stateFromValues({
      'unit.fluid.level': { is: 'low' },
      'part.filter.pleats': { is: 'clear' },
      'cause.words': 'w',
      'scope.policy.overhaul': 'full',
    });
    const stageOf = (slot: string) =>
      slot.startsWith('part.') ? ('teardown' as const) : (recordStage(slot) ?? ('intake' as const));
    const kept = (stage: (typeof STAGES)[number]) => Object.keys(until(state, stage, STAGES, stageOf));
    expect(kept('intake')).toEqual(['unit.fluid.level']);
    expect(kept('suspects')).toEqual(['unit.fluid.level']);
    expect(kept('teardown')).toEqual(['unit.fluid.level', 'part.filter.pleats']);
    expect(kept('cause')).toHaveLength(3);
    expect(kept('release')).toHaveLength(4);
  });
});

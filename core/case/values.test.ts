import {
  below,
  EMPTY_STATE,
  familyGrades,
  fold,
  FRICTION_GRADES,
  isStage,
  recordOf,
  sameValue,
  sameValues,
  stageOfSlot,
  STAGES,
  stateFromValues,
  STEEL_GRADES,
  takeIn,
  until,
  valueOf,
} from './index';
import type { Entry, Json } from './index';

describe('a state from plain values', () => {
  test('numbers them in order and leaves out what is null', () => {
    const state = stateFromValues({ 'fluid.level': 'low', 'fluid.smell': null, 'fluid.colour': 'red' });
    expect(Object.keys(state)).toEqual(['fluid.level', 'fluid.colour']);
    expect(state['fluid.level']).toMatchObject({ value: 'low', seq: 1 });
    expect(state['fluid.colour']).toMatchObject({ value: 'red', seq: 2 });
  });
  test('is read by slot and by prefix, sorted, without the prefix', () => {
    const state = stateFromValues({ 'part.b': { grade: 'worn' }, 'part.a': { grade: 'sound' }, partial: 1 });
    expect(valueOf(state, 'part.a')).toEqual({ grade: 'sound' });
    expect(valueOf(state, 'part.c')).toBeUndefined();
    expect(below(state, 'part.')).toEqual([
      ['a', { grade: 'sound' }],
      ['b', { grade: 'worn' }],
    ]);
  });
});

describe('sameness', () => {
  const a = stateFromValues({ 'fluid.level': 'low', 'grid.D2': ['slips'] });
  test.each<[string, Record<string, Json>, boolean]>([
    ['the same values', { 'fluid.level': 'low', 'grid.D2': ['slips'] }, true],
    ['the same in another order', { 'grid.D2': ['slips'], 'fluid.level': 'low' }, true],
    ['one more', { 'fluid.level': 'low', 'grid.D2': ['slips'], 'fluid.smell': 'burnt' }, false],
    ['one fewer', { 'fluid.level': 'low' }, false],
    ['another value', { 'fluid.level': 'full', 'grid.D2': ['slips'] }, false],
    ['another list', { 'fluid.level': 'low', 'grid.D2': ['binds'] }, false],
    ['another slot', { 'fluid.level': 'low', 'grid.D3': ['slips'] }, false],
  ])('%s', (_, values, same) => {
    expect(sameValues(a, stateFromValues(values))).toBe(same);
    expect(sameValues(stateFromValues(values), a)).toBe(same);
  });
  test('does not ask who wrote', () => {
    const other = { ...a, 'fluid.level': { ...a['fluid.level']!, by: 'Ivo', seq: 99 } };
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
    slot: 'fluid.level',
    value,
    ...(source ? { source } : {}),
  });
  test('remembers a clearing, so that an older write does not bring the value back', () => {
    const cleared = takeIn(recordOf(EMPTY_STATE, 0), [write(3, null)]);
    expect(cleared.cleared).toEqual({ 'fluid.level': 3 });
    expect(takeIn(cleared, [write(2, 'low')]).state).toEqual({});
    const again = takeIn(cleared, [write(4, 'full')]);
    expect(again.state['fluid.level']!.value).toBe('full');
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
    expect(fold(EMPTY_STATE, [write(1, 'low', source)])['fluid.level']).toHaveProperty('source', source);
    expect(fold(EMPTY_STATE, [write(1, 'low')])['fluid.level']).not.toHaveProperty('source');
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
  test('a slot nobody knows counts as intake', () => {
    expect(stageOfSlot('nonsense.slot')).toBe('intake');
  });
  test('the state until a stage keeps that stage and those before', () => {
    const state = stateFromValues({
      'fluid.level': 'low',
      'filter.state': 'clear',
      'cause.words': 'w',
      'scope.policy.overhaul': 'full',
    });
    const kept = (stage: (typeof STAGES)[number]) => Object.keys(until(state, stage, STAGES));
    expect(kept('intake')).toEqual(['fluid.level']);
    expect(kept('suspects')).toEqual(['fluid.level']);
    expect(kept('teardown')).toEqual(['fluid.level', 'filter.state']);
    expect(kept('cause')).toHaveLength(3);
    expect(kept('release')).toHaveLength(4);
  });
});

test('a face’s grades are those of its kind; a wave spring has none', () => {
  expect(familyGrades('friction')).toBe(FRICTION_GRADES);
  expect(familyGrades('steel')).toBe(STEEL_GRADES);
  expect(familyGrades('wave')).toEqual([]);
});

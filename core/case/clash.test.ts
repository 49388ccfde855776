import { clashesOf, EMPTY_STATE, recordOf, takeIn } from './index';
import type { Entry, Json } from './index';

const entry = (seq: number, by: string, value: Json, seen?: number, slot = 'unit.fluid.level'): Entry => ({
  id: `entry-${seq}`,
  seq,
  by,
  at: '2026-03-04T09:00:00.000Z',
  slot,
  value,
  ...(seen === undefined ? {} : { seen }),
});
const held = (...entries: Entry[]) => takeIn(recordOf(EMPTY_STATE, 0), entries);

describe('a clash', () => {
  test('is one person’s value over another’s that its writer had not seen', () => {
    expect(clashesOf(held(entry(1, 'Mira', 'low')), [entry(2, 'Ivo', 'full', 0)])).toEqual([
      {
        slot: 'unit.fluid.level',
        stands: { seq: 2, by: 'Ivo', value: 'full' },
        other: { seq: 1, by: 'Mira', value: 'low' },
      },
    ]);
  });
  test.each<[string, Entry]>([
    ['its writer had seen the earlier', entry(2, 'Ivo', 'full', 1)],
    ['its writer wrote both', entry(2, 'Mira', 'full', 0)],
    ['both wrote the same', entry(2, 'Ivo', 'low', 0)],
    ['what its writer had seen is not known', entry(2, 'Ivo', 'full')],
    ['it is about another slot', entry(2, 'Ivo', 'red', 0, 'unit.fluid.colour')],
    ['it is in the record already', entry(1, 'Ivo', 'full', 0)],
  ])('is none when %s', (_, later) => {
    expect(clashesOf(held(entry(1, 'Mira', 'low')), [later])).toEqual([]);
  });
  test('is found among the newcomers too, in the order of their numbers', () => {
    const clashes = clashesOf(held(), [entry(2, 'Ivo', 'full', 0), entry(1, 'Mira', 'low', 0)]);
    expect(clashes.map((c) => [c.other.seq, c.stands.seq])).toEqual([[1, 2]]);
  });
  test('stands between neighbours: the third writer is held against the second', () => {
    const record = held(entry(1, 'Mira', 'low'));
    const clashes = clashesOf(record, [entry(2, 'Ivo', 'full', 1), entry(3, 'Mira', 'over', 1)]);
    expect(clashes.map((c) => [c.other.value, c.stands.value])).toEqual([['full', 'over']]);
  });
  test('is judged by the value, not by the order its fields were written in', () => {
    const first = entry(1, 'Mira', { ohm: 24, temperatureC: 20 });
    expect(clashesOf(held(first), [entry(2, 'Ivo', { temperatureC: 20, ohm: 24 }, 0)])).toEqual([]);
    expect(clashesOf(held(first), [entry(2, 'Ivo', { ohm: 25, temperatureC: 20 }, 0)])).toHaveLength(1);
  });
});

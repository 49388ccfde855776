import { fold } from '@/core/case';
import type { JobState } from '@/core/case';
import { MOST_ENTRIES, roomIn } from './room';

const holding = (slots: string[]): JobState =>
  fold(
    {},
    slots.map((slot, k) => ({ id: `entry-${k}`, seq: k + 1, slot, value: 'x', by: 'x', at: '' })),
  );
const many = (n: number, name: (k: number) => string) => Array.from({ length: n }, (_, k) => name(k));

test('a list of a job is bounded; what is cleared makes room, what is changed needs none', () => {
  const room = roomIn({ lastSeq: 0, state: holding(many(499, (k) => `photo.p${k}`)), recordBytes: 0 });
  expect(room.refuse({ slot: 'photo.new', value: 'x' })).toBeNull();
  expect(room.refuse({ slot: 'photo.more', value: 'x' })).toMatch(/at most 500/);
  expect(room.refuse({ slot: 'photo.new', value: 'changed' })).toBeNull();
  expect(room.refuse({ slot: 'code.c1', value: 'x' })).toBeNull();
  expect(room.refuse({ slot: 'photo.p0', value: null })).toBeNull();
  expect(room.refuse({ slot: 'photo.more', value: 'x' })).toBeNull();
  expect(room.refuse({ slot: 'photo.one-more', value: 'x' })).toMatch(/at most 500/);
});

test('so are all its findings together, its entries, and what they weigh', () => {
  const full = roomIn({
    lastSeq: 6000,
    state: holding(many(6000, (k) => `face.e${k % 30}.${Math.floor(k / 30)}.heat`)),
    recordBytes: 0,
  });
  expect(full.refuse({ slot: 'fluid.level', value: 'low' })).toMatch(/at most 6000/);
  const last = roomIn({ lastSeq: MOST_ENTRIES - 1, state: {}, recordBytes: 0 });
  expect(last.refuse({ slot: 'fluid.level', value: 'low' })).toBeNull();
  expect(last.refuse({ slot: 'fluid.level', value: 'full' })).toMatch(/at most 50000 entries/);
  const heavy = roomIn({ lastSeq: 1, state: {}, recordBytes: 24 * 2 ** 20 - 20 });
  expect(heavy.refuse({ slot: 'a.b', value: 'я'.repeat(9) })).toMatch(/at most 24 MB/);
  expect([heavy.refuse({ slot: 'a.b', value: 'я' }), heavy.taken()]).toEqual([null, 7]);
});

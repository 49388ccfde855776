import fc from 'fast-check';
import { shippedUnits } from '@/data/shipped';
import { liningState, partState, readPack, toneOf } from './index';
import type { FaceReading, Side } from './index';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const forward = four.elements.find((e) => e.id === 'forward')!;
const high = four.elements.find((e) => e.id === 'high')!;
const order = forward.pack!.order;
type At = (kind: string, index: number, side: Side) => FaceReading | null;
const read = (at: At, element = forward) =>
  readPack(element, (index, side) => at(element.pack!.order[index]!, index, side));
const isLining = (kind: string) => kind === 'friction';

describe('a pack read from its faces', () => {
  test('nothing graded is nothing known', () => {
    expect(read(() => null, high)).toMatchObject({
      state: null,
      pattern: null,
      inspected: 0,
      faces: 18,
      littleSeen: false,
    });
  });
  test('the worst face makes the state; what cannot be told is looked at and says nothing', () => {
    expect(read((_, k) => (k === 2 ? 3 : null))).toMatchObject({ state: 'burnt', inspected: 2 });
    expect(read((_, k) => (k === 2 ? 'cannot-tell' : null))).toMatchObject({ state: null, inspected: 2 });
  });
  test.each<[string, At]>([
    ['all-alike', () => 3],
    ['all-alike', (kind) => (isLining(kind) ? 3 : 2)],
    ['worse-at-backing', (_, k) => (k > order.length / 2 ? 4 : 0)],
    ['worse-at-piston', (_, k) => (k < order.length / 2 - 1 ? 4 : 0)],
    ['one-face', (kind, _, side) => (isLining(kind) ? (side === 'a' ? 3 : 0) : 0)],
    ['steels-only', (kind) => (isLining(kind) ? 0 : 2)],
    ['single-plate', (_, k) => (k === 4 ? 3 : 0)],
    ['one-joint', (_, k, side) => ((k === 4 && side === 'b') || (k === 5 && side === 'a') ? 6 : 0)],
    ['one-joint', (_, k, side) => ((k === 4 && side === 'b') || (k === 5 && side === 'a') ? 6 : 1)],
  ])('%s is recognised', (pattern, at) => expect(read(at).pattern).toBe(pattern));
  test('heat that is even on all steels is no end of the pack, whatever the linings show', () => {
    for (const lining of [1, 2])
      expect(read((kind) => (isLining(kind) ? lining : 3)).pattern).toBe('all-alike');
  });
  test('the end is named by where the plates stand, not by how many were looked at', () => {
    // Only a few at the piston, all at the backing: those beyond the middle are worse.
    const at: At = (_, k) => (k < 3 ? 0 : k > 5 ? 4 : null);
    expect(read(at).pattern).toBe('worse-at-backing');
    const turned: At = (_, k) => (k < 5 ? 4 : k > 7 ? 0 : null);
    expect(read(turned).pattern).toBe('worse-at-piston');
  });
  test('two touching faces welded in a burnt pack are not one joint alone', () => {
    const at: At = (_, k, side) => ((k === 4 && side === 'b') || (k === 5 && side === 'a') ? 6 : 4);
    expect(read(at).pattern).toBe('all-alike');
  });
  test('too little seen names nothing, and says so', () => {
    for (const at of [
      (_: string, k: number) => (k < 4 ? 3 : null),
      (kind: string) => (isLining(kind) ? 3 : null),
      (_: string, k: number) => (k < order.length / 2 ? 3 : null),
    ] satisfies At[])
      expect(read(at)).toMatchObject({ pattern: null, littleSeen: true });
    expect(read((_, k) => (k < 4 ? 0 : null)).littleSeen).toBe(false);
  });
  test('a sound pack has no pattern', () =>
    expect(read(() => 0)).toMatchObject({ pattern: null, state: 'sound' }));
  test('faces nobody looked at never change the state of those somebody did', () => {
    const grade = fc.oneof(
      fc.integer({ min: 0, max: 6 }),
      fc.constant(null),
      fc.constant('cannot-tell' as const),
    );
    fc.assert(
      fc.property(fc.array(grade, { minLength: 60, maxLength: 60 }), (grades) => {
        const at: At = (_, k, side) => grades[2 * k + (side === 'a' ? 0 : 1)]!;
        const known = grades.slice(0, 2 * order.length).filter((g) => typeof g === 'number');
        const { state, inspected } = read(at);
        expect(state).toBe(known.length ? liningState(Math.max(...known)) : null);
        expect(inspected).toBe(grades.slice(0, 2 * order.length).filter((g) => g !== null).length);
      }),
    );
  });
  test('turned round, it is worse at the other end', () => {
    const mirror = { 'worse-at-backing': 'worse-at-piston', 'worse-at-piston': 'worse-at-backing' } as const;
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 40, maxLength: 40 }), (grades) => {
        // A pack that looks the same from either end.
        const pack = {
          ...forward,
          pack: {
            ...forward.pack!,
            order: ['steel', 'friction', 'steel', 'friction', 'steel', 'friction', 'steel'] as const,
          },
        };
        const face = (k: number, side: Side) => grades[2 * k + (side === 'a' ? 0 : 1)]!;
        const there = readPack(pack as never, face).pattern;
        const back = readPack(pack as never, (k, side) => face(6 - k, side === 'a' ? 'b' : 'a')).pattern;
        expect(back).toBe(mirror[there as keyof typeof mirror] ?? there);
      }),
    );
  });
});

test('one scale of severity for parts, linings and what is shown', () => {
  expect([0, 1, 2, 3, 6].map(partState)).toEqual(['sound', 'marked', 'worn', 'failed', 'failed']);
  expect([0, 1, 2, 3, 5, 6].map(liningState)).toEqual([
    'sound',
    'heat-marked',
    'heat-marked',
    'burnt',
    'burnt',
    'welded',
  ]);
  expect([undefined, 0, 1, 2, 3, 6].map(toneOf)).toEqual([undefined, 'good', 'warn', 'warn', 'bad', 'bad']);
});

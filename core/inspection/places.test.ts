import fc from 'fast-check';
import type { Finding } from '@/core/case';
import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import { catalogueOf, inspectionOf, paintPlaces, picturePlaces } from './index';
import type { ByPlace } from './index';
import type { Point } from './schema';
import type { Subject } from './subjects';
import type { UnitDefinition } from '@/core/unit';

const places = ['a', 'b', 'c'].map((id) => ({ id, words: `at ${id}` }));
const map = (entries: Record<string, Finding>): ByPlace => new Map(Object.entries(entries));

describe('the places of a picture', () => {
  const set = (rest: object) => ({ id: 'front', kind: 'planetary', ...rest });
  const of = (gearset: object, picture: string | undefined, where?: string[]) =>
    picturePlaces(
      { gearsets: [set({ id: 'rear', pinions: { count: 6 } }), gearset] } as unknown as UnitDefinition,
      { ids: ['front'] } as unknown as Subject,
      { picture, where } as unknown as Point,
    );
  test('of a band are those it names', () => {
    expect(of(set({}), 'band', ['At the anchor', 'middle / top', 'At the servo'])).toEqual([
      { id: 'at-the-anchor', words: 'At the anchor' },
      { id: 'middle-top', words: 'middle / top' },
      { id: 'at-the-servo', words: 'At the servo' },
    ]);
    expect(of(set({}), 'band')).toEqual([]);
  });
  test('of a planetary are its pinions, as many as it has, four where that is not stated', () => {
    const three = [1, 2, 3].map((k) => ({ id: `pinion-${k}`, words: `pinion ${k}` }));
    expect(of(set({ pinions: { count: 3 } }), 'planetary')).toEqual(three);
    expect(of(set({}), 'planetary')).toHaveLength(4);
    expect(of(set({ kind: 'mesh', pinions: { count: 3 } }), 'planetary')).toHaveLength(4);
  });
  test('of anything else are none', () => {
    for (const picture of [undefined, 'pack']) expect(of(set({}), picture, ['here'])).toEqual([]);
  });
});

describe('painting places', () => {
  test('one place says nothing of the others', () => {
    expect(paintPlaces(places, map({}), new Set(['b']), 'blue')).toEqual([
      ['b', { is: 'blue', where: 'at b' }],
    ]);
  });
  test('what was said of the whole stays with the places not painted, its note too', () => {
    const known = map({ '': { is: 'silver', note: 'wiped clean' } });
    expect(paintPlaces(places, known, new Set(['b']), 'blue')).toEqual([
      ['', null],
      ['a', { is: 'silver', note: 'wiped clean', where: 'at a' }],
      ['b', { is: 'blue', note: 'wiped clean', where: 'at b' }],
      ['c', { is: 'silver', note: 'wiped clean', where: 'at c' }],
    ]);
  });
  test('the last of them made alike, they become one finding of the whole', () => {
    const known = map({ a: { is: 'blue', where: 'at a' }, b: { is: 'blue', where: 'at b' } });
    expect(paintPlaces(places, known, new Set(['c']), 'blue')).toEqual([
      ['', { is: 'blue' }],
      ['a', null],
      ['b', null],
    ]);
  });
  test('a note on one keeps them apart', () => {
    const known = map({ a: { is: 'blue', where: 'at a', note: 'seized' }, b: { is: 'blue', where: 'at b' } });
    expect(paintPlaces(places, known, new Set(['c']), 'blue')).toEqual([
      ['c', { is: 'blue', where: 'at c' }],
    ]);
  });
  test('taken back, one place is open again and the others are kept', () => {
    expect(paintPlaces(places, map({ '': { is: 'blue' } }), new Set(['a']), null)).toEqual([
      ['', null],
      ['b', { is: 'blue', where: 'at b' }],
      ['c', { is: 'blue', where: 'at c' }],
    ]);
  });
  test('painted as it is writes nothing', () => {
    expect(paintPlaces(places, map({ '': { is: 'blue' } }), new Set(['a']), 'blue')).toEqual([]);
  });
  test('whatever is painted in whatever order, every place shows what was painted there last', () => {
    const stroke = fc.record({
      at: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { minLength: 1 }),
      is: fc.constantFrom('blue', 'straw', null),
    });
    fc.assert(
      fc.property(fc.array(stroke, { maxLength: 12 }), (strokes) => {
        const record = new Map<string, Finding>();
        const shown = new Map<string, string | null>();
        for (const { at, is } of strokes) {
          for (const [reading, finding] of paintPlaces(places, record, new Set(at), is))
            if (finding) record.set(reading, finding);
            else record.delete(reading);
          for (const id of at) shown.set(id, is);
        }
        for (const { id } of places)
          expect((record.get(id) ?? record.get(''))?.is ?? null).toBe(shown.get(id) ?? null);
      }),
    );
  });
});

describe.each(shippedUnits.map((u) => [u.id, u] as const))('%s', (_, unit) => {
  const inspection = inspectionOf(unit, catalogueOf(data));
  test('every planetary shows as many pinions as it has, every band its stretches', () => {
    const subjects = unit.gearsets
      .filter((g) => g.kind === 'planetary')
      .map((g) => [inspection.subject('gearset', [g.id])!, g.pinions!.count] as const);
    const bands = unit.elements
      .filter((e) => e.band)
      .map((e) => [inspection.subject('element', [e.id])!, 3] as const);
    for (const [subject, count] of [...subjects, ...bands]) {
      const drawn = [...inspection.points(subject).values()].filter((p) => p.point.picture);
      expect(drawn.length).toBeGreaterThan(0);
      for (const { point } of drawn) {
        const ids = picturePlaces(unit, subject, point).map((p) => p.id);
        expect(new Set(ids).size).toBe(count);
        for (const id of ids)
          expect(inspection.named(`${subject.slot}.${point.id}.${id}`)?.point.point).toBe(point);
      }
    }
  });
});

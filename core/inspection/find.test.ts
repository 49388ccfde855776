import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import { catalogueOf, findIn, inspectionOf } from './index';

const six = inspectionOf(shippedUnits.find((u) => u.id === 'ostrel-six')!, catalogueOf(data));
const found = (typed: string) => findIn(six, typed).map((h) => h.words);

describe('finding by words', () => {
  test('nothing typed finds nothing, nor does what no unit has', () => {
    expect(found('')).toEqual([]);
    expect(found('  , ')).toEqual([]);
    expect(found('carburettor')).toEqual([]);
  });
  test('a thing by the beginnings of its words, before its points', () => {
    const [first, second] = findIn(six, 'k1 dru');
    expect([first!.subject.slot, first!.point]).toEqual(['part.k1-drum', null]);
    expect(second?.subject.slot).not.toBe('part.k1-drum');
  });
  test('a point by its own words and by those it is also found by', () => {
    expect(found('k1 air test')[0]).toBe('Clutch K1, air test');
    expect(found('k1 bubbles')[0]).toBe('Clutch K1, air test');
  });
  test('a point by an answer it can have', () => {
    expect(findIn(six, 'converter blue').map((h) => h.point?.point.id)).toContain('hub');
  });
  test('what is drawn in a pack, by the pack', () => {
    expect(findIn(six, 'k2 metal').map((h) => h.subject.slot)).toContain('element.K2');
  });
  test('every thing that has a row is found by its whole name', () => {
    for (const station of six.unit.stations)
      for (const subject of six.rows(station.id))
        expect(findIn(six, subject.name, 40).some((h) => h.subject.slot === subject.slot)).toBe(true);
  });
  test('no more than asked for', () => expect(findIn(six, 'a', 3)).toHaveLength(3));
});

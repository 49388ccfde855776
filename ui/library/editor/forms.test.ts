import { checkUnit } from '@/core/validation';
import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { limitsWords } from '../units';
import { BAND, CAPACITY, ELEMENT, PACK } from './element-columns';
import { BEARINGS, LABOUR, MEMBERS, SENSORS, SOLENOIDS, SPECS, STATIONS, VARIANTS } from './list-columns';
import { PARTS } from './part-columns';
import { outcomesOf } from './live';
import { placeOf } from './place';
import type { Column } from './rows';

const all = shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]);

/** Writes back what was read, as a person does who opens a field and leaves it. */
function untouched<T>(column: Column<T>, row: T): T {
  switch (column.kind) {
    case 'text':
    case 'lines':
      return column.write(row, column.read(row));
    case 'number':
      return column.write(row, column.read(row));
    case 'choice':
      return column.write(row, column.read(row));
    case 'many':
      return column.write(row, column.read(row));
  }
}

/** Rows of all lists are treated alike here. */
const erased = <T>(columns: Column<T>[]) => columns as unknown as Column<object>[];

describe.each(all)('%s in the form', (_, unit) => {
  const lists: [string, object[], Column<object>[]][] = [
    ['members', unit.members, erased(MEMBERS)],
    ['stations', unit.stations, erased(STATIONS)],
    ['parts', unit.parts, erased(PARTS)],
    ['solenoids', unit.solenoids, erased(SOLENOIDS)],
    ['sensors', unit.sensors, erased(SENSORS)],
    ['bearings', unit.bearings, erased(BEARINGS)],
    ['limits', unit.specs, erased(SPECS)],
    ['variants', unit.variants, erased(VARIANTS)],
    ['labour', unit.labour, erased(LABOUR)],
    ['elements', unit.elements, erased(ELEMENT)],
    ['packs', unit.elements.flatMap((e) => (e.pack ? [e.pack] : [])), erased(PACK)],
    ['bands', unit.elements.flatMap((e) => (e.band ? [e.band] : [])), erased(BAND)],
  ];
  test.each(lists)('%s: a field that is opened and left changes nothing', (name, rows, columns) => {
    for (const row of rows)
      for (const column of columns) {
        // The number of frictions lays the stack anew: a wave spring is put back by hand.
        if (name === 'packs' && column.label === 'Frictions') continue;
        if (name === 'elements' && column.label === 'Used') continue;
        expect({ column: column.label, row: untouched(column, row) }).toEqual({
          column: column.label,
          row,
        });
      }
  });
  test('every choice offers what stands there', () => {
    for (const [, rows, columns] of lists)
      for (const column of columns)
        if (column.kind === 'choice')
          for (const row of rows)
            expect(column.options(unit, row).map((o) => o.value)).toContain(column.read(row));
  });
});

describe('single fields', () => {
  const four = shippedUnits[0]!;
  test('what is emptied is left out, not kept as nothing', () => {
    const price = PARTS.find((c) => c.label === 'Price') as Extract<
      Column<UnitDefinition['parts'][number]>,
      { kind: 'number' }
    >;
    expect('price' in price.write(four.parts[0]!, undefined)).toBe(false);
    const note = PARTS.find((c) => c.label === 'Note') as Extract<
      Column<UnitDefinition['parts'][number]>,
      { kind: 'text' | 'lines' }
    >;
    expect('note' in note.write({ ...four.parts[0]!, note: 'x' }, '')).toBe(false);
  });
  test('a part is made a link of a power path: the member, then what is cut off', () => {
    const [divides, cut] = ['Broken, it divides', 'What is then cut off'].map((l) =>
      PARTS.find((c) => c.label === l)!,
    );
    if (divides?.kind !== 'choice' || cut?.kind !== 'many') throw new Error('other kinds of field');
    const filter = four.parts.find((p) => p.id === 'filter')!;
    const chosen = divides.write(filter, 'Sr');
    const offered = cut.options(four, chosen).map((o) => o.label);
    expect(offered).toEqual(['Reverse clutch', '2-4 band', 'sun of Rear planetary']);
    const made = cut.write(chosen, [cut.options(four, chosen)[0]!.value]);
    expect(made.splits).toEqual({ member: 'Sr', away: [{ element: 'reverse' }] });
    expect('splits' in divides.write(made, '')).toBe(false);
  });
  test('more frictions lay the stack anew, still valid', () => {
    const frictions = PACK[0] as Extract<
      Column<NonNullable<UnitDefinition['elements'][number]['pack']>>,
      { kind: 'number' }
    >;
    const pack = frictions.write(four.elements[0]!.pack!, 7);
    expect(pack.order.filter((p) => p === 'friction')).toHaveLength(7);
    const unit = { ...four, elements: four.elements.map((e, k) => (k === 0 ? { ...e, pack } : e)) };
    expect(checkUnit(unit)).toEqual([]);
  });
  test('a limit is typed in the unit of its kind', () => {
    const least = SPECS.find((c) => c.label === 'At least') as Extract<
      Column<UnitDefinition['specs'][number]>,
      { kind: 'number' }
    >;
    const line = four.specs.find((s) => s.kind === 'pressure')!;
    expect((least.unit as (s: typeof line) => string)(line)).toBe('bar');
    expect((least.scale as (s: typeof line) => number)(line) * 1e5).toBeCloseTo(1, 12);
    expect(CAPACITY.kind).toBe('number');
  });
  test.each([
    [{ kind: 'end-play' as const, min: 0.0002, max: 0.0006 }, '0.20 to 0.60 mm'],
    [{ kind: 'runout' as const, max: 0.0002 }, 'at most 0.20 mm'],
    [{ kind: 'flow' as const, min: 5 / 60000 }, 'at least 5.0 l/min'],
    [{ kind: 'torque' as const, min: 9, max: 11 }, '9 to 11 N·m'],
  ])('%j reads %s', (spec, words) =>
    expect(limitsWords({ id: 'x', name: 'x', station: 'pan', ...spec })).toBe(words),
  );
});

describe('where something is wrong, as the page calls it', () => {
  const four = shippedUnits[0]!;
  test.each([
    ['/elements/0/feedPath', 'Elements, Forward clutch: feedPath'],
    ['/gears/4/apply', 'Gears, D2: apply'],
    ['/pressure/idlePa', 'pressure, idlePa'],
    ['/members', 'Members'],
    ['', 'The whole unit'],
  ])('%s', (pointer, words) => expect(placeOf(four, pointer)).toBe(words));
  test('a draft that names what is not there yet has no ratio, and nothing breaks', () => {
    const broken = structuredClone(four);
    broken.input = 'nowhere';
    broken.gears[3]!.apply.push('ghost');
    expect(() => outcomesOf(broken)).not.toThrow();
  });
});

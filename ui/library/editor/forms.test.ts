import { isDeepStrictEqual } from 'node:util';
import { checkUnit } from '@/core/validation';
import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { limitsWords } from '../units';
import { BAND, CAPACITY, ELEMENT, PACK } from './element-columns';
import { BEARINGS, LABOUR, MEMBERS, SENSORS, SOLENOIDS, SPECS, STATIONS, VARIANTS } from './list-columns';
import { fromSizes, sizesText } from './column-kit';
import { PARTS } from './part-columns';
import { firstSetUp, SET_UP, WORN } from './set-up-columns';
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
    case 'money':
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
    ['worn plates', unit.elements.flatMap((e) => (e.pack ? [e.pack] : [])), erased(WORN)],
    ['stacks', unit.elements.flatMap((e) => (e.pack?.setUp ? [e.pack.setUp] : [])), erased(SET_UP)],
    ['bands', unit.elements.flatMap((e) => (e.band ? [e.band] : [])), erased(BAND)],
  ];
  test.each(lists)('%s: a field that is opened and left changes nothing', (name, rows, columns) => {
    const changed = rows.flatMap((row) =>
      columns
        .filter((column) => !(name === 'elements' && column.label === 'Used'))
        .filter((column) => !isDeepStrictEqual(untouched(column, row), row))
        .map((column) => ({ column: column.label, row })),
    );
    expect(changed).toEqual([]);
  });
  test('every choice offers what stands there', () => {
    for (const [, rows, columns] of lists)
      for (const column of columns)
        if (column.kind === 'choice')
          expect(
            rows.filter((row) => !column.options(unit, row).some((o) => o.value === column.read(row))),
          ).toEqual([]);
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
    const [divides, cut] = ['Broken, it divides', 'What is then cut off'].map(
      (l) => PARTS.find((c) => c.label === l)!,
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
    for (const kind of ['wave', 'backing'] as const)
      expect(pack.order.includes(kind)).toBe(four.elements[0]!.pack!.order.includes(kind));
    const unit = { ...four, elements: four.elements.map((e, k) => (k === 0 ? { ...e, pack } : e)) };
    expect(checkUnit(unit)).toEqual([]);
  });
  test('a pack of which nothing is known gets figures to begin with, that hold together', () => {
    for (const element of four.elements.filter((e) => e.pack)) {
      const unit = structuredClone(four);
      const pack = unit.elements.find((e) => e.id === element.id)!.pack!;
      pack.setUp = firstSetUp(pack);
      expect(checkUnit(unit)).toEqual([]);
    }
  });
  test('sizes are typed in mm, in any order; what is no size is left out', () => {
    expect(fromSizes('2.2; 1,8 -3 x 2.2')).toEqual([0.001, 0.0022, 0.008]);
    expect(fromSizes('1.85, 1.9 2')).toEqual([0.00185, 0.0019, 0.002]);
    expect(sizesText([0.00185, 0.002])).toBe('1.85, 2');
    const sold = PARTS.find((c) => c.label === 'Sizes sold, mm') as Extract<
      Column<UnitDefinition['parts'][number]>,
      { kind: 'text' | 'lines' }
    >;
    expect('sizes' in sold.write({ ...four.parts[0]!, sizes: [0.002] }, ' ')).toBe(false);
  });
  test('what two operations save is kept for those that stay chosen', () => {
    const together = LABOUR.find((c) => c.label === 'Saves work together with');
    const saves = LABOUR.find((c) => c.label === 'Hours it saves with each');
    if (together?.kind !== 'many' || saves?.kind !== 'text') throw new Error('other kinds of field');
    const [first, second, third] = four.labour.map((l) => l.id);
    const row = { id: first!, name: 'x', hours: 3, overlaps: [{ with: second!, hours: 1 }] };
    const two = together.write(row, [second!, third!]);
    expect(saves.write(two, '1, 0.4').overlaps).toEqual([
      { with: second, hours: 1 },
      { with: third, hours: 0.4 },
    ]);
    expect(saves.write(two, 'none').overlaps).toEqual(two.overlaps);
    expect('overlaps' in together.write(two, [])).toBe(false);
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

import { elementsServedBy } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { plateName, subjectOf } from './subjects';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const high = four.elements.find((e) => e.id === 'high')!;
const order = high.pack!.order;
const of = (head: Parameters<typeof subjectOf>[1], ...ids: string[]) => subjectOf(four, head, ids);

test('a part is known by its kind, and belongs to the one element it serves, or is said to', () => {
  const shell = four.parts.find((p) => p.id === 'sun-shell')!;
  expect(of('part', 'sun-shell')).toEqual({
    head: 'part',
    ids: ['sun-shell'],
    slot: 'part.sun-shell',
    name: shell.name,
    station: shell.station,
    selectors: [shell.kind],
    part: 'sun-shell',
    element: null,
    gearset: shell.gearset ?? null,
  });
  const unit = (more: object): UnitDefinition => ({
    ...four,
    parts: [...four.parts, { ...shell, id: 'odd', ...more }],
  });
  expect(subjectOf(unit({ kind: undefined }), 'part', ['odd'])!.selectors).toEqual([]);
  expect(subjectOf(unit({ element: 'high' }), 'part', ['odd'])!.element).toBe('high');
  expect(subjectOf(unit({ gearset: 'front' }), 'part', ['odd'])!.gearset).toBe('front');
  const one = four.parts.find((p) => p.element === undefined && elementsServedBy(four, p.id).length === 1)!;
  expect(of('part', one.id)!.element).toBe(elementsServedBy(four, one.id)[0]!.id);
});

test('an element is a pack, a band or a one-way clutch of its own', () => {
  expect(of('element', 'high')).toMatchObject({
    selectors: ['pack'],
    element: 'high',
    part: high.part ?? null,
    gearset: null,
    station: high.station,
  });
  expect(of('element', 'band-2-4')!.selectors).toEqual(['band']);
  const owc = four.elements.find((e) => e.kind === 'one-way')!;
  const alone = { ...four, elements: [{ ...owc, part: undefined }] } as UnitDefinition;
  const ordered = { ...four, elements: [{ ...owc, part: 'low-owc' }] } as UnitDefinition;
  expect(subjectOf(alone, 'element', [owc.id])!.selectors).toEqual(['one-way-alone']);
  expect(subjectOf(ordered, 'element', [owc.id])!.selectors).toEqual(['one-way']);
  const dog = { ...four, elements: [{ ...owc, kind: 'dog' }] } as unknown as UnitDefinition;
  expect(subjectOf(dog, 'element', [owc.id])!.selectors).toEqual(['dog']);
});

test('plates are counted from the piston, each kind by itself', () => {
  expect(plateName(['wave', 'steel', 'friction', 'steel', 'friction', 'backing'], 3)).toBe('steel 2');
  expect(plateName(['wave', 'steel', 'friction', 'steel', 'friction', 'backing'], 2)).toBe('friction 1');
  expect(plateName(['wave', 'backing'], 0)).toBe('wave spring');
  expect(plateName(['wave', 'backing'], 1)).toBe('backing plate');
});

test('every plate of a pack is there, and its two sides where it has linings or is turned', () => {
  order.forEach((kind, k) => {
    const plate = of('plate', 'high', String(k))!;
    expect(plate).toMatchObject({
      slot: `plate.high.${k}`,
      name: `${high.name}, ${plateName(order, k)}`,
      station: high.station,
      element: 'high',
      selectors: kind === 'backing' ? ['backing', 'steel'] : [kind],
    });
    for (const [side, words] of [
      ['a', 'piston'],
      ['b', 'backing'],
    ] as const) {
      const face = of('face', 'high', String(k), side);
      if (kind === 'wave') expect(face).toBeNull();
      else
        expect(face).toMatchObject({
          slot: `face.high.${k}.${side}`,
          name: `${plate.name}, ${words} side`,
          selectors: plate.selectors,
          element: 'high',
        });
    }
    expect(of('face', 'high', String(k), 'c')).toBeNull();
  });
  const wave = { ...high, pack: { ...high.pack!, order: ['wave' as const, ...order] } };
  const waved: UnitDefinition = { ...four, elements: [wave] };
  expect(subjectOf(waved, 'plate', ['high', '0'])!.selectors).toEqual(['wave']);
  expect(subjectOf(waved, 'face', ['high', '0', 'a'])).toBeNull();
});

test.each([
  ['plate', 'high', '00'],
  ['plate', 'high', '-1'],
  ['plate', 'high', '1.0'],
  ['plate', 'high', String(order.length)],
  ['plate', 'band-2-4', '0'],
  ['plate', 'ghost', '0'],
  ['part', 'ghost'],
  ['element', 'ghost'],
  ['gearset', 'ghost'],
  ['solenoid', 'ghost'],
  ['sensor', 'ghost'],
  ['station', 'ghost'],
] as const)('%s %s is none', (head, ...ids) => expect(of(head, ...ids)).toBeNull());

test('sets, coils, sensors and stations stand where the unit has them', () => {
  const [set] = four.gearsets;
  expect(of('gearset', set!.id)).toMatchObject({
    name: set!.name,
    station: set!.station,
    selectors: [set!.kind],
    gearset: set!.id,
    element: null,
    part: null,
  });
  const [coil] = four.solenoids;
  expect(of('solenoid', coil!.id)).toMatchObject({
    name: coil!.name,
    station: four.parts.find((p) => p.id === coil!.part)!.station,
    selectors: [coil!.kind],
    part: coil!.part,
    element: coil!.element ?? null,
  });
  const loose = { ...four, solenoids: [{ ...coil!, part: 'ghost', element: 'high' }] } as UnitDefinition;
  expect(subjectOf(loose, 'solenoid', [coil!.id])).toMatchObject({ station: null, element: 'high' });
  const [sensor] = four.sensors;
  expect(of('sensor', sensor!.id)).toMatchObject({
    name: sensor!.name,
    station: sensor!.station,
    selectors: [sensor!.kind],
  });
  expect(of('station', 'pump')).toMatchObject({ station: 'pump', selectors: ['station'] });
  expect(of('unit', 'debris')).toMatchObject({ name: 'debris', station: null, selectors: ['debris'] });
});

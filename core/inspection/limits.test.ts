import type { UnitDefinition } from '@/core/unit';
import { IN_SI, limitOf } from './limits';
import { subjectOf } from './subjects';
import type { LimitKind } from './schema';
import { shippedUnits } from '@/data/shipped';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const of = (unit: UnitDefinition, head: Parameters<typeof subjectOf>[1], id: string, ...more: string[]) =>
  subjectOf(unit, head, [id, ...more])!;
const limit = (
  unit: UnitDefinition,
  kind: LimitKind,
  ...subject: [Parameters<typeof subjectOf>[1], string]
) => limitOf(unit, of(unit, ...subject), kind);
const withPack = (more: object): UnitDefinition => ({
  ...four,
  elements: four.elements.map((e) => (e.id === 'high' ? { ...e, pack: { ...e.pack!, ...more } } : e)),
});

test('shown units stand for what they are in SI', () => {
  expect(IN_SI).toEqual({
    mm: 0.001,
    Ω: 1,
    kPa: 1000,
    'l/min': 1 / 60000,
    N·m: 1,
    s: 1,
    '°C': 1,
    l: 0.001,
    '': 1,
  });
});

test('what a pack is set to and its plates wear down to stands with the pack', () => {
  const { pack } = four.elements.find((e) => e.id === 'high')!;
  expect(limit(four, 'pack-clearance', 'element', 'high')).toEqual(pack!.clearance);
  const worn = withPack({ worn: { friction: 0.0015, steel: 0.0016 } });
  expect(limit(worn, 'friction-thickness', 'element', 'high')).toEqual({
    nominal: pack!.frictionThickness,
    min: 0.0015,
  });
  expect(limit(worn, 'steel-thickness', 'element', 'high')).toEqual({
    nominal: pack!.steelThickness,
    min: 0.0016,
  });
  const unknown = withPack({ worn: undefined });
  expect(limit(unknown, 'friction-thickness', 'element', 'high')).toEqual({
    nominal: pack!.frictionThickness,
    min: undefined,
  });
  expect(limit(unknown, 'steel-thickness', 'element', 'high')!.min).toBeUndefined();
  expect(limit(four, 'plate-count', 'element', 'high')).toEqual({
    min: pack!.frictions,
    max: pack!.frictions,
  });
  expect(limit(withPack({ clearance: undefined }), 'pack-clearance', 'element', 'high')).toBeNull();
});

test('what has no pack has no limit of one', () => {
  for (const kind of ['pack-clearance', 'friction-thickness', 'steel-thickness', 'plate-count'] as const) {
    expect([kind, limit(four, kind, 'element', 'band-2-4')]).toEqual([kind, null]);
    expect([kind, limit(four, kind, 'part', 'filter')]).toEqual([kind, null]);
  }
});

test('a band’s pin travel is its own', () => {
  const band = four.elements.find((e) => e.id === 'band-2-4')!.band!;
  expect(limit(four, 'pin-travel', 'element', 'band-2-4')).toEqual(band.pinTravel ?? null);
  const travel = { min: 0.002, max: 0.003 };
  const own: UnitDefinition = {
    ...four,
    elements: four.elements.map((e) => (e.band ? { ...e, band: { ...e.band, pinTravel: travel } } : e)),
  };
  expect(limit(own, 'pin-travel', 'element', 'band-2-4')).toBe(travel);
  expect(limit(own, 'pin-travel', 'element', 'high')).toBeNull();
  expect(limit(own, 'pin-travel', 'part', 'filter')).toBeNull();
});

test('a coil’s resistance is that of the solenoid asked', () => {
  const [s1, ...rest] = four.solenoids;
  expect(limit(four, 'resistance', 'solenoid', s1!.id)).toBe(s1!.ohm);
  const other = rest.find((s) => s.ohm.min !== s1!.ohm.min);
  if (other) expect(limit(four, 'resistance', 'solenoid', other.id)).toBe(other.ohm);
  expect(limit(four, 'resistance', 'part', 'filter')).toBeNull();
});

test('line pressure is held against the load it was read at, and Reverse against its own', () => {
  const spec = (load: 'idle' | 'full', max: number, range?: string) =>
    ({ id: `${load}-${range}`, kind: 'pressure', load, range, max, station: 'pump' }) as never;
  const unit: UnitDefinition = {
    ...four,
    specs: [spec('full', 3, 'R'), spec('idle', 1), spec('full', 2)],
  };
  const read = (kind: LimitKind) => limitOf(unit, of(unit, 'station', 'pump'), kind)?.max;
  expect([read('pressure-idle'), read('pressure-full'), read('pressure-reverse')]).toEqual([1, 2, 3]);
  const silent: UnitDefinition = { ...four, specs: [] };
  expect(limitOf(silent, of(silent, 'station', 'pump'), 'pressure-idle')).toBeNull();
});

test('a set has the pinions it states', () => {
  const set = four.gearsets.find((g) => g.kind === 'planetary')!;
  const counted: UnitDefinition = {
    ...four,
    gearsets: four.gearsets.map((g) =>
      g.id === set.id && g.kind === 'planetary' ? { ...g, pinions: { ...g.pinions, count: 5 } as never } : g,
    ),
  };
  expect(limit(counted, 'pinion-count', 'gearset', set.id)).toEqual({ min: 5, max: 5 });
  expect(limit(counted, 'pinion-count', 'part', 'filter')).toBeNull();
  const silent: UnitDefinition = {
    ...four,
    gearsets: four.gearsets.map((g) => (g.kind === 'planetary' ? { ...g, pinions: undefined } : g)),
  };
  expect(limit(silent, 'pinion-count', 'gearset', set.id)).toBeNull();
});

test('other limits are the specs of what they name, or of the station where they name nothing', () => {
  const spec = (more: object) => ({ kind: 'wear', max: 1, station: 'pump', ...more }) as never;
  const specs = [
    spec({ id: 'of-part', part: 'filter' }),
    spec({ id: 'of-set', gearset: four.gearsets[0]!.id }),
    spec({ id: 'of-element', element: 'high' }),
    spec({ id: 'of-pan', station: 'pan' }),
    spec({ id: 'of-station' }),
  ];
  const unit: UnitDefinition = { ...four, specs };
  const named = (...subject: [Parameters<typeof subjectOf>[1], string]) =>
    (limit(unit, 'wear', ...subject) as { id?: string } | null)?.id ?? null;
  expect(named('part', 'filter')).toBe('of-part');
  expect(named('part', 'pump-gears')).toBeNull();
  expect(named('gearset', four.gearsets[0]!.id)).toBe('of-set');
  expect(named('element', 'high')).toBe('of-element');
  expect(named('station', 'pump')).toBe('of-station');
  expect(named('station', 'pan')).toBe('of-pan');
  expect(named('solenoid', four.solenoids[0]!.id)).toBeNull();
  expect(limit(unit, 'runout', 'part', 'filter')).toBeNull();
});

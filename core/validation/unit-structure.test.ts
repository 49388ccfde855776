import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { structureProblems } from './unit-structure';

/** Where a unit names something of itself, and what; a star for a place in a list. */
const REFERENCES: Record<string, string> = {
  '/input': 'member',
  '/output': 'member',
  '/converter/part': 'part',
  '/converter/lockUpGears/*': 'gear',
  '/commonFeed/*': 'part',
  '/gearsets/*/station': 'station',
  '/gearsets/*/first/member': 'member',
  '/gearsets/*/second/member': 'member',
  '/gearsets/*/sun/member': 'member',
  '/gearsets/*/ring/member': 'member',
  '/gearsets/*/carrier': 'member',
  '/elements/*/station': 'station',
  '/elements/*/a': 'member',
  '/elements/*/b': 'member',
  '/elements/*/feedPath/*': 'part',
  '/elements/*/powerPath/*': 'part',
  '/elements/*/liningParts/*': 'part',
  '/elements/*/drumPart': 'part',
  '/elements/*/part': 'part',
  '/elements/*/pack/secondArea/gears/*': 'gear',
  '/gears/*/apply/*': 'element',
  '/bearings/*/a': 'member',
  '/bearings/*/b': 'member',
  '/bearings/*/station': 'station',
  '/bearings/*/part': 'part',
  '/solenoids/*/part': 'part',
  '/solenoids/*/element': 'element',
  '/sensors/*/member': 'member',
  '/sensors/*/station': 'station',
  '/stations/*/blockedBy/*': 'station',
  '/parts/*/station': 'station',
  '/parts/*/takesAlong/*': 'part',
  '/parts/*/mistakenFor/*': 'part',
  '/parts/*/soldAs': 'part',
  '/parts/*/element': 'element',
  '/parts/*/gearset': 'gearset',
  '/parts/*/splits/member': 'member',
  '/parts/*/splits/away/*/element': 'element',
  '/parts/*/splits/away/*/gearset': 'gearset',
  '/labour/*/overlaps/*/with': 'operation',
  '/variants/*/part': 'part',
  '/specs/*/station': 'station',
  '/specs/*/gearset': 'gearset',
  '/specs/*/part': 'part',
  '/specs/*/element': 'element',
};

/** Every text of a document, by its pointer. */
function texts(value: unknown, pointer = ''): [string, string][] {
  if (typeof value === 'string') return [[pointer, value]];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => texts(inner, `${pointer}/${key}`));
}
const pattern = (pointer: string) => pointer.replaceAll(/\/\d+/g, '/*');

function withGhost(unit: UnitDefinition, pointer: string): UnitDefinition {
  const copy = structuredClone(unit);
  const way = pointer.split('/').slice(1);
  const last = way.pop()!;
  const holder = way.reduce<Record<string, never>>((o, key) => o[key]!, copy as never);
  (holder as Record<string, unknown>)[last] = 'ghost';
  return copy;
}

/** The first place of each kind that names something, over all units that ship. */
const found = new Map<string, [UnitDefinition, string]>();
for (const unit of shippedUnits)
  for (const [pointer] of texts(unit))
    if (pattern(pointer) in REFERENCES && !found.has(pattern(pointer)))
      found.set(pattern(pointer), [unit, pointer]);

test.each(Object.entries(REFERENCES))('%s that is not there is named: no such %s', (place, kind) => {
  const at = found.get(place);
  // What no unit that ships uses is put where it would stand.
  const [unit, pointer] = at ?? [shippedUnits[0]!, null];
  const changed = pointer ? withGhost(unit, pointer) : added(unit, place);
  const where = pointer ?? place.replaceAll('*', '0');
  expect(structureProblems(changed)).toContainEqual({
    pointer: where,
    message: `there is no ${kind} "ghost"`,
    remedy: expect.stringMatching(/^Use one of: \S/),
  });
});

function added(unit: UnitDefinition, place: string): UnitDefinition {
  const copy = structuredClone(unit) as never as Record<string, Record<string, unknown>[]>;
  const [, list, , ...rest] = place.split('/');
  let holder = copy[list!]![0]!;
  rest.slice(0, -1).forEach((key, k) => {
    const next = rest[k + 1] === '*' ? [] : {};
    holder = (key === '*' ? ((holder as never as unknown[])[0] ??= next) : (holder[key] ??= next)) as never;
  });
  const last = rest.at(-1)!;
  (holder as Record<string, unknown>)[last === '*' ? '0' : last] = 'ghost';
  return copy as never;
}

test('every unit that ships names only what it has', () => {
  for (const unit of shippedUnits) expect(structureProblems(unit)).toEqual([]);
});

const NAMED = ['members', 'gearsets', 'elements', 'bearings', 'solenoids', 'sensors', 'stations'] as const;
const LISTED = [...NAMED, 'parts', 'labour', 'variants', 'specs', 'gears'] as const;
test.each(LISTED)('of %s none stands twice under one name', (list) => {
  const unit = structuredClone(shippedUnits.find((u) => u[list].length)!);
  const items: unknown[] = unit[list];
  const field = list === 'gears' ? 'key' : 'id';
  items.push(structuredClone(items[0]));
  expect(structureProblems(unit)).toContainEqual({
    pointer: `/${list}/${items.length - 1}/${field}`,
    message: `"${(items[0] as Record<string, string>)[field]}" stands twice`,
    remedy: 'Give every one its own.',
  });
});

test('what there is to choose from is listed, the first twenty', () => {
  const many = structuredClone(shippedUnits[0]!);
  many.input = 'ghost';
  many.members = Array.from({ length: 30 }, (_, k) => ({ id: `m${k}`, name: `M${k}` }));
  const problem = structureProblems(many).find((p) => p.pointer === '/input')!;
  expect(problem.remedy).toBe(`Use one of: ${Array.from({ length: 20 }, (_, k) => `m${k}`).join(', ')}.`);
});

test('idle pressure may be as much as full pressure, not more', () => {
  const unit = structuredClone(shippedUnits[0]!);
  unit.pressure.idlePa = unit.pressure.fullPa;
  expect(structureProblems(unit)).toEqual([]);
  unit.pressure.idlePa += 1;
  expect(structureProblems(unit).map((p) => p.pointer)).toEqual(['/pressure/idlePa']);
});

import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { shippedUnits } from '@/data/shipped';
import { compileCatalogue } from './catalogue';
import { stillExpected } from './expected';
import { inspectionOf } from './inspection';
import type { InspectionFile, Point } from './schema';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const point = (id: string, expected?: true): Point => ({
  id,
  words: `Its ${id.toUpperCase()}`,
  field: { kind: 'words' },
  minutes: 1,
  ...(expected && { expected }),
});
const file = (id: string, stage: InspectionFile['stage'], of: InspectionFile['of'], points: Point[]) =>
  ({ id, words: `File ${id}`, stage, order: 1, of, points }) as InspectionFile;
const files = [
  file('debris', 'teardown', { unit: ['debris'] }, [point('fibre', true), point('other')]),
  file('fluid', 'intake', { unit: ['fluid'] }, [point('level', true)]),
  file('filter', 'teardown', { part: ['filter'] }, [point('pleats', true)]),
  file('pack', 'teardown', { element: ['pack'] }, [point('air', true)]),
  file('set', 'teardown', { gearset: ['planetary'] }, [point('pins', true)]),
  file('coil', 'teardown', { solenoid: ['*'] }, [point('ohm', true)]),
  file('speed', 'teardown', { sensor: ['*'] }, [point('tip', true)]),
  file('plain', 'teardown', { part: ['drum'] }, [point('crack')]),
];
const expected = (
  values: Record<string, Json> = {},
  stage: InspectionFile['stage'] = 'teardown',
  of = files,
) =>
  stillExpected(
    inspectionOf(four, compileCatalogue(of, { scales: [] } as never)),
    stateFromValues(values),
    stage,
  );

test('what a stage expects is told with what it is asked of, until it is answered', () => {
  expect(expected({}, 'intake')).toEqual(['File fluid, its level']);
  expect(expected({ 'unit.fluid.level': { is: 'low' } }, 'intake')).toEqual([]);
  expect(expected()).toContain('File debris, its fibre');
  expect(expected({ 'unit.debris.fibre': { is: 'x' } })).not.toContain('File debris, its fibre');
});

test('every part, pack, set, coil and sensor it is asked of is meant, each once', () => {
  const words = expected();
  expect(new Set(words).size).toBe(words.length);
  const filter = four.parts.find((p) => p.kind === 'filter')!;
  const pack = four.elements.find((e) => e.pack)!;
  const set = four.gearsets.find((g) => g.kind === 'planetary')!;
  for (const { name } of [filter, pack, set, four.solenoids[0]!, four.sensors[0]!])
    expect(words.filter((w) => w.startsWith(`${name}, its `))).toHaveLength(1);
  expect(words.some((w) => w.includes('crack') || w.includes('other'))).toBe(false);
});

test('a second look answers it too; a point whose name only begins alike does not', () => {
  const pack = four.elements.find((e) => e.pack)!;
  const open = (values: Record<string, Json>) => expected(values).includes(`${pack.name}, its air`);
  expect(open({})).toBe(true);
  expect(open({ [`element.${pack.id}.air.hot`]: { is: 'x' } })).toBe(false);
  expect(open({ [`element.${pack.id}.airs`]: { is: 'x' } })).toBe(true);
});

test('where nothing is expected, nothing is missing', () => {
  expect(expected({}, 'teardown', [files.at(-1)!])).toEqual([]);
  expect(expected({}, 'suspects')).toEqual([]);
});

import { unitSchema } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { changed, four, set } from '@/tests/fixtures/four';
import { readsOf } from '@/tests/fixtures/reads';
import { checkUnit } from './index';
import type { Problem } from './index';
import { outOfBounds, UNIT_BOUNDS } from './size';

/** Effort is counted, not timed: a real unit takes about a tenth of it. */
const MOST_READS = 200_000;

describe('hostile definitions fail fast', () => {
  const fast = (value: unknown) => {
    let problems: Problem[] = [];
    readsOf(value, MOST_READS, (watched) => void (problems = checkUnit(watched)));
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.length).toBeLessThanOrEqual(200);
    return problems;
  };
  const deep = (n: number): unknown => {
    let value: unknown = 1;
    for (let k = 0; k < n; k++) value = { a: value };
    return value;
  };
  test.each<[string, unknown]>([
    [
      '10,000 elements',
      changed(
        (u) => (u.elements = Array.from({ length: 10_000 }, (_, k) => ({ ...u.elements[1]!, id: `e${k}` }))),
      ),
    ],
    ['far more numbers than are looked at', { ...four, gears: new Array(200_000).fill(1) }],
    ['NaN teeth', changed((u) => (set(u).sun.teeth = Number.NaN))],
    ['1e308 teeth', changed((u) => (set(u).sun.teeth = 1e308))],
    ['infinite torque', changed((u) => (u.engine.torqueNm = Number.POSITIVE_INFINITY))],
    ['negative teeth', changed((u) => (set(u).sun.teeth = -35))],
    ['a text for a number', changed((u) => ((set(u).sun as { teeth: unknown }).teeth = '35'))],
    ['10,000 levels', { ...four, description: deep(10_000) }],
    ['a text without end', { ...four, name: 'x'.repeat(5_000_000) }],
    [
      'sixty one-way clutches',
      changed(
        (u) => (
          (u.elements = Array.from({ length: 60 }, (_, k) => ({
            ...u.elements[1]!,
            id: `o${k}`,
            short: 'o',
          }))),
          (u.gears = [u.gears[2]!])
        ),
      ),
    ],
    ['an array', []],
    ['a prototype', JSON.parse('{"__proto__": {"format": "pelvik-unit/1"}}')],
  ])('%s', (_, value) => void fast(value));

  test('eight one-way clutches on forty free members are still answered', () => {
    const names = Array.from({ length: 40 }, (_, k) => `m${k}`);
    const unit = changed((u) => {
      u.members = ['in', 'out', ...names].map((id) => ({ id, name: id }));
      u.gearsets = names.slice(0, 38).map(
        (id, k) =>
          ({
            ...set(u),
            id: `g${k}`,
            pinions: undefined,
            sun: { member: id, teeth: 30 },
            ring: { member: names[k + 1]!, teeth: 70 },
            carrier: names[k + 2] ?? 'out',
          }) as UnitDefinition['gearsets'][number],
      );
      for (const g of u.gearsets) delete (g as { pinions?: unknown }).pinions;
      u.elements = Array.from({ length: 8 }, (_, k) => ({
        ...four.elements[1]!,
        id: `o${k}`,
        a: names[k * 4]!,
        b: names[k * 4 + 3]!,
      }));
      u.elements.push(
        { ...four.elements[0]!, id: 'c', a: 'in', b: names[0]! },
        { ...four.elements[0]!, id: 'd', a: names[39]!, b: 'out' },
      );
      u.parts = u.parts.map(({ splits: _, ...p }) => p);
      u.bearings = [];
      u.sensors = [];
      u.gears = [{ key: 'D1', range: 'D', gear: 1, name: 'x', apply: ['c', 'd'], solenoids: [0, 0, 0] }];
      u.converter.lockUpGears = [];
    });
    expect(readsOf(unit, MOST_READS, checkUnit)).toBeGreaterThan(0);
  });
  test('the size of a real unit is far from the limit', () => {
    for (const unit of shippedUnits) expect(outOfBounds(unit, UNIT_BOUNDS)).toBeNull();
  });
});

test('every field of the published schema says what it is', () => {
  const mute: string[] = [];
  const walk = (node: unknown, at: string): void => {
    if (typeof node !== 'object' || node === null) return;
    const { properties, items, oneOf } = node as {
      properties?: Record<string, { description?: string }>;
      items?: unknown;
      oneOf?: unknown[];
    };
    for (const [key, field] of Object.entries(properties ?? {})) {
      if (!field.description) mute.push(`${at}/${key}`);
      walk(field, `${at}/${key}`);
    }
    walk(items, `${at}/*`);
    oneOf?.forEach((o, k) => walk(o, `${at}|${k}`));
  };
  walk(unitSchema, '');
  expect(mute).toEqual([]);
});

import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { plates, told } from '@/tests/fixtures/told';
import { diagnoser } from './index';
import type { Diagnosis } from './index';

const judges = new Map(shippedUnits.map((u) => [u.id, { unit: u, judge: diagnoser(u, knowledge) }]));
const judge = (id: string, values: Record<string, Json>): Diagnosis =>
  judges.get(id)!.judge(stateFromValues(values));
const unitOf = (id: string) => judges.get(id)!.unit;
const probabilities = (d: Diagnosis) => new Map(d.causes.map((c) => [c.id, c.probability]));
const furthest = (a: Diagnosis, b: Diagnosis) => {
  const other = probabilities(b);
  return Math.max(...a.causes.map((c) => Math.abs(c.probability - other.get(c.id)!)));
};

const THIRD_FALLS: Record<string, Json> = {
  'grid.D1.shop': told(['normal']),
  'grid.D2.shop': told(['normal']),
  'grid.D3.shop': told(['flares'], [], { actsLike: 'D1' }),
  'grid.D4.shop': told(['normal']),
  'grid.R.shop': told(['normal']),
};

test('sound findings on what no candidate has to do with move none of them', () => {
  const before = judge('ostrel-five-x', THIRD_FALLS);
  const sound = {
    ...plates(unitOf('ostrel-five-x'), 'transfer', 'sound', 'bright'),
    'part.parking-pawl.condition': { is: 'sound' },
    'part.output-bearing.condition': { is: 'sound' },
    'gearset.rear.pins': { is: 'silver' },
  };
  expect(furthest(before, judge('ostrel-five-x', { ...THIRD_FALLS, ...sound }))).toBeLessThan(0.005);
});

test('the order of entry never matters, and taking a finding back returns to exactly what was before', () => {
  const values = {
    ...THIRD_FALLS,
    'part.filter.pleats': { is: 'dirty' },
    'unit.fluid.smell': { is: 'burnt' },
    ...plates(unitOf('ostrel-five-x'), 'intermediate', 'charred', 'blue'),
  };
  const one = judge('ostrel-five-x', values);
  const other = judge('ostrel-five-x', Object.fromEntries(Object.entries(values).reverse()));
  expect(furthest(one, other)).toBeLessThan(1e-9);
  expect(judge('ostrel-five-x', THIRD_FALLS)).toEqual(judge('ostrel-five-x', { ...THIRD_FALLS }));
});

test('one thing told twice counts once: the same gear by both, the same speeds again', () => {
  const once = judge('ostrel-five-x', THIRD_FALLS);
  const both = judge('ostrel-five-x', {
    ...THIRD_FALLS,
    'grid.D3.customer': told(['flares'], [], { actsLike: 'D1' }),
  });
  expect(furthest(once, both)).toBeLessThan(1e-9);
});

test('two faults at once are told as two', () => {
  const d = judge('ostrel-four', {
    'grid.D2.shop': told(['flares'], [], { actsLike: 'D1' }),
    'grid.D4.shop': told(['wrong-gear'], [], { actsLike: 'D3' }),
    'grid.R.shop': told(['normal']),
    'grid.D1.shop': told(['normal']),
    'grid.D3.shop': told(['shudder']),
    'part.servo-seal-rings.rubber': { is: 'torn' },
    'part.converter.lining': { is: 'gone' },
    'unit.fluid.colour': { is: 'cloudy-tan' },
  });
  const present = d.causes.filter((c) => c.present > 0.6).map((c) => c.id);
  expect(present).toEqual(expect.arrayContaining(['servo-seal-rings:feed-loss', 'converter:lining-lost']));
});

test('plates welded throughout while every gear is normal are called contradictory, and nothing is determined', () => {
  const welded = Object.assign(
    {},
    ...['forward', 'high', 'reverse', 'low-reverse', 'overrun'].map((e) =>
      plates(unitOf('ostrel-four'), e, 'welded', 'welded'),
    ),
  );
  const grid = Object.fromEntries(
    ['N', 'R', 'D1', 'D2', 'D3', 'D4'].map((g) => [`grid.${g}.shop`, told(['normal'])]),
  );
  const d = judge('ostrel-four', { ...welded, ...grid });
  expect(d.contradictory).toBe(true);
  expect(d.undetermined).toBe(true);
  expect(d.contradictions.some((e) => e.point.startsWith('fused:'))).toBe(true);
  expect(judge('ostrel-four', welded).contradictory).toBe(false);
});

test('what lets go is told before why, and a split over its reasons does not hide it', () => {
  const d = judge('ostrel-five-x', THIRD_FALLS);
  expect(d.groups[0]).toMatchObject({
    id: 'lets-go:intermediate',
    words: 'The intermediate brake does not hold',
  });
  expect(d.groups[0]!.probability).toBeGreaterThan(0.75);
  expect(d.causes[0]!.probability).toBeLessThan(0.6);
});

test('an electrical code or reading touches the electrical way a solenoid fails, not the other', () => {
  const of = (values: Record<string, Json>, id: string) =>
    judge('ostrel-six', values).causes.find((c) => c.id === id)!.probability;
  const grid = {
    'grid.D3.shop': told(['flares']),
    'grid.D5.shop': told(['flares']),
    'grid.R.shop': told(['no-drive']),
  };
  const inRange = { ...grid, 'solenoid.S-K2.resistance': { is: 5, temperatureC: 20 } };
  expect(of(inRange, 'S-K2:electrical')).toBeLessThan(0.3 * of(grid, 'S-K2:electrical'));
  expect(of(inRange, 'S-K2:sticking')).toBeGreaterThan(0.99 * of(grid, 'S-K2:sticking'));
});

test('where an air test bubbled points at a part, not only at the element', () => {
  const at = (where: string) => {
    const d = judge('ostrel-six', {
      'grid.R.shop': { hot: { behaviours: ['slips'] } },
      'element.K2.air-test': { is: 'leaks', temperatureC: 70, oilFilm: true, where },
    });
    return d.causes[0]!.part;
  };
  expect(at('inner corner')).toBe('k2-drum');
  expect(at('sealing rings')).toBe('k2-sealing-rings');
  expect(at('piston')).toBe('k2-piston-seals');
});

/* Any record at all: probabilities stay probabilities, and they add up. */
test.each([...judges.keys()])('%s: absurd records give no nonsense', (id) => {
  const { unit } = judges.get(id)!;
  const everything: Record<string, Json>[] = [
    Object.fromEntries(unit.gears.map((g) => [`grid.${g.key}.shop`, told(['moves', 'binds', 'no-drive'])])),
    Object.fromEntries(unit.parts.map((p) => [`part.${p.id}.condition`, { is: 'failed' }])),
    {
      ...Object.fromEntries(
        unit.gears.map((g) => [
          `grid.${g.key}.customer`,
          { hot: { behaviours: ['slips'] }, cold: { behaviours: ['binds'] } },
        ]),
      ),
      ...Object.fromEntries(unit.parts.map((p) => [`part.${p.id}.condition`, { is: 'sound' }])),
    },
  ];
  for (const values of everything) {
    const d = judge(id, values);
    expect(d.causes.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 6);
    for (const c of d.causes) {
      expect(Number.isFinite(c.present)).toBe(true);
      expect(c.probability).toBeGreaterThanOrEqual(0);
      expect(c.present).toBeLessThanOrEqual(1);
    }
  }
});

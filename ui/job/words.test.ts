import {
  BEHAVIOURS,
  CONDITIONS,
  HEATS,
  NOISES,
  REPAIR_EFFECTS,
  stateFromValues,
  SPEAKERS,
} from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { factWords } from '@/core/facts';
import { catalogueOf, inspectionOf, missingFor } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import causal from '@/data/knowledge/causal.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import { slotWords } from './slot-words';
import {
  BEHAVIOUR_WORDS,
  CONDITION_WORDS,
  HEAT_WORDS,
  NOISE_WORDS,
  percent,
  REPAIR_WORDS,
  SPEAKER_WORDS,
} from './words';

const unit = ostrelFour as unknown as UnitDefinition;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));

describe('every value a person can choose has words', () => {
  test.each([
    ['behaviours', BEHAVIOURS, BEHAVIOUR_WORDS],
    ['conditions', CONDITIONS, CONDITION_WORDS],
    ['heats', HEATS, HEAT_WORDS],
    ['noises', NOISES, NOISE_WORDS],
    ['speakers', SPEAKERS, SPEAKER_WORDS],
    ['repairs', REPAIR_EFFECTS, REPAIR_WORDS],
  ] as [string, readonly string[], Record<string, unknown>][])('%s', (_, values, words) => {
    expect(new Set(Object.keys(words))).toEqual(new Set(values));
  });
});

describe('evidence in words', () => {
  test.each([
    ['lining:high', 'burnt', 'High clutch lining: burnt'],
    ['part:sun-shell', 'failed', 'Sun shell: failed'],
    ['band.air-test:band-2-4', 'no-apply', '2-4 band, air test: does not apply'],
    ['planetary.pins:front', 'blue', 'Front planetary, planet pins: blue'],
    ['pump.tip:pump-gears', 'over', 'Pump gears, tip clearance: over its limit'],
    ['debris.fibre', 'heavy', 'Debris, fibre, black mud: heavy'],
    ['replaced:solenoid-s2', 'nothing', /renewed before: nothing$/],
    ['grid', 'complaint', 'The complaint grid'],
  ])('%s %s', (point, level, words) =>
    expect(factWords(inspection, { point, level })).toEqual(
      typeof words === 'string' ? words : expect.stringMatching(words),
    ),
  );
  test('no point of the knowledge is shown by its bare id', () => {
    for (const { point, levels } of causal.observations) {
      const concrete = point
        .replace('$e', 'high')
        .replace('$p', 'filter')
        .replace('$s', 'S1')
        .replace('$g', 'front');
      const words = factWords(inspection, { point: concrete, level: Object.keys(levels)[0]! });
      expect(words.split(': ')[0]).not.toMatch(/[a-z]-[a-z]+:|\$/);
      expect(words.charAt(0)).toBe(words.charAt(0).toUpperCase());
    }
  });
  test('a share that is not nothing is never shown as nothing', () => {
    expect([0, 0.001, 0.004999, 0.005, 0.5, 1].map(percent)).toEqual([
      '0 %',
      '< 1 %',
      '< 1 %',
      '1 %',
      '50 %',
      '100 %',
    ]);
  });
});

describe('slots in words', () => {
  test.each([
    ['part.sun-shell.condition', 'Sun shell'],
    ['face.high.2.a.heat', 'High clutch, friction 1, piston side, face'],
    ['element.band-2-4.drum', '2-4 band, drum surface it ran on'],
    ['element.high.air-test', 'High clutch, air test'],
    ['grid.D2.shop', 'D2 in the complaint grid'],
    ['solenoid.S1.resistance', 'Shift solenoid S1, resistance'],
    ['scope.policy.overhaul', 'shop policy'],
    ['unit.fluid.colour', 'Fluid at intake, colour'],
  ])('%s is "%s"', (slot, words) => expect(slotWords(inspection, slot)).toBe(words));
});

describe('what a stage still lacks', () => {
  const lacks = (stage: Parameters<typeof missingFor>[0], values: Record<string, Json>) =>
    missingFor(stage, inspection, stateFromValues(values));
  const full: Record<string, Json> = {
    'customer.name': 'Ada',
    'vehicle.make': 'Veldt',
    'complaint.words': 'slips',
    'grid.D2.shop': { any: { behaviours: ['slips'] } },
    'unit.fluid.level': { is: 'full' },
    'unit.fluid.colour': { is: 'red' },
    'codes.scan': 'none',
  };
  test('a whole intake lacks nothing, each gap is named', () => {
    expect(lacks('intake', full)).toBeNull();
    for (const slot of Object.keys(full)) {
      const { [slot]: _, ...rest } = full;
      expect(lacks('intake', rest)).not.toBeNull();
    }
  });
  test('a bare unit needs neither vehicle nor grid', () => {
    const bare = Object.fromEntries(
      Object.entries(full).filter(([s]) => s !== 'vehicle.make' && s !== 'grid.D2.shop'),
    );
    expect(lacks('intake', bare)).not.toBeNull();
    expect(lacks('intake', { ...bare, 'vehicle.bare': true })).toBeNull();
  });
  test('a teardown lacks stations until all are out', () => {
    const out = Object.fromEntries(unit.stations.map((s): [string, Json] => [`station.${s.id}.out`, true]));
    const seen: Record<string, Json> = {
      'part.filter.pleats': { is: 'clear' },
      'unit.debris.grey-paste': { is: { sump: 'trace' } },
      'unit.debris.fibre': { is: { sump: 'none' } },
    };
    expect(lacks('teardown', { ...out, ...seen })).toBeNull();
    expect(lacks('teardown', { ...out, ...seen, 'station.pan.out': false })).toContain('stations');
    for (const slot of Object.keys(seen)) {
      const { [slot]: _, ...rest } = seen;
      expect(lacks('teardown', { ...out, ...rest })).toMatch(/pleats|paste|fibre/);
    }
  });
  test('a second look counts as one', () =>
    expect(lacks('teardown', { 'part.filter.pleats.again': { is: 'clear' } })).not.toContain('pleats'));
  test('a unit that works as it should lacks nothing further', () => {
    const works = { ...full, 'unit.checks.outcome': { is: 'works' } };
    for (const stage of ['intake', 'suspects', 'teardown', 'cause', 'scope'] as const)
      expect(lacks(stage, works)).toBeNull();
    expect(lacks('teardown', { ...full, 'unit.checks.outcome': { is: 'as-told' } })).not.toBeNull();
  });
});

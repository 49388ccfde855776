import {
  BEHAVIOURS,
  CONDITIONS,
  DEBRIS_KINDS,
  DEBRIS_PLACES,
  REPAIR_EFFECTS,
  SLOT_FAMILIES,
  stateFromValues,
} from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import causal from '@/data/knowledge/causal.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import { missingFor } from './missing';
import { slotStage, slotWords } from './slot-words';
import {
  BEHAVIOUR_WORDS,
  CONDITION_WORDS,
  DEBRIS_WORDS,
  evidenceWords,
  percent,
  PLACE_WORDS,
  REPAIR_WORDS,
} from './words';

const unit = ostrelFour as unknown as UnitDefinition;

describe('every value a person can choose has words', () => {
  test.each([
    ['behaviours', BEHAVIOURS, BEHAVIOUR_WORDS],
    ['conditions', CONDITIONS, CONDITION_WORDS],
    ['debris', DEBRIS_KINDS, DEBRIS_WORDS],
    ['places', DEBRIS_PLACES, PLACE_WORDS],
    ['repairs', REPAIR_EFFECTS, REPAIR_WORDS],
  ] as [string, readonly string[], Record<string, unknown>][])('%s', (_, values, words) => {
    expect(new Set(Object.keys(words))).toEqual(new Set(values));
  });
});

describe('evidence in words', () => {
  test.each([
    ['lining:high', 'burnt', 'High clutch lining: burnt'],
    ['part:sun-shell', 'failed', 'Sun shell: failed'],
    ['airtest:band-2-4', 'no-apply', '2-4 band air test: no apply'],
    ['debris:fibre', 'heavy', 'Fibre, black mud debris: heavy'],
    ['replaced:solenoid-s2', 'nothing', /renewed before: nothing$/],
    ['grid', 'complaint', 'The complaint grid'],
  ])('%s %s', (point, level, words) =>
    expect(evidenceWords(unit, { point, level })).toEqual(
      typeof words === 'string' ? words : expect.stringMatching(words),
    ),
  );
  test('no point of the knowledge is shown by its bare id', () => {
    for (const { point, levels } of causal.observations) {
      const concrete = point.replace('$e', 'high').replace('$p', 'filter').replace('$s', 'S1');
      const words = evidenceWords(unit, { point: concrete, level: Object.keys(levels)[0]! });
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
    ['part.sun-shell', 'sun shell'],
    ['plate.high.2.a', 'high clutch lining'],
    ['band.band-2-4.drum', '2-4 band lining'],
    ['airtest.high', 'high clutch air test'],
    ['grid.D2', 'D2 in the grid'],
    ['solenoid.S1', 'solenoid S1'],
    ['scope.policy.overhaul', 'shop policy'],
    ['fluid.colour', 'fluid colour'],
  ])('%s is "%s"', (slot, words) => expect(slotWords(unit, slot)).toBe(words));
  test('a link to a finding leads where the finding is written', () => {
    const own: Record<string, string> = {};
    for (const family of SLOT_FAMILIES) own[family.pattern] = slotStage(family.pattern.replaceAll('*', 'x'));
    for (const family of SLOT_FAMILIES) {
      if (['photo.*', 'thickness.*.*'].includes(family.pattern)) continue;
      expect([family.pattern, own[family.pattern]]).toEqual([family.pattern, family.stage]);
    }
  });
});

describe('what a stage still lacks', () => {
  const lacks = (stage: Parameters<typeof missingFor>[0], values: Record<string, Json>) =>
    missingFor(stage, { state: stateFromValues(values), unit });
  const full: Record<string, Json> = {
    'customer.name': 'Ada',
    'vehicle.make': 'Veldt',
    'complaint.words': 'slips',
    'grid.D2': { behaviours: ['slips'], when: [], source: 'shop' },
    'fluid.level': 'full',
    'fluid.colour': 'red',
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
      Object.entries(full).filter(([s]) => s !== 'vehicle.make' && s !== 'grid.D2'),
    );
    expect(lacks('intake', bare)).not.toBeNull();
    expect(lacks('intake', { ...bare, 'vehicle.bare': true })).toBeNull();
  });
  test('a teardown lacks stations until all are out', () => {
    const out = Object.fromEntries(unit.stations.map((s): [string, Json] => [`station.${s.id}.out`, true]));
    expect(lacks('teardown', { ...out, 'filter.state': 'clear' })).toBeNull();
    expect(lacks('teardown', { ...out, 'filter.state': 'clear', 'station.pan.out': false })).toContain(
      'stations',
    );
  });
});

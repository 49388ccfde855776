import { readFileSync } from 'node:fs';
import { familyOf, findingsOf, recordStage, SLOT_FAMILIES, stateFromValues } from './index';
import { STAGES } from '@/core/stage';
import { caseUntil, stageReached, stateOfCase, summaryOf } from './index';
import type { CaseDocument, Json } from './index';

const document = (findings: CaseDocument['findings'], history?: CaseDocument['history']): CaseDocument => ({
  format: 'pelvik-case/2',
  unit: 'ostrel-four',
  findings,
  ...(history ? { history } : {}),
});
/** As the catalogue has it for the slots used here. */
const stageOf = (slot: string) =>
  /^(part|solenoid)\./.test(slot) ? ('teardown' as const) : (recordStage(slot) ?? ('intake' as const));
const entry = (seq: number, slot: string, value: Json) => ({
  id: `entry-${String(seq).padStart(4, '0')}`,
  seq,
  by: 'Mira',
  at: '2026-02-03T08:00:00.000Z',
  slot,
  value,
});

describe('slots', () => {
  test.each([
    ['grid.D2.shop', 'intake'],
    ['station.pan.out', 'teardown'],
    ['history.repair.r-1', 'intake'],
    ['cause.commit', 'cause'],
    ['scope.line.part-filter', 'scope'],
  ])('%s belongs to %s', (slot, stage) => expect(recordStage(slot)).toBe(stage));
  test.each([
    'grid',
    'grid.D2.x',
    'part.filter.pleats',
    'grid.D2',
    'grid.',
    'grid.D 2',
    `grid.${'x'.repeat(81)}`,
    '__proto__',
    '',
  ])('"%s" is none', (slot) => expect(familyOf(slot)).toBeNull());
  test('every family has a pattern of its own and a stage of the work', () => {
    const patterns = SLOT_FAMILIES.map((f) => f.pattern);
    expect(new Set(patterns).size).toBe(patterns.length);
    for (const f of SLOT_FAMILIES) expect(STAGES).toContain(f.stage);
  });
  test('every family stands in the published table, with its stage, and nothing else does', () => {
    const listed = readFileSync('docs/formats/case.md', 'utf8').matchAll(/^\| `([^`]+)` +\| (\w+) /gm);
    const table = Object.fromEntries([...listed].map(([, pattern, stage]) => [pattern, stage]));
    expect(table).toEqual(Object.fromEntries(SLOT_FAMILIES.map((f) => [f.pattern, f.stage])));
  });
});

describe('a case', () => {
  test('is its findings when it has no history, and its history when it has one', () => {
    expect(
      stateOfCase(document([{ slot: 'unit.fluid.level', value: 'low' }]))['unit.fluid.level']!.value,
    ).toBe('low');
    const written = stateOfCase(
      document(
        [],
        [
          entry(1, 'unit.fluid.level', 'low'),
          entry(3, 'unit.fluid.level', null),
          entry(2, 'unit.fluid.level', 'full'),
        ],
      ),
    );
    expect(written).toEqual({});
  });
  test('keeps who and when from its history', () => {
    expect(stateOfCase(document([], [entry(1, 'unit.fluid.level', 'low')]))['unit.fluid.level']).toEqual({
      value: 'low',
      seq: 1,
      by: 'Mira',
      at: '2026-02-03T08:00:00.000Z',
    });
  });
  test('up to a stage leaves out what was found later, a finding’s own stage before its slot’s', () => {
    const whole = document([
      { slot: 'unit.fluid.level', value: 'low' },
      { slot: 'part.converter.lining', value: { is: 'gone' }, stage: 'cause' },
      { slot: 'solenoid.S1.resistance', value: { is: 24, temperatureC: 20 }, stage: 'intake' },
      { slot: 'part.filter.pleats', value: { is: 'blocked' } },
    ]);
    const slots = (stage: 'intake' | 'teardown' | 'cause') =>
      caseUntil(whole, stage, STAGES, stageOf).findings.map((f) => f.slot);
    expect(slots('intake')).toEqual(['unit.fluid.level', 'solenoid.S1.resistance']);
    expect(slots('teardown')).toEqual(['unit.fluid.level', 'solenoid.S1.resistance', 'part.filter.pleats']);
    expect(slots('cause')).toHaveLength(4);
  });
  test('cuts its history the same way', () => {
    const whole = document(
      [],
      [entry(1, 'unit.fluid.level', 'low'), entry(2, 'part.filter.pleats', { is: 'clear' })],
    );
    expect(caseUntil(whole, 'intake', STAGES, stageOf).history!.map((e) => e.slot)).toEqual([
      'unit.fluid.level',
    ]);
  });
  test('an entry belongs to the stage its finding was given', () => {
    const whole = document(
      [{ slot: 'part.filter.pleats', value: { is: 'clear' }, stage: 'intake' }],
      [entry(1, 'part.filter.pleats', { is: 'clear' }), entry(2, 'unit.fluid.level', 'low')],
    );
    const kept = caseUntil(whole, 'intake', STAGES, stageOf);
    expect(kept.history!.map((e) => e.seq)).toEqual([1, 2]);
    expect(kept).toMatchObject({ format: 'pelvik-case/2', unit: 'ostrel-four' });
    expect(caseUntil(document([]), 'intake', STAGES, stageOf).history).toBeUndefined();
  });
  test('its history goes before its findings', () => {
    const both = document(
      [{ slot: 'unit.fluid.level', value: 'low' }],
      [entry(1, 'unit.fluid.level', 'full')],
    );
    expect(stateOfCase(both)['unit.fluid.level']!.value).toBe('full');
  });
  test('lists findings in slot order with their stage', () => {
    const state = stateFromValues({
      'part.filter.pleats': { is: 'clear' },
      'unit.fluid.level': { is: 'full' },
    });
    expect(findingsOf(state, stageOf)).toEqual([
      { slot: 'part.filter.pleats', value: { is: 'clear' }, stage: 'teardown' },
      { slot: 'unit.fluid.level', value: { is: 'full' }, stage: 'intake' },
    ]);
  });
});

describe('what the board shows', () => {
  test('vehicle, words and progress', () => {
    const summary = summaryOf(
      stateFromValues({
        'customer.name': 'Ada',
        'vehicle.make': 'Veldt',
        'vehicle.year': 2011,
        'complaint.words': 'slips',
        'station.pan.out': true,
        'station.servo.out': true,
      }),
    );
    expect(summary).toMatchObject({
      customer: 'Ada',
      vehicle: 'Veldt 2011',
      complaint: 'slips',
      stationsOut: 2,
    });
    expect(summary.promised).toBeNull();
  });
  test('a promise and what it waits for, and stations that are really out', () => {
    const values = {
      'vehicle.model': 'Tolland',
      'job.promised': '2026-05-06',
      'job.waitsFor': 'part',
      'station.pan.out': true,
      'station.servo.out': false,
    };
    expect(summaryOf(stateFromValues(values))).toEqual({
      customer: '',
      vehicle: 'Tolland',
      complaint: '',
      promised: '2026-05-06',
      waitsFor: 'part',
      stationsOut: 1,
    });
    expect(summaryOf({}).waitsFor).toBeNull();
  });
  test('a bare unit has no vehicle, an empty job says so', () => {
    expect(summaryOf(stateFromValues({ 'vehicle.bare': true, 'vehicle.make': 'Veldt' })).vehicle).toBe(
      'Bare unit',
    );
    expect(summaryOf({}).vehicle).toBe('Vehicle not recorded');
  });
  const TWO = [{ id: 'pan' }, { id: 'servo' }];
  test.each<[Record<string, Json>, 'none' | 'open' | 'accepted', string]>([
    [{}, 'none', 'intake'],
    [{ 'unit.fluid.level': { is: 'low' } }, 'none', 'intake'],
    [{ 'grid.D2.shop': { any: { behaviours: ['slips'] } } }, 'none', 'suspects'],
    [{ 'station.pan.out': true }, 'none', 'teardown'],
    [{ 'station.pan.out': true, 'station.servo.out': true }, 'none', 'cause'],
    [{ 'station.pan.out': true, 'station.servo.out': false }, 'none', 'teardown'],
    [{ 'station.pan.out': true, 'station.servo.out': true, 'station.gone.out': true }, 'none', 'cause'],
    [{ 'station.pan.out': true, 'station.gone.out': true }, 'none', 'teardown'],
    [
      { 'part.filter.pleats': { is: 'clear' }, 'grid.D2.shop': { any: { behaviours: ['slips'] } } },
      'none',
      'teardown',
    ],
    [{ 'cause.words': 'thought about' }, 'none', 'intake'],
    [{ 'cause.commit': { cause: 'overload', reason: '' } }, 'none', 'scope'],
    [{ 'scope.policy.overhaul': 'full' }, 'none', 'scope'],
    [{}, 'open', 'quote'],
    [{}, 'accepted', 'build'],
  ])('%j with quote %s has reached %s', (values, quote, stage) =>
    expect(stageReached(stateFromValues(values), TWO, quote, stageOf)).toBe(stage),
  );
  test('a unit without stations is not apart before anything was done', () => {
    expect(stageReached({}, [], 'none', stageOf)).toBe('intake');
  });
});

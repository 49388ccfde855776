import { familyOf, findingsOf, SLOT_FAMILIES, stageOfSlot, STAGES, stateFromValues } from './index';
import { caseUntil, stageReached, stateOfCase, summaryOf } from './index';
import type { CaseDocument, Json } from './index';

const document = (findings: CaseDocument['findings'], history?: CaseDocument['history']): CaseDocument => ({
  format: 'pelvik-case/1',
  unit: 'ostrel-four',
  findings,
  ...(history ? { history } : {}),
});
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
    ['fluid.level', 'intake'],
    ['grid.D2', 'intake'],
    ['plate.high.2.a', 'teardown'],
    ['history.repair.r-1', 'intake'],
    ['cause.commit', 'cause'],
    ['scope.line.part-filter', 'scope'],
  ])('%s belongs to %s', (slot, stage) => expect(stageOfSlot(slot)).toBe(stage));
  test.each([
    'grid',
    'grid.D2.x',
    'plate.high.2',
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
});

describe('a case', () => {
  test('is its findings when it has no history, and its history when it has one', () => {
    expect(stateOfCase(document([{ slot: 'fluid.level', value: 'low' }]))['fluid.level']!.value).toBe('low');
    const written = stateOfCase(
      document(
        [],
        [entry(1, 'fluid.level', 'low'), entry(3, 'fluid.level', null), entry(2, 'fluid.level', 'full')],
      ),
    );
    expect(written).toEqual({});
  });
  test('keeps who and when from its history', () => {
    expect(stateOfCase(document([], [entry(1, 'fluid.level', 'low')]))['fluid.level']).toEqual({
      value: 'low',
      seq: 1,
      by: 'Mira',
      at: '2026-02-03T08:00:00.000Z',
    });
  });
  test('up to a stage leaves out what was found later, a finding’s own stage before its slot’s', () => {
    const whole = document([
      { slot: 'fluid.level', value: 'low' },
      { slot: 'converter.lining', value: 'gone', stage: 'cause' },
      { slot: 'solenoid.S1', value: { ohm: 24, temperatureC: 20 }, stage: 'intake' },
      { slot: 'filter.state', value: 'blocked' },
    ]);
    const slots = (stage: 'intake' | 'teardown' | 'cause') =>
      caseUntil(whole, stage, STAGES).findings.map((f) => f.slot);
    expect(slots('intake')).toEqual(['fluid.level', 'solenoid.S1']);
    expect(slots('teardown')).toEqual(['fluid.level', 'solenoid.S1', 'filter.state']);
    expect(slots('cause')).toHaveLength(4);
  });
  test('cuts its history the same way', () => {
    const whole = document([], [entry(1, 'fluid.level', 'low'), entry(2, 'filter.state', 'clear')]);
    expect(caseUntil(whole, 'intake', STAGES).history!.map((e) => e.slot)).toEqual(['fluid.level']);
  });
  test('an entry belongs to the stage its finding was given', () => {
    const whole = document(
      [{ slot: 'filter.state', value: 'clear', stage: 'intake' }],
      [entry(1, 'filter.state', 'clear'), entry(2, 'fluid.level', 'low')],
    );
    const kept = caseUntil(whole, 'intake', STAGES);
    expect(kept.history!.map((e) => e.seq)).toEqual([1, 2]);
    expect(kept).toMatchObject({ format: 'pelvik-case/1', unit: 'ostrel-four' });
    expect(caseUntil(document([]), 'intake', STAGES).history).toBeUndefined();
  });
  test('its history goes before its findings', () => {
    const both = document([{ slot: 'fluid.level', value: 'low' }], [entry(1, 'fluid.level', 'full')]);
    expect(stateOfCase(both)['fluid.level']!.value).toBe('full');
  });
  test('lists findings in slot order with their stage', () => {
    const state = stateFromValues({ 'filter.state': 'clear', 'fluid.level': 'full' });
    expect(findingsOf(state)).toEqual([
      { slot: 'filter.state', value: 'clear', stage: 'teardown' },
      { slot: 'fluid.level', value: 'full', stage: 'intake' },
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
  test.each<[Record<string, Json>, 'none' | 'open' | 'accepted', string]>([
    [{}, 'none', 'intake'],
    [{ 'fluid.level': 'low' }, 'none', 'intake'],
    [{ 'grid.D2': { behaviours: ['slips'], when: [], source: 'shop' } }, 'none', 'suspects'],
    [{ 'station.pan.out': true }, 'none', 'teardown'],
    [{ 'station.pan.out': true, 'station.servo.out': true }, 'none', 'cause'],
    [{ 'station.pan.out': true, 'station.servo.out': false }, 'none', 'teardown'],
    [{ 'station.a.out': true, 'station.b.out': true, 'station.c.out': true }, 'none', 'cause'],
    [{ 'filter.state': 'clear', 'grid.D2': { behaviours: ['slips'] } }, 'none', 'teardown'],
    [{ 'cause.words': 'thought about' }, 'none', 'intake'],
    [{ 'cause.commit': { cause: 'overload', reason: '' } }, 'none', 'scope'],
    [{ 'scope.policy.overhaul': 'full' }, 'none', 'scope'],
    [{}, 'open', 'quote'],
    [{}, 'accepted', 'build'],
  ])('%j with quote %s has reached %s', (values, quote, stage) =>
    expect(stageReached(stateFromValues(values), 2, quote)).toBe(stage),
  );
  test('a unit without stations is not apart before anything was done', () => {
    expect(stageReached({}, 0, 'none')).toBe('intake');
  });
});

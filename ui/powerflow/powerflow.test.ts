import { solveGear } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { healthyTable, predict } from '@/core/suspects';
import { shippedUnits } from '@/data/shipped';
import { cycled, halfLoad, toggled, without } from './fault-list';
import { HEIGHT, LABEL, ladder, PAD } from './ladder-layout';
import { marginIn } from './margin';
import { outcomeWords, predictionWords } from './words';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const four = unitOf('ostrel-four');
const hadric = unitOf('hadric-five');

describe('faults taken round by touching', () => {
  test('a clutch: lost, stuck, slipping at half its load, whole', () => {
    let faults: Fault[] = [];
    const kinds = [1, 2, 3, 4].map(() => {
      faults = cycled(four, faults, 'high');
      return faults[0]?.kind ?? 'whole';
    });
    expect(kinds).toEqual(['lost', 'stuck', 'slip', 'whole']);
  });
  test('a one-way clutch has no lining to slip', () => {
    const stuck: Fault[] = [{ kind: 'stuck', element: 'low-owc' }];
    expect(cycled(four, stuck, 'low-owc')).toEqual([]);
  });
  test('others stay as they are, and one element never has two faults', () => {
    const broken: Fault = { kind: 'break', part: 'sun-shell' };
    const faults = cycled(four, cycled(four, [broken], 'high'), 'high');
    expect(faults).toEqual([broken, { kind: 'stuck', element: 'high' }]);
    expect(without(faults, { kind: 'slip', element: 'high', capacityNm: 1 })).toEqual([broken]);
  });
  test('a part is broken and made whole', () => {
    const broken: Fault = { kind: 'break', part: 'sun-shell' };
    expect(toggled([], broken)).toEqual([broken]);
    expect(toggled([broken], broken)).toEqual([]);
  });
  test('half the load lets it slip in the gear that asks most, and hold where less than half is asked', () => {
    const capacityNm = halfLoad(four, 'low-reverse');
    const fault: Fault = { kind: 'slip', element: 'low-reverse', capacityNm };
    expect(solveGear(four, 'R', [fault]).outcome).toBe('slip');
    for (const unit of shippedUnits)
      for (const e of unit.elements.filter((x) => x.pack || x.band))
        expect(halfLoad(unit, e.id)).toBeGreaterThanOrEqual(0);
  });
});

describe('in words', () => {
  const says = (unit = four, gear: string, faults: Fault[] = []) =>
    outcomeWords(unit, solveGear(unit, gear, faults), faults);
  test.each<[string, string, Fault[]]>([
    ['D2', 'Drives at 1.637 : 1; freewheels on the overrun.', []],
    ['L2', 'Drives at 1.637 : 1; the engine brakes.', []],
    ['N', 'No drive, as it should be.', []],
    ['R', 'No drive.', [{ kind: 'lost', element: 'reverse' }]],
    [
      'P',
      'Drives at 3.086 : 1, against the parking pawl; freewheels on the overrun.',
      [{ kind: 'stuck', element: 'forward' }],
    ],
    [
      'D4',
      'High clutch slips. Let go, it would drive at 1.637 : 1.',
      [{ kind: 'slip', element: 'high', capacityNm: 50 }],
    ],
  ])('%s: %s', (gear, words, faults) => expect(says(four, gear, faults)).toBe(words));
  test('a tie-up names who fights, who gives way and at what torque', () => {
    const stuck: Fault[] = [{ kind: 'stuck', element: 'C4R' }];
    expect(says(hadric, 'D1', stuck)).toMatch(
      /^Ties up: the engine bogs and stalls \(C1 against DOG-F against C4-R\); first clutch would slip at \d+ N·m\.$/,
    );
    expect(says(hadric, 'D3', stuck)).toMatch(
      /^Ties up: third clutch gives way and slips .*; \d+ N·m drag it round\.$/,
    );
  });
  test('every prediction of every fault of every unit has words', () => {
    for (const unit of shippedUnits) {
      const healthy = healthyTable(unit);
      for (const e of unit.elements)
        for (const kind of ['lost', 'stuck'] as const) {
          const faults: Fault[] = [{ kind, element: e.id }];
          for (const p of predict(unit, healthy, faults)) {
            const words = predictionWords(unit, p, faults);
            expect(words.length).toBeGreaterThan(4);
            expect(words).not.toMatch(/undefined|null|NaN/);
          }
        }
    }
  });
});

describe('the speed ladder', () => {
  test.each(shippedUnits.flatMap((u) => u.gears.map((g) => [u.id, g.key])))(
    '%s %s: names stand apart, in the order of the speeds, on the sheet',
    (id, key) => {
      const { rungs, floating, y } = ladder(unitOf(id!), key!, []);
      rungs.slice(1).forEach((r, k) => {
        expect(r.label - rungs[k]!.label).toBeGreaterThanOrEqual(LABEL - 1e-9);
        expect(r.speed).toBeLessThanOrEqual(rungs[k]!.speed);
      });
      for (const r of rungs) {
        expect(y(r.speed)).toBeGreaterThanOrEqual(PAD - 1e-9);
        expect(y(r.speed)).toBeLessThanOrEqual(HEIGHT + PAD + 1e-9);
        expect(r.label).toBeLessThanOrEqual(HEIGHT + PAD + 1e-9);
      }
      expect(rungs.length + floating.length).toBe(unitOf(id!).members.length);
    },
  );
});

test('a margin is given where both capacity and load are known', () => {
  expect(marginIn(four, 'D4', 'high', 1)!.margin).toBeCloseTo(1.27, 2);
  expect(marginIn(four, 'D4', 'high', 0)).toBeNull();
  expect(marginIn(four, 'D4', 'high', null)).toBeNull();
});

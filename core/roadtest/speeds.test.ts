import fc from 'fast-check';
import { shippedUnits } from '@/data/shipped';
import { gearOutcome } from '@/core/powerflow';
import { readSpeeds } from './index';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const fiveX = unitOf('ostrel-five-x');

test('third asked for, 2.70 measured: it is first, and slips by what is missing', () => {
  const reading = readSpeeds(fiveX, { gear: 'D3', inputRpm: 2700, outputRpm: 1000, engineRpm: 2820 });
  expect(reading.really).toBe('D1');
  expect(reading.expected).toBeCloseTo(1.5, 9);
  expect(reading.measured).toBeCloseTo(2.7, 9);
  expect(reading.slip).toBeCloseTo(1200, 6);
  expect(reading.converterSlip).toBe(120);
});

test('between two gears it is none of them', () => {
  expect(readSpeeds(fiveX, { gear: 'D3', inputRpm: 2000, outputRpm: 1000 }).really).toBeNull();
});

test('a standing output has no ratio, Neutral expects none, and an unknown gear neither', () => {
  expect(readSpeeds(fiveX, { gear: 'D1', inputRpm: 900, outputRpm: 0 })).toMatchObject({
    measured: null,
    slip: 900,
    really: null,
  });
  expect(readSpeeds(fiveX, { gear: 'N', inputRpm: 900, outputRpm: 0 })).toMatchObject({
    expected: null,
    slip: null,
  });
  expect(readSpeeds(fiveX, { gear: 'X9', inputRpm: 900, outputRpm: 300 }).expected).toBeNull();
});

test('in the unit’s forward sense Drive is positive and Reverse negative, whatever way its shafts turn', () => {
  for (const unit of shippedUnits) {
    const expected = (gear: string) => readSpeeds(unit, { gear, inputRpm: 1, outputRpm: 1 }).expected!;
    expect(expected('D1')).toBeGreaterThan(0);
    expect(expected('R')).toBeLessThan(0);
  }
  expect(readSpeeds(unitOf('hadric-five'), { gear: 'D1', inputRpm: 1, outputRpm: 1 }).expected).toBeCloseTo(
    2.8387,
    4,
  );
});

test('what a sound gear does is read as that gear, without slip', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...shippedUnits),
      fc.nat(),
      fc.integer({ min: 300, max: 6000 }),
      (unit, k, outputRpm) => {
        const gears = unit.gears.filter((g) => g.gear !== null || g.range === 'R');
        const { key } = gears[k % gears.length]!;
        const inputRpm = Math.abs(gearOutcome(unit, key).ratio!) * outputRpm;
        const reading = readSpeeds(unit, { gear: key, inputRpm, outputRpm });
        expect(reading.really).toBe(key);
        expect(reading.slip).toBeCloseTo(0, 6);
        expect(reading.measured).toBeCloseTo(Math.abs(reading.expected!), 9);
      },
    ),
  );
});

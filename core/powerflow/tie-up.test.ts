import { shippedUnits } from '@/data/shipped';
import { gearOf } from '@/core/unit';
import { capacity, explainTieUp, fullPressure, gearOutcome, solveGear } from './index';
import type { Fault } from './index';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const hadric = unitOf('hadric-five');
const STUCK: Fault[] = [{ kind: 'stuck', element: 'C4R' }];

describe('fourth clutch welded on a layshaft unit', () => {
  test('Neutral and Park drive at fourth, Park against its pawl; Reverse and fourth stay as they are', () => {
    for (const key of ['N', 'P'])
      expect(gearOutcome(hadric, key, STUCK).ratio).toBeCloseTo(gearOutcome(hadric, 'D4').ratio!, 12);
    expect(gearOutcome(hadric, 'P', STUCK).parkPawl).toBe('driven');
    expect(gearOutcome(hadric, 'R', STUCK).ratio).toBeCloseTo(gearOutcome(hadric, 'R').ratio!, 12);
  });
  test('the other forward gears tie up, against the clutch of each; what is welded never gives way', () => {
    for (const [key, clutch] of [
      ['D1', 'C1'],
      ['D2', 'C2'],
      ['D3', 'C3'],
      ['D5', 'C5'],
    ] as const) {
      const { fighting, weakest } = explainTieUp(hadric, gearOf(hadric, key), STUCK);
      expect(fighting).toEqual(expect.arrayContaining([clutch, 'C4R']));
      expect(weakest).toBe(clutch);
    }
  });
  test('from rest the engine stalls against more than it brings; a weak clutch slips instead', () => {
    const first = gearOf(hadric, 'D1');
    expect(explainTieUp(hadric, first, STUCK).feel).toBe('stalls');
    const weak = structuredClone(hadric);
    weak.elements.find((e) => e.id === 'C1')!.pack!.pistonArea = 0.001;
    expect(explainTieUp(weak, first, STUCK).feel).toBe('slips');
  });
  test('the torque that drags the weakest round is capacity × slip per turn of the input', () => {
    const gear = gearOf(hadric, 'D2');
    const { weakest, dragNm } = explainTieUp(hadric, gear, STUCK);
    const { speeds } = solveGear(hadric, 'D2', [...STUCK, { kind: 'lost', element: weakest! }]);
    const element = hadric.elements.find((e) => e.id === weakest)!;
    const slip = Math.abs(speeds[element.a]! - speeds[element.b]!);
    expect(dragNm).toBeCloseTo(capacity(element, fullPressure(hadric, gear), { gear: 'D2' }) * slip, 9);
  });
});

test('letting any of those that fight go frees the gear', () => {
  for (const unit of shippedUnits)
    for (const element of unit.elements)
      for (const gear of unit.gears) {
        const faults: Fault[] = [{ kind: 'stuck', element: element.id }];
        if (gearOutcome(unit, gear.key, faults).outcome !== 'tie-up') continue;
        const { fighting } = explainTieUp(unit, gear, faults);
        expect(fighting).toContain(element.id);
        for (const id of fighting.filter((x) => x !== element.id))
          expect(gearOutcome(unit, gear.key, [...faults, { kind: 'lost', element: id }]).outcome).not.toBe(
            'tie-up',
          );
      }
});

import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { marksOf } from './marks';

const unit = ostrelFour as unknown as UnitDefinition;
const marks = (values: Record<string, Json>) => marksOf(unit, stateFromValues(values));

test('nobody looked: no device says it is sound', () => {
  for (const mark of Object.values(marks({}))) expect(mark.condition).toBeUndefined();
});
test('out of the case is not looked at', () => {
  const { high } = marks({ 'station.reverse-drum.out': true });
  expect(high).toEqual({ condition: undefined, out: true });
});
test.each<[string, Json, string, string]>([
  ['plate.high.2.a', 'charred', 'high', 'failed'],
  ['plate.high.2.a', 'darkened', 'high', 'worn'],
  ['plate.high.2.a', 'sound', 'high', 'sound'],
  ['band.band-2-4.lining', 'torn', 'band-2-4', 'failed'],
  ['part.pump-cover', { grade: 'failed' }, 'pump', 'failed'],
  ['part.pump-gears', { grade: 'marked' }, 'pump', 'worn'],
  ['converter.lining', 'gone', 'converter', 'failed'],
  ['converter.lining', 'intact', 'converter', 'sound'],
])('%s %j marks %s %s', (slot, value, device, condition) =>
  expect(marks({ [slot]: value })[device]!.condition).toBe(condition),
);
test('a failed part outweighs a sound lining', () => {
  const { high } = marks({ 'plate.high.2.a': 'sound', 'part.high-drum': { grade: 'failed' } });
  expect(high!.condition).toBe('failed');
});
test('damage made in the takedown is no finding', () => {
  expect(marks({ 'part.pump-cover': { grade: 'takedown' } }).pump!.condition).toBeUndefined();
});
test('a broken sun shell shows at the set it splits from', () => {
  const all = marks({ 'part.sun-shell': { grade: 'failed' } });
  expect(Object.entries(all).filter(([, m]) => m.condition === 'failed').length).toBeGreaterThan(0);
});

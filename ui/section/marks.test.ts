import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { marksOf } from './marks';

const unit = ostrelFour as unknown as UnitDefinition;
const marks = (values: Record<string, Json>) =>
  marksOf(inspectionOf(unit, catalogueOf(knowledge.inspection)), stateFromValues(values));

test('nobody looked: no device says it is sound', () => {
  for (const mark of Object.values(marks({}))) expect(mark.condition).toBeUndefined();
});
test('out of the case is not looked at', () => {
  const { high } = marks({ 'station.reverse-drum.out': true });
  expect(high).toEqual({ condition: undefined, out: true });
});
test.each<[string, Json, string, string]>([
  ['face.high.2.a.heat', { is: 'charred' }, 'high', 'failed'],
  ['face.high.2.a.heat', { is: 'darkened' }, 'high', 'worn'],
  ['face.high.2.a.heat', { is: 'sound' }, 'high', 'sound'],
  ['element.band-2-4.lining', { is: 'torn' }, 'band-2-4', 'failed'],
  ['part.pump-cover.condition', { is: 'failed' }, 'pump', 'failed'],
  ['part.pump-gears.condition', { is: 'marked' }, 'pump', 'worn'],
  ['part.converter.lining', { is: 'gone' }, 'converter', 'failed'],
  ['part.converter.lining', { is: 'intact' }, 'converter', 'sound'],
])('%s %j marks %s %s', (slot, value, device, condition) =>
  expect(marks({ [slot]: value })[device]!.condition).toBe(condition),
);
test('a failed part outweighs a sound lining', () => {
  const { high } = marks({
    'face.high.2.a.heat': { is: 'sound' },
    'part.high-drum.condition': { is: 'failed' },
  });
  expect(high!.condition).toBe('failed');
});
test('damage made in the takedown is no finding', () => {
  expect(marks({ 'part.pump-cover.condition': { is: 'takedown' } }).pump!.condition).toBeUndefined();
});
test('a broken sun shell shows at the set it splits from', () => {
  const all = marks({ 'part.sun-shell.condition': { is: 'failed' } });
  expect(Object.entries(all).filter(([, m]) => m.condition === 'failed').length).toBeGreaterThan(0);
});

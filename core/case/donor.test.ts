import { isDonor } from './donor';
import type { Json } from './entry';
import { stateFromValues } from './fold';

test('a donor is a unit without a vehicle whose origin is told', () => {
  const told = (values: Record<string, Json>) => isDonor(stateFromValues(values));
  expect(told({ 'vehicle.bare': true, 'unit-source.from': 'A breaker' })).toBe(true);
  expect(told({ 'vehicle.bare': true })).toBe(false);
  expect(told({ 'unit-source.from': 'A breaker' })).toBe(false);
});

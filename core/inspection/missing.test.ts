import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import { catalogueOf, inspectionOf, missingFor } from './index';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const inspection = inspectionOf(unit, catalogueOf(data));
const missing = (stage: 'intake' | 'teardown' | 'cause', values: Record<string, Json>) =>
  missingFor(stage, inspection, stateFromValues(values));

test('what a stage lacks is one sentence, its parts in mid-sentence', () => {
  const words = missing('teardown', {})!;
  expect(words).toMatch(/^[^.]+\.$/);
  expect(words.split('; ').length).toBeGreaterThan(1);
  expect(missing('intake', {})).toMatch(/\.$/);
});

test('a station that is out is no longer lacking', () => {
  const out = Object.fromEntries(unit.stations.map((s) => [`station.${s.id}.out`, true]));
  const [before, after] = [missing('teardown', {})!, missing('teardown', out) ?? ''];
  expect(after.length).toBeLessThan(before.length);
});

test('a unit that works as it should is not opened: nothing lacks but at the intake', () => {
  const works = { 'unit.checks.outcome': { is: 'works' } };
  expect(missing('teardown', works)).toBeNull();
  expect(missing('cause', works)).toBeNull();
  expect(missing('intake', works)).not.toBeNull();
  const fails = { 'unit.checks.outcome': { is: 'confirmed' } };
  expect(missing('teardown', fails)).not.toBeNull();
});

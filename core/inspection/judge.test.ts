import type { Finding } from '@/core/case';
import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import { catalogueOf } from './catalogue';
import { inspectionOf } from './inspection';
import { judge, measure } from './judge';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const inspection = inspectionOf(four, catalogueOf(data));
const said = (slot: string, finding: Finding) => {
  const { subject, point } = inspection.named(slot)!;
  return { judged: judge(four, subject, point, finding), read: measure(four, subject, point.point, finding) };
};

test('a finding says its level; what could not be judged, or was our own doing, says nothing', () => {
  expect(said('part.sun-shell.crack', { is: 'seen' }).judged).toEqual({ level: 'seen', severity: 3 });
  expect(said('part.sun-shell.crack', { is: 'cannot-tell' }).judged).toBeNull();
  expect(said('part.sun-shell.crack', { is: 'takedown' }).judged).toBeNull();
});

test('a number is read in SI beside its limit; what is none is not read', () => {
  expect(said('element.high.clearance', { is: 1 }).read).toMatchObject({ level: 'in', value: 0.001 });
  expect(said('element.high.clearance', { is: 'cannot-tell' }).read).toBeNull();
  expect(said('part.sun-shell.crack', { is: 'seen' }).read).toBeNull();
  expect(said('solenoid.S1.resistance', { is: 24 }).read).toBeNull();
});

import { FRICTION_GRADES, STEEL_GRADES } from '@/core/case';
import { severityOf } from '@/core/evidence';
import { faceFill } from './face-patterns';
import { BRUSHES, brushOf, gradeFor } from './palette';

test('every grade of a lining and of a steel has one brush', () => {
  for (const grade of FRICTION_GRADES) expect(BRUSHES.filter((b) => b.friction === grade)).toHaveLength(1);
  for (const grade of STEEL_GRADES) expect(BRUSHES.filter((b) => b.steel === grade)).toHaveLength(1);
});
test('each brush has a key of its own', () => {
  expect(new Set(BRUSHES.map((b) => b.key)).size).toBe(BRUSHES.length);
});
test('what a brush paints is read back as that brush', () => {
  for (const brush of BRUSHES) {
    for (const kind of ['friction', 'steel', 'backing'] as const)
      expect(brushOf(gradeFor(brush, kind), kind)).toBe(brush);
  }
});
test('the brushes get worse in order, as the reasoning grades them', () => {
  const graded = BRUSHES.filter((b) => b.severity >= 0);
  const linings = graded.map((b) => severityOf(b.friction)!);
  expect(linings).toEqual([...linings].sort((a, b) => a - b));
  expect(severityOf(BRUSHES.find((b) => b.key === '8')!.friction)).toBeNull();
});
test('no two conditions look alike on one kind of plate', () => {
  for (const kind of ['friction', 'steel'] as const) {
    const fills = BRUSHES.map((b) => faceFill(b, kind, 'x'));
    expect(new Set(fills).size).toBe(BRUSHES.length);
  }
});

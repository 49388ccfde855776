import { compileCatalogue } from './catalogue';
import type { InspectionFile } from './schema';
import { stageOfIn } from './stage';

const file = (id: string, stage: InspectionFile['stage'], of: InspectionFile['of'], ...points: string[]) =>
  ({
    id,
    words: id,
    stage,
    order: 1,
    of,
    points: points.map((p) => ({ id: p, words: p, field: { kind: 'words' }, minutes: 1 })),
  }) as InspectionFile;
const stageOf = stageOfIn(
  compileCatalogue(
    [
      file('fluid', 'intake', { unit: ['fluid'] }, 'level', 'colour'),
      file('drained', 'teardown', { unit: ['drained'] }, 'colour'),
      file('drive', 'suspects', { unit: ['drive'] }, 'outcome'),
      file('plug', 'intake', { part: ['*'] }, 'plug'),
      file('drum', 'teardown', { part: ['drum'] }, 'crack'),
    ],
    { scales: [] } as never,
  ),
);

test('a finding belongs to the stage of its point: of the whole unit by its topic, else by its name alone', () => {
  expect(stageOf('unit.fluid.colour')).toBe('intake');
  expect(stageOf('unit.drained.colour')).toBe('teardown');
  expect(stageOf('unit.drive.outcome')).toBe('suspects');
  expect(stageOf('part.anything.plug')).toBe('intake');
  expect(stageOf('part.anything.crack')).toBe('teardown');
});

test('asked again it is the same, and one point does not answer for another', () => {
  for (let k = 0; k < 2; k++) {
    expect(stageOf('part.a.plug')).toBe('intake');
    expect(stageOf('part.a.crack')).toBe('teardown');
    expect(stageOf('unit.fluid.level')).toBe('intake');
  }
});

test('a point nobody knows is of the teardown, and a topic does not lend its points to another', () => {
  expect(stageOf('part.a.ghost')).toBe('teardown');
  expect(stageOf('element.a.plug')).toBe('teardown');
  expect(stageOf('unit.drained.level')).toBe('teardown');
});

test('what is no finding stands in the record’s own table, and else at the intake', () => {
  expect(stageOf('cause.commit')).toBe('cause');
  expect(stageOf('nonsense')).toBe('intake');
});

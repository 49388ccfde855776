import type { Json } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { checkFinding } from './finding';

const unit = ostrelFour as unknown as UnitDefinition;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const check = (slot: string, value: Json = { is: 'failed' }) => checkFinding(inspection, slot, value);

test('a slot that names no finding is not judged here', () => {
  expect(check('customer.name', 'Isaura')).toBeNull();
  expect(check('grid.D2.shop')).toBeNull();
});

test.each([
  ['part', 'part.ghost.condition', 'part', unit.parts[0]!.id],
  ['element', 'element.ghost.clearance', 'element', 'forward'],
  ['gearset', 'gearset.ghost.pins', 'gearset', 'front'],
  ['solenoid', 'solenoid.ghost.resistance', 'solenoid', 'S1'],
  ['sensor', 'sensor.ghost.condition', 'sensor', 'turbine-speed'],
  ['station', 'station.ghost.end-play', 'station', 'converter'],
  ['plate', 'plate.ghost.1.thickness', 'clutch or brake pack', 'forward'],
  ['face', 'face.ghost.1.a.heat', 'clutch or brake pack', 'forward'],
])('a %s the unit has not is named, with those it has', (_, slot, what, one) => {
  const [problem, ...others] = check(slot)!;
  expect(others).toEqual([]);
  expect(problem).toMatchObject({ pointer: '', message: `Ostrel Four has no ${what} "ghost"` });
  expect(problem!.remedy).toMatch(/^Use one of: /);
  expect(problem!.remedy).toContain(one);
});

test('only what has plates is offered where a plate is asked for', () => {
  const [problem] = check('face.band-2-4.1.a.heat')!;
  expect(problem).toEqual({
    pointer: '',
    message: 'Ostrel Four has no clutch or brake pack "band-2-4"',
    remedy: 'Use one of: forward, overrun, high, reverse, low-reverse.',
  });
});

test('of many only the first are named', () => {
  const [problem] = check('part.ghost.condition')!;
  expect(problem!.remedy.split(', ')).toHaveLength(25);
  expect(problem!.remedy).toMatch(/, …\.$/);
});

test('where a unit has none at all, that is said', () => {
  const bare = inspectionOf({ ...unit, sensors: [] }, catalogueOf(knowledge.inspection));
  expect(checkFinding(bare, 'sensor.ghost.condition', null)).toEqual([
    {
      pointer: '',
      message: 'Ostrel Four has no sensor "ghost"',
      remedy: 'This unit has no sensor at all.',
    },
  ]);
});

test.each([
  [
    'plate.forward.11.thickness',
    'Forward clutch has no plate 11',
    'Its plates are numbered 0 to 10, from the piston.',
  ],
  [
    'face.forward.01.a.heat',
    'Forward clutch has no plate 01',
    'Its plates are numbered 0 to 10, from the piston.',
  ],
  ['face.high.0.a.heat', 'a wave spring has no face to grade', 'Leave it out.'],
  ['face.high.1.c.heat', 'there is no face "c"', 'Use a (piston side) or b (backing side).'],
  ['unit.ghost.colour', 'there is no subject "ghost"', 'See docs/formats/inspection.md.'],
])('%s: %s', (slot, message, remedy) => expect(check(slot)).toEqual([{ pointer: '', message, remedy }]));

test('a point that is not asked of something is named, with those that are, also where it would be cleared', () => {
  for (const value of [{ is: 'failed' }, null]) {
    const [problem] = check('part.sun-shell.taste', value)!;
    expect(problem!.message).toMatch(/^"taste" is not looked at on Sun shell$/);
    expect(problem!.remedy).toContain('condition');
  }
});

test('a value is one of the point’s; null clears', () => {
  expect(check('part.sun-shell.condition')).toEqual([]);
  expect(check('part.sun-shell.condition', null)).toEqual([]);
  const [problem] = check('part.sun-shell.condition', { is: 'purple' })!;
  expect(problem!.pointer).toBe('/is');
  expect(problem!.message).toMatch(/^is not said of "/);
  // What is not about the answer keeps the words of the schema.
  const [other] = check('part.sun-shell.condition', { is: 'failed', taste: 'sour' })!;
  expect(other!.message).not.toMatch(/is not said of/);
});

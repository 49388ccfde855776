import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { shelfMarks } from './marks';

const unit = ostrelFour as unknown as UnitDefinition;
const marked = (...parts: string[]) =>
  Object.keys(
    shelfMarks(
      unit,
      parts.map((part) => ({ part })),
    ),
  ).sort();

test('nothing on the shelf marks nothing, and nothing does what the unit does not have', () => {
  expect(marked()).toEqual([]);
  expect(marked('ghost')).toEqual([]);
});

test('a part is marked where it belongs: on its gearset, on what it carries, or at its place', () => {
  expect(marked('front-carrier')).toEqual(expect.arrayContaining([expect.stringMatching(/./)]));
  const low = unit.elements.find((e) => e.part === 'low-owc')!;
  expect(marked('low-owc')).toContain(low.id);
});

test('every part of hard kinds that belongs anywhere marks something drawn', () => {
  const known = new Set([...unit.elements, ...unit.gearsets].map((d) => d.id));
  for (const { id } of unit.parts) for (const mark of marked(id)) expect(known.has(mark)).toBe(true);
});

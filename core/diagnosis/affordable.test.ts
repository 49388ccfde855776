import { addElement, replaceElement, toggleApply } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { whyTooLarge } from './affordable';

/** A shipped unit with clutches and brakes added until it has so many elements. */
function grown(elements: number): UnitDefinition {
  let unit = shippedUnits.find((u) => u.id === 'ostrel-eight')!;
  for (let k = 0; unit.elements.length < elements; k++) {
    const like = unit.elements[k % unit.elements.length]!;
    unit = addElement(unit, k % 2 ? 'brake' : 'clutch');
    const added = unit.elements.at(-1)!;
    // Joined as one that is there is, so that it carries torque in the gears it is put to.
    unit = replaceElement(unit, { ...like, id: added.id, name: added.name });
    unit = toggleApply(unit, unit.gears[k % unit.gears.length]!.key, added.id);
  }
  return unit;
}

test.each(shippedUnits)('$id can be reasoned about', (unit) => {
  expect(whyTooLarge(unit, knowledge)).toBeNull();
});

test('a unit twice as wide as any that ships can be, one of sixty elements is refused in words', () => {
  expect(whyTooLarge(grown(16), knowledge)).toBeNull();
  expect(whyTooLarge(grown(60), knowledge)).toMatchObject({
    pointer: '/elements',
    message: expect.stringMatching(
      /larger than Pelvik can reason about \(60 elements, \d+ gears, \d+ parts\)/,
    ),
  });
});

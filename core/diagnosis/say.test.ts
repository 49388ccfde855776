import { shippedUnits } from '@/data/shipped';
import { sayAim } from './say';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const say = (words: string, elements: string[], gearset: string | null = null) =>
  sayAim(four, words, { elements, gearset });

test('elements and sets by the names the unit gives them, as they stand within a sentence', () => {
  expect(say('oil for the {e} is lost', ['high'])).toBe('oil for the high clutch is lost');
  expect(say('The {e}: the {e} too', ['high', 'forward'])).toBe(
    'The high clutch and the forward clutch: the high clutch and the forward clutch too',
  );
  expect(say('the {g}, all of the {g}', [], 'rear')).toBe('the rear planetary, all of the rear planetary');
  expect(say('the {g} beside the {e}', ['high'], 'front')).toBe('the front planetary beside the high clutch');
});

test('where there is nothing to name the words stay', () => {
  expect(say('pressure falls', ['high'], 'rear')).toBe('pressure falls');
  expect(say('the {e} and the {g}', [])).toBe('the {e} and the {g}');
  expect(say('the {g}', [], 'no such set')).toBe('the {g}');
});

import { elementOf, midSentence } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Aim } from './shows';

/** Fills `{e}` and `{g}` with the names of elements and gearset, in mid-sentence case: "the high clutch and the forward clutch". */
export function sayAim(
  unit: UnitDefinition,
  words: string,
  { elements, gearset }: Pick<Aim, 'elements' | 'gearset'>,
): string {
  const names = elements.map((id) => midSentence(elementOf(unit, id).name));
  const said = names.length ? words.replaceAll('{e}', names.join(' and the ')) : words;
  const set = unit.gearsets.find((g) => g.id === gearset);
  return set ? said.replaceAll('{g}', midSentence(set.name)) : said;
}

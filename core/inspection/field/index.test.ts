import type { FieldKind } from '../schema';
import { kindOf } from './index';
import type { Kind } from './kind';

/** Which of the marks each kind bears. */
const MARKS: Record<FieldKind, (keyof Kind)[]> = {
  scale: ['levelled', 'again'],
  choice: ['levelled', 'again'],
  test: ['levelled', 'again', 'underConditions'],
  measure: ['again'],
  amounts: [],
  words: ['saysItself'],
};

test.each(Object.entries(MARKS))('%s is answered as it is marked', (kind, marks) => {
  const { levelled, again, underConditions, saysItself } = kindOf({ kind } as never);
  const is = { levelled, again, underConditions, saysItself };
  for (const [mark, value] of Object.entries(is))
    expect([mark, value]).toEqual([mark, marks.includes(mark as keyof Kind)]);
});

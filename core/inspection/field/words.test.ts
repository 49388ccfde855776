import type { Judged } from './kind';
import { kindOf } from './index';
import { words } from './words';

const field = { kind: 'words' as const };

test('free words are kept and shown, and never weighed', () => {
  expect(kindOf(field)).toBe(words);
  expect(words.judge(field, new Map(), { finding: { is: 'sound' } } as unknown as Judged)).toBeNull();
  expect(words.words(field, 'a File mark', () => 'nothing')).toBe('a File mark');
  expect(words.levels(field, undefined as never)).toEqual([]);
  expect(words.value(field, new Map(), ['cannot-tell'])).toEqual({
    type: 'string',
    minLength: 1,
    maxLength: 2000,
  });
  expect([words.remedy(field, new Map()), words.cell(field, new Map())]).toEqual([
    'Write a few words.',
    'words',
  ]);
});

import type { Finding } from '@/core/case';
import { amounts, amountsOf } from './amounts';
import type { AmountsField } from './amounts';
import type { Judged, Levels } from './kind';

const field: AmountsField = {
  kind: 'amounts',
  scale: 'amount',
  places: [
    { id: 'sump', words: 'In the sump' },
    { id: 'magnets', words: 'On the magnets' },
  ],
};
const levels: Levels = new Map([
  ['none', { id: 'none', words: 'None', severity: 0 }],
  ['trace', { id: 'trace', words: 'A trace', severity: 0 }],
  ['heavy', { id: 'heavy', words: 'Heavy', severity: 3 }],
]);
const judged = (is: Finding['is']) => amounts.judge(field, levels, { finding: { is } } as unknown as Judged);
const say = (level: string) => levels.get(level)?.words ?? 'Cannot tell';

test('is said to be one of amounts, and of nothing else', () => {
  expect(amountsOf({ field })).toBe(field);
  expect(amountsOf({ field: { kind: 'words' } })).toBeNull();
});

test('its words are those of its scale', () => {
  const list = [...levels.values()];
  const asked: string[] = [];
  const scale = (id: string) => {
    asked.push(id);
    return { id, words: 'Amount', levels: list };
  };
  expect(amounts.levels(field, scale as never)).toBe(list);
  expect(asked).toEqual(['amount']);
});

test('it says as much as its heaviest place, in whatever order they were written', () => {
  expect(judged({ sump: 'trace', magnets: 'heavy' })).toEqual({ level: 'heavy', severity: 3 });
  expect(judged({ magnets: 'heavy', sump: 'none' })).toEqual({ level: 'heavy', severity: 3 });
  expect(judged({ sump: 'none', magnets: 'none' })).toEqual({ level: 'none', severity: 0 });
  expect(judged({ sump: 'trace' })).toEqual({ level: 'trace', severity: 0 });
});

test('what is no amount says nothing', () => {
  expect(judged('cannot-tell')).toBeNull();
  expect(judged(3)).toBeNull();
  expect(judged({})).toBeNull();
  expect(judged({ sump: 'oceans' })).toBeNull();
});

test('it is read place by place, in the order of the places', () => {
  expect(amounts.words(field, { magnets: 'heavy', sump: 'trace' }, say)).toBe(
    'a trace (in the sump), heavy (on the magnets)',
  );
  expect(amounts.words(field, { magnets: 'heavy' }, say)).toBe('heavy (on the magnets)');
  expect(amounts.words(field, 'cannot-tell', say)).toBe('cannot tell');
  expect(amounts.words(field, 3, say)).toBe('');
});

test('takes levels at its own places, at least one, or what stands in place of an answer', () => {
  expect(amounts.value(field, levels, ['cannot-tell'])).toEqual({
    anyOf: [
      {
        type: 'object',
        additionalProperties: false,
        minProperties: 1,
        properties: {
          sump: { enum: ['none', 'trace', 'heavy'] },
          magnets: { enum: ['none', 'trace', 'heavy'] },
        },
      },
      { enum: ['cannot-tell'] },
    ],
  });
  expect(amounts.remedy(field, levels)).toBe(
    'Give for each place one of: none, trace, heavy. Places: sump, magnets.',
  );
  expect(amounts.cell(field, levels)).toBe('`none` 0, `trace` 0, `heavy` 3; at `sump`, `magnets`');
});

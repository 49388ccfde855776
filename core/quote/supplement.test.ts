import { paperTerms, rule, scopeBy } from '@/tests/fixtures/paper';
import { billOf } from './price';
import { supplementTo } from './supplement';
import type { OptionId, QuoteContent, QuoteOption } from './schema';

const option = (id: OptionId, parts: string[], values = {}): QuoteOption =>
  ({
    id,
    name: `Option ${id}`,
    ...billOf(
      scopeBy(
        [
          rule(
            'a',
            parts.map((part) => ({ part })),
          ),
        ],
        values,
      ).lines,
      paperTerms,
      null,
    ),
  }) as QuoteOption;
const content = (options: QuoteOption[], recommended: OptionId = 'full') =>
  ({ options, recommended: { option: recommended, why: '' } }) as QuoteContent;
const accepted = {
  version: 3,
  content: content([option('targeted', ['shaft', 'ring'])]),
  option: 'targeted',
};

test('lines that came, went and cost something else are told, the others not', () => {
  const dearer = { 'scope.line.part-shaft': { change: 'change', price: 6000, reason: 'r' } };
  const next = option('targeted', ['shaft', 'valve'], dearer);
  expect(supplementTo(accepted, content([next]))).toEqual({
    version: 3,
    accepted: 'Option targeted',
    option: 'targeted',
    was: accepted.content.options[0]!.total,
    now: next.total,
    lines: [
      { name: 'Part shaft', was: 5000, now: 6000 },
      { name: 'Part valve', was: null, now: 1000 },
      { name: 'Part ring', was: 300, now: null },
    ],
  });
});

test('nothing changed is nothing told; the same price for something else done is told', () => {
  const same = option('targeted', ['shaft', 'ring']);
  expect(supplementTo(accepted, content([same]))!.lines).toEqual([]);
  const other = { ...same, lines: same.lines.map((l, k) => (k === 0 ? { ...l, action: 'upgrade' } : l)) };
  expect(supplementTo(accepted, content([other]))!.lines).toHaveLength(1);
});

test('where what was accepted is offered no more, the recommended one goes on from it', () => {
  const full = option('full', ['shaft', 'ring', 'drum']);
  expect(supplementTo(accepted, content([full]))).toMatchObject({
    option: 'full',
    now: full.total,
    lines: [{ name: 'Part drum' }],
  });
  expect(supplementTo(accepted, content([full], 'exchange'))).toMatchObject({
    option: null,
    lines: [],
    now: accepted.content.options[0]!.total,
  });
  expect(supplementTo({ ...accepted, option: 'gone' }, content([full]))).toBeNull();
});

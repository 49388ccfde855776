import { array, literal, plainName, shape, text } from '@/core/format';
import type { Of } from '@/core/format';
import type { Field } from '../schema';
import type { Kind } from './kind';
import { levelsCell } from './levelled';

/** An amount for each place something may lie or stick. */
export const amountsField = () =>
  shape({
    kind: literal('amounts'),
    scale: plainName,
    places: array(shape({ id: plainName, words: text(60) }), { minItems: 1, maxItems: 12 }),
  });
export type AmountsField = Of<ReturnType<typeof amountsField>>;

/** The field of a point that is an amount by place; null of any other. */
export const amountsOf = ({ field }: { field: Field }): AmountsField | null =>
  field.kind === 'amounts' ? field : null;

export const amounts: Kind<AmountsField> = {
  levelled: false,
  again: false,
  underConditions: false,
  saysItself: false,
  levels: ({ scale }, find) => find(scale).levels,
  value: ({ places }, levels, otherwise) => ({
    anyOf: [
      {
        type: 'object',
        additionalProperties: false,
        minProperties: 1,
        properties: Object.fromEntries(places.map(({ id }) => [id, { enum: [...levels.keys()] }])),
      },
      { enum: otherwise },
    ],
  }),
  // It says as much as its heaviest place.
  judge: (_, levels, { finding: { is } }) => {
    if (typeof is !== 'object') return null;
    const ids = [...levels.keys()];
    const most = levels.get(ids[Math.max(...Object.values(is).map((amount) => ids.indexOf(amount)))] ?? '');
    return most ? { level: most.id, severity: most.severity } : null;
  },
  words: ({ places }, is, say) =>
    typeof is === 'string'
      ? say(is).toLowerCase()
      : typeof is === 'number'
        ? ''
        : places
            .filter(({ id }) => is[id] !== undefined)
            .map(({ id, words }) => `${say(is[id]!).toLowerCase()} (${words.toLowerCase()})`)
            .join(', '),
  remedy: ({ places }, levels) =>
    `Give for each place one of: ${[...levels.keys()].join(', ')}. Places: ${places.map((p) => p.id).join(', ')}.`,
  cell: ({ places }, levels) => `${levelsCell(levels)}; at ${places.map((p) => `\`${p.id}\``).join(', ')}`,
};

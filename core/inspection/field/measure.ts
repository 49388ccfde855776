import { integer, literal, numberWithin, oneOf, optional, orNull, said, shape } from '@/core/format';
import type { Of } from '@/core/format';
import type { Measured } from '../judgement';
import { IN_SI, limitOf } from '../limits';
import type { Field } from '../schema';
import { OUTSIDE } from '../severity';
import { at20 } from '../solenoid';
import type { Judged, Kind } from './kind';
import { LIMIT_KINDS, MEASURE_UNITS } from './quantities';

/** A number, held against a limit of the unit. */
export const measureField = () =>
  shape({
    kind: literal('measure'),
    limit: said('The unit’s limit it is held against', orNull(oneOf(LIMIT_KINDS))),
    unit: oneOf(MEASURE_UNITS),
    min: numberWithin({}),
    max: numberWithin({}),
    outside: optional(said('Severity outside the limit; 2 when not stated', integer(1, 6))),
  });
export type MeasureField = Of<ReturnType<typeof measureField>>;

/** The field of a point that is a number; null of any other. */
export const measureOf = ({ field }: { field: Field }): MeasureField | null =>
  field.kind === 'measure' ? field : null;

/** A number in SI, beside its limit; null when it is none, or a resistance without its temperature. */
export function measured(field: MeasureField, { unit, subject, finding }: Judged): Measured | null {
  const { is, temperatureC } = finding;
  if (typeof is !== 'number') return null;
  if (field.limit === 'resistance' && temperatureC === undefined) return null;
  const si = is * IN_SI[field.unit];
  const value = field.limit === 'resistance' ? at20(si, temperatureC!) : si;
  const limit = field.limit && limitOf(unit, subject, field.limit);
  if (!limit || (limit.min === undefined && limit.max === undefined)) return { level: 'read', value, limit };
  // A reading at the limit is within it, whatever the binary fraction of its decimals.
  const slack = 1e-9 * Math.max(Math.abs(value), Math.abs(limit.min ?? 0), Math.abs(limit.max ?? 0));
  const outside = field.outside ?? OUTSIDE;
  if (limit.min !== undefined && value < limit.min - slack)
    return { level: 'under', severity: outside, value, limit };
  if (limit.max !== undefined && value > limit.max + slack)
    return { level: 'over', severity: outside, value, limit };
  return { level: 'in', severity: 0, value, limit };
}

export const measure: Kind<MeasureField> = {
  levelled: false,
  again: true,
  underConditions: false,
  saysItself: false,
  levels: () => [],
  value: ({ min, max }, _, otherwise) => ({
    anyOf: [{ type: 'number', minimum: min, maximum: max }, { enum: otherwise }],
  }),
  judge: (field, _, judged) => {
    const reading = measured(field, judged);
    return reading && reading.level !== 'read' ? reading : null;
  },
  words: ({ unit }, is, say) => (typeof is === 'string' ? say(is).toLowerCase() : `${is} ${unit}`.trim()),
  remedy: ({ min, max, unit }) =>
    `Give a number from ${min} to ${max}${unit ? ` ${unit}` : ''}, or "cannot-tell".`,
  cell: ({ min, max, unit, limit }) =>
    [`${min} to ${max} ${unit}`.trim(), limit && `against \`${limit}\``].filter(Boolean).join(', '),
};

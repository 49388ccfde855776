import schema from '@/docs/formats/case.schema.json';
import { familyOf, SLOT_FAMILIES } from '@/core/case';
import type { CaseDocument, Json, SlotFamily } from '@/core/case';
import type { ValidateFunction } from 'ajv';
import { ajv, problemsOf } from './problem';
import type { Problem } from './problem';

const validate = ajv.compile(schema);
const slotValidators = new Map<SlotFamily, ValidateFunction>(
  SLOT_FAMILIES.map((f) => [f, ajv.compile(f.schema)]),
);

/** Problems of one write: the slot must be known and the value fit it. Null clears, and is always allowed. */
export function checkSlot(slot: string, value: Json): Problem[] {
  const family = familyOf(slot);
  if (!family)
    return [
      {
        pointer: '',
        message: `"${slot}" is not a slot of a job`,
        remedy: 'See docs/formats/case.md for the slots.',
      },
    ];
  return value === null ? [] : problemsOf(slotValidators.get(family)!, value);
}

/** Problems of a whole case document, with pointers into it. */
export function checkCase(value: unknown): Problem[] {
  const shape = problemsOf(validate, value);
  if (shape.length) return shape;
  const document = value as CaseDocument;
  const nested = (pointer: string, slot: string, v: Json) =>
    checkSlot(slot, v).map((p) => ({ ...p, pointer: `${pointer}/value${p.pointer}` }));
  const sequence = new Set<number>();
  return [
    ...document.findings.flatMap((f, k) => nested(`/findings/${k}`, f.slot, f.value)),
    ...(document.history ?? []).flatMap((e, k) => {
      const again = sequence.has(e.seq);
      sequence.add(e.seq);
      const twice = {
        pointer: `/history/${k}/seq`,
        message: `${e.seq} stands twice`,
        remedy: 'Number the entries 1, 2, 3 …',
      };
      return [...(again ? [twice] : []), ...nested(`/history/${k}`, e.slot, e.value)];
    }),
  ].slice(0, 50);
}

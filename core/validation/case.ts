import schema from '@/docs/formats/case.schema.json';
import quoteSchema from '@/docs/formats/quote.schema.json';
import { familyOf, SLOT_FAMILIES } from '@/core/case';
import type { CaseDocument, Json, SlotFamily } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { ValidateFunction } from 'ajv';
import { ajv, problemsOf, strictAjv } from './problem';
import type { Problem } from './problem';
import { CASE_BOUNDS, outOfBounds, SLOT_BOUNDS } from './size';
import { checkTarget } from './targets';

ajv.addSchema(quoteSchema);
const validate = ajv.compile(schema);
const validateQuote = ajv.getSchema('pelvik-quote/1')!;
const slotValidators = new Map<SlotFamily, ValidateFunction>(
  SLOT_FAMILIES.map((f) => [f, strictAjv.compile(f.schema)]),
);

/**
 * Problems of one write: the slot must be known, the value bounded and of its kind. With a unit, what the slot's name
 * points at must be there. Null clears, and is always allowed.
 */
export function checkSlot(slot: string, value: Json, unit?: UnitDefinition): Problem[] {
  const family = familyOf(slot);
  if (!family)
    return [
      {
        pointer: '',
        message: `"${slot.slice(0, 80)}" is not a slot of a job`,
        remedy: 'See docs/formats/case.md for the slots.',
      },
    ];
  if (value === null) return [];
  const size = outOfBounds(value, SLOT_BOUNDS);
  if (size) return [size];
  const problems = problemsOf(slotValidators.get(family)!, value);
  return problems.length || !unit ? problems : checkTarget(unit, slot, value);
}

/** Problems of a quote's content. */
export function checkQuote(content: unknown): Problem[] {
  return problemsOf(validateQuote, content);
}

const MOST = 50;

/** Problems of a whole case document, with pointers into it; with its unit, also of what its slots point at. */
export function checkCase(value: unknown, unit?: UnitDefinition): Problem[] {
  const size = outOfBounds(value, CASE_BOUNDS);
  if (size) return [size];
  const shape = problemsOf(validate, value);
  if (shape.length) return shape;
  const document = value as CaseDocument;
  const problems: Problem[] = [];
  const nested = (pointer: string, slot: string, v: Json) => {
    if (problems.length < MOST)
      problems.push(
        ...checkSlot(slot, v, unit).map((p) => ({ ...p, pointer: `${pointer}/value${p.pointer}` })),
      );
  };
  document.findings.forEach((f, k) => nested(`/findings/${k}`, f.slot, f.value));
  (document.history ?? []).forEach((e, k) => nested(`/history/${k}`, e.slot, e.value));
  problems.push(...UNIQUE.flatMap((rule) => twice(document, rule)));
  const accepted = (document.quotes ?? []).flatMap((q, k) =>
    q.status === 'accepted' && !q.imported ? [k] : [],
  );
  for (const k of accepted.slice(1))
    problems.push({
      pointer: `/quotes/${k}/status`,
      message: 'is a second accepted quote',
      remedy: 'Only one version of a job can stand accepted: the earlier one is superseded.',
    });
  return problems.slice(0, MOST);
}

interface Unique {
  list: 'findings' | 'history' | 'photos' | 'quotes';
  key: string;
  remedy: string;
}

/** What may stand once only in a case. */
const UNIQUE: readonly Unique[] = [
  { list: 'findings', key: 'slot', remedy: 'Keep one value for each slot.' },
  { list: 'history', key: 'seq', remedy: 'Number the entries 1, 2, 3 …' },
  { list: 'history', key: 'id', remedy: 'Give every entry an id of its own.' },
  { list: 'photos', key: 'id', remedy: 'Give every photo an id of its own.' },
  { list: 'quotes', key: 'version', remedy: 'Number the quotes 1, 2, 3 …' },
];

function twice(document: CaseDocument, { list, key, remedy }: Unique): Problem[] {
  const seen = new Set<unknown>();
  return (document[list] ?? []).flatMap((item, k) => {
    const value = (item as unknown as Record<string, unknown>)[key];
    if (!seen.has(value)) {
      seen.add(value);
      return [];
    }
    return [{ pointer: `/${list}/${k}/${key}`, message: `${JSON.stringify(value)} stands twice`, remedy }];
  });
}

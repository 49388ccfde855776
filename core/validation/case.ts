import { caseSchema, familyOf, SLOT_FAMILIES, upgradeCase, upgradeWrites } from '@/core/case';
import type { CaseDocument, Json, SlotFamily } from '@/core/case';
import type { Inspection } from '@/core/inspection';
import { formerQuoteSchema, quoteSchema } from '@/core/quote';
import type { ValidateFunction } from 'ajv';
import { checkFinding } from './finding';
import { problemsOf, strictAjv, validator } from './problem';
import type { Problem } from './problem';
import { CASE_BOUNDS, outOfBounds, SLOT_BOUNDS } from './size';
import { checkTarget } from './targets';

const validate = validator(caseSchema);
const validateQuote = validator(quoteSchema);
const validateFormerQuote = validator(formerQuoteSchema);
const slotValidators = new Map<SlotFamily, () => ValidateFunction>(
  SLOT_FAMILIES.map((f) => [f, validator(f.schema, strictAjv)]),
);

/**
 * Problems of one write to a job on this unit: the slot must be known, what it points at be there, the value bounded and
 * of its kind. Null clears, and is always allowed.
 */
export function checkSlot(inspection: Inspection, slot: string, value: Json): Problem[] {
  if (value !== null) {
    const size = outOfBounds(value, SLOT_BOUNDS);
    if (size) return [size];
  }
  const finding = checkFinding(inspection, slot, value);
  if (finding) return finding;
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
  const problems = problemsOf(slotValidators.get(family)!, value);
  return problems.length ? problems : checkTarget(inspection.unit, slot, value);
}

/** Problems of a quote's content, of either version. */
export function checkQuote(content: unknown): Problem[] {
  const former = (content as { format?: unknown } | null)?.format === 'pelvik-quote/1';
  return problemsOf(former ? validateFormerQuote : validateQuote, content);
}

const MOST = 50;

/** Problems of a case document's shape, of either version: what needs no unit to be seen. */
export function checkCase(value: unknown): Problem[] {
  const size = outOfBounds(value, CASE_BOUNDS);
  if (size) return [size];
  const shape = problemsOf(validate, value);
  if (shape.length) return shape;
  const document = value as CaseDocument;
  const problems = UNIQUE.flatMap((rule) => twice(document, rule));
  (document.quotes ?? []).forEach((quote, k) => {
    const at = `/quotes/${k}/content`;
    problems.push(...checkQuote(quote.content).map((p) => ({ ...p, pointer: `${at}${p.pointer}` })));
  });
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

/**
 * A case document of good shape, of either version, as one of this version, with the problems of every slot in it.
 * Pointers are into the document as it was given.
 */
export function openCase<D extends CaseDocument>(
  document: D,
  inspection: Inspection,
): { document: CaseDocument; problems: Problem[] } {
  const { unit } = inspection;
  const problems: Problem[] = [];
  for (const list of ['findings', 'history'] as const) {
    const written = new Map<string, Json>();
    (document[list] ?? []).forEach(({ slot, value }, k) => {
      if (problems.length >= MOST) return;
      for (const [now, meant] of upgradeWrites(slot, value, unit)) {
        const at = `/${list}/${k}`;
        problems.push(
          ...checkSlot(inspection, now, meant).map((p) => ({ ...p, pointer: `${at}/value${p.pointer}` })),
        );
        // Two names of one thing, one of them from before: the second is no better than a slot that stands twice.
        if (list === 'findings' && meant !== null && written.has(now))
          problems.push({
            pointer: `${at}/slot`,
            message: `"${now}" stands twice`,
            remedy: UNIQUE[0]!.remedy,
          });
        if (meant !== null) written.set(now, meant);
      }
    });
  }
  return { document: upgradeCase(document, unit), problems: problems.slice(0, MOST) };
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

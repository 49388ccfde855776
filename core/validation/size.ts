import type { Problem } from './problem';

/** How much of a document is looked at before it is refused. */
export interface Bounds {
  values: number;
  depth: number;
  /** Characters of one text. */
  text: number;
}

/** Real units stay below 6,000 values, 8 deep. */
export const UNIT_BOUNDS: Bounds = { values: 60_000, depth: 24, text: 20_000 };
/** One value of a record: the longest text is a complaint of 4,000 characters. */
export const SLOT_BOUNDS: Bounds = { values: 200, depth: 6, text: 8_000 };
/** A whole job with its record; a photo is one text. */
export const CASE_BOUNDS: Bounds = { values: 1_500_000, depth: 16, text: 14_000_000 };
/** What a form of ours sends. */
export const FORM_BOUNDS: Bounds = { values: 5_000, depth: 12, text: 20_000 };

const UNWRITABLE = /[\0\p{Surrogate}]/u;

/**
 * One problem when a document is larger, deeper or longer in one text than `bounds`, or holds a character no database
 * can keep (NUL, half a surrogate pair); else null. Every value is looked at once, level by level: no depth overflows it.
 */
export function outOfBounds(value: unknown, bounds: Bounds): Problem | null {
  const refuse = (
    pointer: string,
    message: string,
    remedy = 'Leave out what does not belong here.',
  ): Problem => ({
    pointer,
    message,
    remedy,
  });
  let seen = 0;
  let level: { pointer: string; value: unknown }[] = [{ pointer: '', value }];
  for (let depth = 0; level.length; depth++) {
    if (depth > bounds.depth) return refuse(level[0]!.pointer, `is nested more than ${bounds.depth} deep`);
    const next: typeof level = [];
    for (const item of level) {
      if (++seen > bounds.values) return refuse('', `holds more than ${bounds.values} values`);
      if (typeof item.value === 'string') {
        if (item.value.length > bounds.text)
          return refuse(item.pointer, `is a text of more than ${bounds.text} characters`, 'Say it shorter.');
        if (UNWRITABLE.test(item.value)) return refuse(item.pointer, ...ODD_TEXT);
      }
      if (typeof item.value !== 'object' || item.value === null) continue;
      for (const key in item.value) {
        const pointer = `${item.pointer}/${key.replaceAll('~', '~0').replaceAll('/', '~1')}`;
        if (key.length > 500 || UNWRITABLE.test(key))
          return refuse(item.pointer, 'has a name that cannot be kept', 'Use plain names.');
        next.push({ pointer, value: (item.value as Record<string, unknown>)[key] });
        if (seen + next.length > bounds.values)
          return refuse(item.pointer, `holds more than ${bounds.values} values`);
      }
    }
    level = next;
  }
  return null;
}

const ODD_TEXT = [
  'holds a character that cannot be kept (NUL, or half of a pair)',
  'Delete it, or type the text again.',
] as const;

import type { Problem } from './problem';

/** A definition or case beyond this was not made by a person: real units stay below 6,000 values, 8 deep. */
const MOST_VALUES = 60_000;
const DEEPEST = 24;
const LONGEST_TEXT = 20_000;

/** One problem when a document is too large, too deep or holds a text too long to be looked at; else null. */
export function tooLarge(value: unknown): Problem | null {
  const refuse = (pointer: string, message: string): Problem => ({
    pointer,
    message,
    remedy: 'Send one unit definition, without what does not belong to it.',
  });
  let seen = 0;
  let level: { pointer: string; value: unknown }[] = [{ pointer: '', value }];
  for (let depth = 0; level.length; depth++) {
    if (depth > DEEPEST) return refuse(level[0]!.pointer, `is nested more than ${DEEPEST} deep`);
    const next: typeof level = [];
    for (const item of level) {
      if (++seen > MOST_VALUES) return refuse('', `holds more than ${MOST_VALUES} values`);
      if (typeof item.value === 'string' && item.value.length > LONGEST_TEXT)
        return refuse(item.pointer, `is a text of more than ${LONGEST_TEXT} characters`);
      if (typeof item.value !== 'object' || item.value === null) continue;
      for (const key in item.value) {
        next.push({ pointer: `${item.pointer}/${key}`, value: (item.value as Record<string, unknown>)[key] });
        if (next.length > MOST_VALUES) return refuse(item.pointer, `holds more than ${MOST_VALUES} values`);
      }
    }
    level = next;
  }
  return null;
}

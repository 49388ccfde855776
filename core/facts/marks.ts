/**
 * Patterns of the knowledge name things of a unit by marks: `$e` an element, `$g` a gearset, `$p` a part, `$s` a solenoid,
 * `$t` a range or gear position, `$x` a way the power path can open. This is the one place that reads them.
 */
export type Mark = '$e' | '$g' | '$p' | '$s' | '$t' | '$x';

const MARK = /\$[egpstx]/g;
const AT_THE_END = /^(.*)(\$[egpstx])$/;

/** The marks of a pattern, in order. */
export const marksIn = (pattern: string): Mark[] => (pattern.match(MARK) ?? []) as Mark[];

/** What stands before the mark a pattern ends with (`lining:` of `lining:$e`), and the mark; null where it ends otherwise. */
export function endMark(pattern: string): { head: string; mark: Mark } | null {
  const found = AT_THE_END.exec(pattern);
  return found ? { head: found[1]!, mark: found[2] as Mark } : null;
}

/** A pattern with its marks filled in; what they do not say stays. */
export const filled = (pattern: string, by: Readonly<Record<string, string>>): string =>
  pattern.replace(MARK, (mark) => by[mark] ?? mark);

/** A pattern with one thing in place of every mark. */
export const about = (pattern: string, thing: string): string => pattern.replace(MARK, () => thing);

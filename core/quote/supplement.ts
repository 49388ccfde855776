import type { QuoteContent, QuoteLine, QuoteOption, Supplement } from './schema';

/** What is new against the accepted option of an earlier version. */
export function supplementTo(
  before: { version: number; content: QuoteContent; option: string },
  content: Pick<QuoteContent, 'options' | 'recommended'>,
): Supplement | null {
  const was = before.content.options.find((o) => o.id === before.option);
  if (!was) return null;
  const same = content.options.find((o) => o.id === was.id);
  const next = same ?? content.options.find((o) => o.id === content.recommended?.option);
  return {
    version: before.version,
    accepted: was.name,
    option: next?.id ?? null,
    was: was.total,
    now: next?.total ?? was.total,
    lines: next ? changedLines(was, next) : [],
  };
}

/** A line is the same where it does the same with the same thing. */
const nameOf = (line: QuoteLine) => `${line.kind} ${line.name}`;

function changedLines(was: QuoteOption, next: QuoteOption): Supplement['lines'] {
  const before = new Map(was.lines.map((l) => [nameOf(l), l]));
  const after = new Map(next.lines.map((l) => [nameOf(l), l]));
  const names = [...new Set([...after.keys(), ...before.keys()])];
  return names.flatMap((name) => {
    const [old, now] = [before.get(name), after.get(name)];
    const unchanged = old && now && old.total === now.total && old.action === now.action;
    if (unchanged) return [];
    return [{ name: (now ?? old)!.name, was: old?.total ?? null, now: now?.total ?? null }];
  });
}

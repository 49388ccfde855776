import { below, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { CureLine } from '@/core/diagnosis';
import { midSentence, operationWithRole, partOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { curedBy, marksOf, usualWay } from './cure';
import type { Doing } from './cure';
import type { ScopeCause, ScopeFact } from './facts';
import { isBought, orderedAs, reaches } from './line';
import type { ScopeLine } from './line';
import { partsOfLine } from './rules';
import type { ScopeRules } from './schema';

/** What speaks against a scope as it stands. */
export interface ScopeProblem {
  /** Unique in a scope: what a waiver names. */
  id: string;
  /**
   * A rule no policy switches off is not followed; a cause is left in; a variant is not measured, or fits none; what is
   * bought has no price; something is kept without its proof.
   */
  kind: 'kept' | 'cause' | 'variant' | 'unpriced' | 'proof';
  words: string;
  /** The line it is about. */
  line: string | null;
  slots: string[];
  /** The job cannot be released with it unless somebody signs for it. */
  needsWaiver: boolean;
  waiver: { words: string; by: string } | null;
}

/** Everything that speaks against the scope, causes first. */
export function problemsOf(
  doing: Doing,
  state: JobState,
  removed: readonly ScopeLine[],
  causes: readonly ScopeCause[],
  facts: readonly ScopeFact[],
): ScopeProblem[] {
  const { unit } = doing;
  const lines = [...doing.lines.values()];
  const found: Omit<ScopeProblem, 'waiver'>[] = [
    ...causes.flatMap((cause, k) => leftIn(doing, cause, facts, k === 0)),
    ...[...lines, ...removed].flatMap((line) => against(line, removed.includes(line))),
    ...variants(unit, state, lines),
    ...withoutProof(unit, doing.rules, lines, facts),
    ...lines
      .filter((l) => l.unpriced)
      .map((l) => ({
        id: `price-${l.key}`,
        kind: 'unpriced' as const,
        words: `${l.name} has no price. Type one in, or ask the supplier: nothing is sold for nothing.`,
        line: l.key,
        slots: [],
        needsWaiver: false,
      })),
  ];
  const waivers = new Map(below(state, 'scope.waiver.'));
  return found.map((problem) => {
    const given = waivers.get(problem.id);
    const by = state[`scope.waiver.${problem.id}`]?.by ?? '';
    return { ...problem, waiver: given ? { words: given.words, by } : null };
  });
}

/** A cause nothing in the scope cures. */
function leftIn(doing: Doing, cause: ScopeCause, facts: readonly ScopeFact[], isRoot: boolean) {
  if (doing.repair === 'none' || curedBy(doing, cause) > 0) return [];
  const usual = (usualWay(cause, facts)?.by ?? []).flatMap((line) => cureWords(doing.unit, line, cause));
  const cure = usual.length
    ? ` It takes: ${usual.join(', ')}.`
    : ' Nothing in this unit’s definition cures it: add the line that does.';
  const what = isRoot ? 'The root cause' : 'A contributing cause';
  return [
    {
      id: `cause-${cause.id.replace(/[^\w-]/g, '-')}`,
      kind: 'cause' as const,
      words: `${what} stays in: ${midSentence(cause.words)}.${cure} The job cannot be released so without a written waiver.`,
      line: null,
      slots: ['cause.commit'],
      needsWaiver: true,
    },
  ];
}

function cureWords(unit: UnitDefinition, line: CureLine, cause: ScopeCause): string[] {
  if (line.supply) return ['fresh fluid'];
  if (line.outside) return [midSentence(line.name ?? line.outside)];
  if (line.operation) return [midSentence(operationWithRole(unit, line.operation)?.name ?? line.operation)];
  return partsOfLine(unit, line, marksOf(cause)).map((id) => midSentence(partOf(unit, id).name));
}

/** A line on which less is done than a firm rule asks, or that was taken out against one. */
function against(line: ScopeLine, out: boolean) {
  const firm = line.reasons.find((r) => r.firm && (out || !reaches(line.action, r.action)));
  if (!firm) return [];
  const did = out ? 'was taken out' : `is only to be ${DONE[line.action]}`;
  return [
    {
      id: `kept-${line.key}`,
      kind: 'kept' as const,
      words: `${line.name} ${did}, though: ${midSentence(firm.words)}.`,
      line: out ? null : line.key,
      slots: firm.slots,
      needsWaiver: true,
    },
  ];
}

const DONE: Record<ScopeLine['action'], string> = {
  reuse: 'reused',
  return: 'returned',
  clean: 'cleaned',
  flush: 'flushed',
  measure: 'measured',
  machine: 'machined',
  reline: 'relined',
  replace: 'replaced',
  upgrade: 'upgraded',
};

/** Which variant was measured: its name, null where the reading fits none, undefined where nobody measured. */
export function variantMeasured(
  unit: UnitDefinition,
  state: JobState,
  id: string,
): string | null | undefined {
  const reading = valueOf(state, `scope.variant.${id}`) as number | undefined;
  if (reading === undefined) return undefined;
  const { readings } = unit.variants.find((v) => v.id === id)!;
  return readings.find((r) => reading >= r.min && reading <= r.max)?.is ?? null;
}

/** Variants of what is bought that nobody has measured, or whose reading fits none. */
function variants(unit: UnitDefinition, state: JobState, lines: readonly ScopeLine[]) {
  return unit.variants.flatMap((variant) => {
    const ordered = orderedAs(unit, variant.part).id;
    const line = lines.find((l) => l.key === `part-${ordered}` && isBought(l.action));
    const measured = variantMeasured(unit, state, variant.id);
    if (!line || (measured !== undefined && measured !== null)) return [];
    const words =
      measured === null
        ? `${variant.name}: the reading fits none of them. Measure again: ${midSentence(variant.measure)}.`
        : `${variant.name}. ${variant.measure}.`;
    return [
      {
        id: `variant-${variant.id}`,
        kind: 'variant' as const,
        words,
        line: line.key,
        slots: [`scope.variant.${variant.id}`],
        needsWaiver: false,
      },
    ];
  });
}

/** A converter kept although something went through the system, and nobody has shown that it is clean inside. */
function withoutProof(
  unit: UnitDefinition,
  { proof }: ScopeRules,
  lines: readonly ScopeLine[],
  facts: readonly ScopeFact[],
) {
  const { part } = unit.converter;
  const line = lines.find((l) => l.key === `part-${part}`);
  const kept = line === undefined || !reaches(line.action, 'reline');
  const spread = facts.find((f) => f.point === 'spread');
  if (!kept || !spread) return [];
  const has = (point: string, levels: string[]) =>
    facts.some((f) => f.point === `${point}:${part}` && levels.includes(f.level));
  const lacking = proof.filter((p) => !has(p.point, p.levels)).map((p) => p.words);
  if (lacking.length === 0) return [];
  return [
    {
      id: 'proof-converter',
      kind: 'proof' as const,
      words: `The converter is kept although ${spread.level} went through the system. Its proof is lacking: ${lacking.join(', ')}.`,
      line: line?.key ?? null,
      slots: spread.slots,
      needsWaiver: true,
    },
  ];
}

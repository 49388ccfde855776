import type { CureLine, CureWay } from '@/core/diagnosis';
import { marksIn } from '@/core/facts';
import { operationWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { ScopeCause, ScopeFact } from './facts';
import { orderedAs, reaches } from './line';
import type { Lines } from './line';
import { matches, partsOfLine } from './rules';
import type { Repair, ScopeRules } from './schema';

/** A cause, as far as its cure goes by it. */
export type Curable = Pick<ScopeCause, 'part' | 'element' | 'gearset' | 'curedBy'>;

/** What the lines of a scope do, asked by part, operation and thing outside. */
export interface Doing {
  unit: UnitDefinition;
  lines: Lines;
  repair: Repair;
  rules: ScopeRules;
}

/** What a mark of a cure stands for: the cause's own part, element or gearset. */
export function marksOf({ part, element, gearset }: Curable): Record<string, string> {
  return Object.fromEntries(
    Object.entries({ $p: part, $e: element, $g: gearset }).filter(
      (m): m is [string, string] => m[1] !== null,
    ),
  );
}

/** Its marks all stand for something. */
const isMeant = (line: CureLine, marks: Record<string, string>) =>
  marksIn(`${line.part ?? ''} ${line.group ?? ''}`).every((mark) => mark in marks);

/**
 * P(it does not come back | these lines are done): the best way to cure it that the scope holds, 0 where it holds none.
 */
export function curedBy(doing: Doing, cause: Curable): number {
  return Math.max(0, ...cause.curedBy.filter((way) => isDone(doing, cause, way)).map((way) => way.works));
}

/** Every line of the way is in the scope; parts and operations this unit does not have ask for nothing. */
export function isDone(doing: Doing, cause: Curable, { by }: CureWay): boolean {
  const marks = marksOf(cause);
  const done = by.map((line) => (isMeant(line, marks) ? lineDone(doing, line, marks) : false));
  return !done.includes(false) && (by.length === 0 || done.includes(true));
}

/** Null: the unit has nothing of the kind. */
function lineDone(doing: Doing, line: CureLine, marks: Record<string, string>): boolean | null {
  const { unit, lines, repair } = doing;
  if (line.supply) return lines.has('fluid');
  if (line.outside) return lines.has(line.outside);
  if (line.operation) {
    const operation = operationWithRole(unit, line.operation);
    if (!operation) return null;
    // An overhaul holds the work it saves altogether; an exchange unit was overhauled whole.
    const within = (operation.overlaps ?? []).some(
      (o) => o.hours >= operation.hours && lines.has(`labour-${o.with}`),
    );
    const onExchange = repair === 'exchange' && operation.rate === undefined;
    return lines.has(`labour-${operation.id}`) || within || onExchange;
  }
  const parts = partsOfLine(unit, line, marks);
  if (parts.length === 0) return null;
  return parts.every((id) => partDone(doing, id, line.action ?? 'replace'));
}

function partDone(
  { unit, lines, repair, rules }: Doing,
  id: string,
  least: NonNullable<CureLine['action']>,
): boolean {
  const part = unit.parts.find((p) => p.id === id)!;
  const { kinds, roles } = rules.outsideUnit;
  if (repair === 'exchange' && !kinds.includes(part.kind ?? '') && !roles.includes(part.role ?? ''))
    return true;
  return [`part-${id}`, `part-${orderedAs(unit, id).id}`].some((key) => {
    const line = lines.get(key);
    return line !== undefined && reaches(line.action, least);
  });
}

/** The usual way to cure a cause in this job: the first whose conditions hold. */
export function usualWay({ curedBy: ways }: Curable, facts: readonly ScopeFact[]): CureWay | undefined {
  return ways.find((way) => matches(way.when ?? [], facts).length > 0);
}

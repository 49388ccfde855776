import type { FactKnowledge } from '@/core/facts';
import { operationWithRole, partsWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { AddedFriction } from './added-friction';
import { curedBy, isDone, marksOf, usualWay } from './cure';
import type { Curable, Doing } from './cure';
import { applyEdit, editsOf, lineKey } from './edits';
import type { LineEdit } from './edits';
import { isApart, scopeFacts } from './facts';
import type { ScopeCause, ScopeFact, Situation } from './facts';
import {
  blankLine,
  fluidLine,
  isBought,
  merge,
  operationLine,
  partLine,
  roundHours,
  withReasons,
} from './line';
import type { Lines, Reason, ScopeLine } from './line';
import { addOpened } from './opened';
import { problemsOf } from './problems';
import type { ScopeProblem } from './problems';
import { fire, isFor, isInside, matches, partsOfLine } from './rules';
import type { Firing } from './rules';
import type { Repair, RepairRule, RuleLine, ScopeRules } from './schema';
import { asSourced, markSources } from './sources';
import { addWork, timeBench, withoutOverlaps } from './work';

export interface Scope {
  repair: Repair;
  lines: ScopeLine[];
  /** Lines the technician took out, with the reason. */
  removed: ScopeLine[];
  problems: ScopeProblem[];
  /** The problems nobody has signed for, in words. */
  warnings: string[];
  /** What went through the unit, and the elements it was seen in. */
  spread: { kind: string; seenIn: string[] }[];
}

/** What a scope is built by. */
export interface ScopeBasis {
  rules: ScopeRules;
  knowledge: FactKnowledge;
}

/** What can be asked of one situation; its facts are read once. */
export interface Scoper {
  scope: (repair: Repair) => Scope;
  /** P(the cause does not come back | what the scope does); 0 where nothing cures it. */
  works: (scope: Scope, cause: Curable) => number;
  /** Repairs this situation leaves open, and why the others are barred. */
  open: { repair: Repair; barred: string | null; reason: string | null }[];
  /** What the shop's policies ask for, as far as the evidence allows it. */
  usual: Repair;
}

/**
 * Builds scopes: rules over findings, causes and policies first, then what cures the causes, then the technician's changes.
 * `frictions` is what `moreFrictions` says of the unit: a page has it from its worker, and is not sent the gear solver.
 */
export function scoperKnowing(
  frictions: readonly AddedFriction[],
  unit: UnitDefinition,
  basis: ScopeBasis,
  situation: Situation,
): Scoper {
  const facts = scopeFacts(unit, basis.knowledge, situation, frictions);
  const sourced = asSourced(unit, situation.state);
  const open = basis.rules.repairs.map((rule) => openness(rule, facts));
  const { overhaul } = situation.policies;
  const isOpen = (repair: Repair) => open.some((o) => o.repair === repair && o.barred === null);
  return {
    scope: (repair) => build(sourced, basis.rules, situation, facts, repair),
    works: ({ lines, repair }, cause) =>
      curedBy({ unit, rules: basis.rules, repair, lines: new Map(lines.map((l) => [l.key, l])) }, cause),
    open,
    usual: isOpen('upgrade')
      ? 'upgrade'
      : overhaul === 'targeted' && isOpen('targeted')
        ? 'targeted'
        : 'full',
  };
}

function openness({ repair, unless = [], onlyFor }: RepairRule, facts: readonly ScopeFact[]) {
  const holds = ({ when }: { when: string[] }) => matches(when, facts).length > 0;
  const asked = onlyFor?.find(holds);
  const barred = unless.find(holds)?.reason ?? null;
  if (onlyFor && !asked) return { repair, barred: 'Nothing calls for it.', reason: null };
  return { repair, barred, reason: asked?.reason ?? null };
}

function build(
  unit: UnitDefinition,
  rules: ScopeRules,
  { state, causes }: Situation,
  facts: readonly ScopeFact[],
  repair: Repair,
): Scope {
  const lines: Lines = new Map();
  const doing: Doing = { unit, lines, repair, rules };
  for (const firing of rules.rules.filter((r) => isFor(r, repair)).flatMap((rule) => fire(rule, facts)))
    for (const ruleLine of firing.rule.lines)
      for (const line of linesFor(unit, ruleLine, firing)) merge(lines, line);
  if (repair !== 'none') causes.forEach((cause, k) => addCure(doing, cause, facts, k === 0));

  const removed: ScopeLine[] = [];
  const edits = editsOf(unit, state);
  const isThere = ([key, edit]: [string, LineEdit]) => lines.has(lineKey(unit, key, edit));
  // A change of a line that only follows from others waits until it is there.
  const [now, later] = split(edits.parts, (e) => e[1].change === 'add' || isThere(e));
  if (repair !== 'none')
    for (const [key, edit] of now) {
      // Of a unit that is exchanged nothing inside is repaired; lines of one's own stay.
      const own = !key.startsWith('part-') && edit.part === undefined;
      if (isInside(repair) || own || lines.has(key)) applyEdit(unit, lines, removed, key, edit);
    }
  if (isInside(repair) && isApart(state)) addOpened(unit, state, lines, removed, rules);
  openKit(unit, lines, removed);
  for (const edit of later) if (isThere(edit)) applyEdit(unit, lines, removed, ...edit);
  if (repair !== 'none') addWork(unit, lines, rules);
  timeBench(unit, lines);
  if (repair !== 'none') for (const [key, edit] of edits.work) applyEdit(unit, lines, removed, key, edit);
  withoutOverlaps(unit, lines);
  markSources(lines, state);

  const problems = problemsOf(doing, state, removed, causes, facts);
  const ordered = [...lines.values()].sort(
    (a, b) => rank(unit, a) - rank(unit, b) || a.name.localeCompare(b.name),
  );
  const warnings = problems.filter((p) => p.waiver === null).map((p) => p.words);
  return { repair, lines: ordered, removed, problems, warnings, spread: spreadOf(rules, facts) };
}

/**
 * What cures a cause comes into the scope: where rules and policies have put a way there already it is marked as the cure,
 * else the usual way is added.
 */
function addCure(doing: Doing, cause: ScopeCause, facts: readonly ScopeFact[], isRoot: boolean): void {
  const usual = usualWay(cause, facts);
  if (!usual) return;
  const enough = cause.curedBy.find((way) => way.works >= usual.works && isDone(doing, cause, way));
  const reason: Omit<Reason, 'action'> = {
    rule: 'cause',
    words: `${isRoot ? 'Cures what failed first' : 'Cures what contributed'}: ${cause.words}`,
    slots: ['cause.commit'],
    firm: true,
  };
  for (const line of (enough ?? usual).by)
    for (const made of cureLines(doing, line, cause, reason)) merge(doing.lines, made);
}

/** Lines of a cure; of a unit that is exchanged only what lies outside it. */
function cureLines(doing: Doing, line: RuleLine, cause: ScopeCause, reason: Omit<Reason, 'action'>) {
  const { unit, repair, rules } = doing;
  const firing: Firing = {
    rule: {
      id: reason.rule,
      ...(reason.firm ? { firm: true } : {}),
      when: [],
      lines: [],
      reason: reason.words,
    },
    binding: marksOf(cause),
    slots: reason.slots,
  };
  return linesFor(unit, line, firing).filter((made) => {
    if (isInside(repair) || made.kind === 'outside' || made.kind === 'fluid') return true;
    if (made.kind === 'labour') return made.rate !== 'bench';
    const part = unit.parts.find((p) => p.id === made.of);
    const { kinds, roles } = rules.outsideUnit;
    return kinds.includes(part?.kind ?? '') || roles.includes(part?.role ?? '');
  });
}

function split<T>(list: readonly T[], test: (item: T) => boolean): [T[], T[]] {
  const [yes, no]: [T[], T[]] = [[], []];
  for (const item of list) (test(item) ? yes : no).push(item);
  return [yes, no];
}

function linesFor(unit: UnitDefinition, line: RuleLine, { rule, slots, binding }: Firing): ScopeLine[] {
  const reason = (action: Reason['action']): Reason => ({
    rule: rule.id,
    ...(rule.custom ? { custom: true as const } : {}),
    words: rule.reason,
    slots: [...new Set(slots)],
    firm: rule.firm ?? false,
    action,
  });
  if (line.supply) return [fluidLine(unit, reason('replace'))];
  if (line.operation) {
    const operation = operationWithRole(unit, line.operation);
    if (!operation) return [];
    const made = operationLine(operation, reason('replace'));
    return [line.done ? { ...made, hours: roundHours(made.hours * made.before), before: 1 } : made];
  }
  if (line.outside)
    return [blankLine(line.outside, 'outside', line.name ?? '', reason(line.action ?? 'measure'))];
  return partsOfLine(unit, line, binding).map((id) => ({
    ...partLine(unit, id, reason(line.action ?? 'replace')),
    onTheShop: line.onTheShop ?? false,
  }));
}

/** A kit that is bought is shown with what is in it: none of that is charged again. */
function openKit(unit: UnitDefinition, lines: Lines, removed: readonly ScopeLine[]): void {
  const kit = partsWithRole(unit, 'overhaul-kit')
    .map((p) => lines.get(`part-${p.id}`))
    .find((line) => line !== undefined && isBought(line.action));
  if (!kit) return;
  const reason: Reason = {
    rule: 'kit',
    custom: true,
    words: 'In the overhaul kit',
    slots: [],
    firm: false,
    action: 'replace',
  };
  for (const part of unit.parts) {
    if (part.kit !== 'overhaul' || removed.some((l) => l.key === `part-${part.id}`)) continue;
    kit.contents.push(part.name);
    // What is sold only within a set has no line of its own.
    if (part.soldAs === undefined) merge(lines, partLine(unit, part.id, reason));
    const line = lines.get(`part-${part.id}`);
    if (line?.action === 'replace')
      Object.assign(line, { inKit: true, reasons: withReasons(line.reasons, [reason]) });
  }
}

/** What went through the unit, and where it shows. */
function spreadOf(rules: ScopeRules, facts: readonly ScopeFact[]): Scope['spread'] {
  return facts
    .filter((f) => f.point === 'spread')
    .map(({ level: kind }) => {
      const seen = rules.spread[kind];
      const head = `${seen?.point}:`;
      const shown = facts.filter((f) => f.point.startsWith(head) && seen?.levels.includes(f.level));
      return { kind, seenIn: [...new Set(shown.map((f) => f.point.slice(head.length)))] };
    });
}

function rank(unit: UnitDefinition, line: ScopeLine): number {
  if (line.kind === 'fluid') return 900;
  if (line.kind === 'labour') return 1000;
  if (line.kind === 'outside') return 2000;
  return unit.stations.find((s) => s.id === line.station)?.order ?? 500;
}

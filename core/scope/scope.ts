import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import type { FactKnowledge } from '@/core/facts';
import { midSentence, operationWithRole, partOf, partsWithRole } from '@/core/unit';
import type { LabourOperation, Part, UnitDefinition } from '@/core/unit';
import { scopeFacts } from './facts';
import type { Policies, ScopeCause } from './facts';
import { fire, partsOfLine } from './rules';
import type { Firing, RuleLine, ScopeAction, ScopeRules } from './rules';

export interface Reason {
  rule: string;
  words: string;
  /** Findings and policies it rests on. */
  slots: string[];
  /** A policy cannot switch it off. */
  firm: boolean;
}

export interface ScopeLine {
  /** `part-<id>`, `labour-<id>` or `outside-<id>`: unique in a scope. */
  key: string;
  kind: 'part' | 'labour' | 'outside';
  name: string;
  station: string | null;
  action: ScopeAction;
  quantity: number;
  /** Unit price, minor units. */
  price: number;
  hours: number;
  leadDays: number;
  coreDeposit: number;
  /** Days to bring the old part back for its deposit, where the supplier sets any. */
  coreReturnDays: number | null;
  /** The overhaul kit already holds it. */
  inKit: boolean;
  onTheShop: boolean;
  reasons: Reason[];
  /** The technician added, changed or took it out. */
  edited: 'add' | 'change' | 'remove' | null;
}

export interface Scope {
  lines: ScopeLine[];
  /** Lines the technician took out, with the reason. */
  removed: ScopeLine[];
  warnings: string[];
}

type LineEdit = {
  change: 'add' | 'change' | 'remove';
  part?: string;
  operation?: string;
  name?: string;
  action?: ScopeAction;
  quantity?: number;
  price?: number;
  hours?: number;
  reason: string;
};

const STRENGTH: Record<ScopeAction, number> = {
  reuse: 0,
  clean: 1,
  measure: 2,
  machine: 3,
  replace: 4,
  upgrade: 5,
};

/** What a scope is built by. */
export interface ScopeBasis {
  rules: ScopeRules;
  knowledge: FactKnowledge;
}

/** Builds the scope: rules over findings, cause and policies first, then the technician's own changes. */
export function buildScope(
  unit: UnitDefinition,
  { rules, knowledge }: ScopeBasis,
  state: JobState,
  policies: Policies,
  cause: ScopeCause | null,
): Scope {
  const facts = scopeFacts(unit, state, knowledge, policies, cause);
  const lines = new Map<string, ScopeLine>();
  for (const firing of rules.rules.flatMap((rule) => fire(rule, facts))) {
    for (const ruleLine of firing.rule.lines) {
      for (const line of linesFor(unit, ruleLine, firing)) merge(lines, line);
    }
  }
  const removed: ScopeLine[] = [];
  for (const [key, edit] of below(state, 'scope.line.')) applyEdit(unit, lines, removed, key, edit);
  for (const line of lines.values()) withoutOverlap(unit, lines, line);
  const kit = partsWithRole(unit, 'overhaul-kit').some((p) => lines.has(`part-${p.id}`));
  for (const line of lines.values()) {
    line.inKit =
      kit && line.kind === 'part' && unit.parts.find((p) => `part-${p.id}` === line.key)?.kit === 'overhaul';
  }
  const ordered = [...lines.values()].sort(
    (a, b) => rank(unit, a) - rank(unit, b) || a.name.localeCompare(b.name),
  );
  return { lines: ordered, removed, warnings: warningsOf(unit, lines, removed, cause) };
}

function linesFor(unit: UnitDefinition, line: RuleLine, firing: Firing): ScopeLine[] {
  const reason: Reason = {
    rule: firing.rule.id,
    words: firing.rule.reason,
    slots: [...new Set(firing.slots)],
    firm: firing.rule.firm ?? false,
  };
  if (line.operation) return operationLine(operationWithRole(unit, line.operation), reason);
  if (line.outside)
    return [{ ...blank(line.outside, 'outside', line.name ?? '', reason), action: line.action ?? 'measure' }];
  return partsOfLine(unit, line, firing.binding).map((id) =>
    partLine(unit, id, line.action ?? 'replace', reason, line.onTheShop),
  );
}

function blank(key: string, kind: ScopeLine['kind'], name: string, reason: Reason): ScopeLine {
  return {
    key,
    kind,
    name,
    station: null,
    action: 'replace',
    quantity: 1,
    price: 0,
    hours: 0,
    leadDays: 0,
    coreDeposit: 0,
    coreReturnDays: null,
    inKit: false,
    onTheShop: false,
    reasons: [reason],
    edited: null,
  };
}

function partLine(
  unit: UnitDefinition,
  id: string,
  action: ScopeAction,
  reason: Reason,
  onTheShop = false,
): ScopeLine {
  const bought = STRENGTH[action] >= STRENGTH.replace;
  const part = bought ? orderedAs(unit, id) : partOf(unit, id);
  const why = part.id === id ? reason : { ...reason, words: `${reason.words} (${partOf(unit, id).name})` };
  return {
    ...blank(`part-${part.id}`, 'part', part.name, why),
    station: part.station,
    action,
    price: bought ? (part.price ?? 0) : 0,
    leadDays: bought ? (part.leadDays ?? 0) : 0,
    coreDeposit: bought ? (part.coreDeposit ?? 0) : 0,
    coreReturnDays: bought ? (part.returnDays ?? null) : null,
    onTheShop,
  };
}

function operationLine(operation: LabourOperation | undefined, reason: Reason): ScopeLine[] {
  return operation
    ? [{ ...blank(`labour-${operation.id}`, 'labour', operation.name, reason), hours: operation.hours }]
    : [];
}

/** What is ordered for a part: itself, or the set or successor it is sold as. */
function orderedAs(unit: UnitDefinition, id: string): Part {
  let part = partOf(unit, id);
  // As often as there are parts at most: a circle of successors ends somewhere.
  for (let k = 0; part.soldAs !== undefined && k < unit.parts.length; k++) part = partOf(unit, part.soldAs);
  return part;
}

/** Hours two operations would both count are counted once; hours the technician set stand. */
function withoutOverlap(unit: UnitDefinition, lines: Map<string, ScopeLine>, line: ScopeLine): void {
  const operation = unit.labour.find((o) => `labour-${o.id}` === line.key);
  if (!operation || line.edited) return;
  for (const { with: other, hours } of operation.overlaps ?? []) {
    const known = lines.get(`labour-${other}`);
    if (!known) continue;
    line.hours = Math.max(0, Math.round((line.hours - hours) * 100) / 100);
    const words = `${hours} h less: done along with “${known.name}”`;
    line.reasons = [...line.reasons, { rule: 'overlap', words, slots: [], firm: false }];
  }
}

/** Two rules for one part: the stronger action stands, both reasons are kept. */
function merge(lines: Map<string, ScopeLine>, line: ScopeLine): void {
  const known = lines.get(line.key);
  if (!known) {
    lines.set(line.key, line);
    return;
  }
  const stronger = STRENGTH[line.action] > STRENGTH[known.action] ? line : known;
  const reasons = [
    ...known.reasons,
    ...line.reasons.filter((r) => !known.reasons.some((k) => k.rule === r.rule)),
  ];
  lines.set(line.key, { ...stronger, onTheShop: known.onTheShop || line.onTheShop, reasons });
}

function applyEdit(
  unit: UnitDefinition,
  lines: Map<string, ScopeLine>,
  removed: ScopeLine[],
  key: string,
  edit: LineEdit,
): void {
  const reason: Reason = {
    rule: 'technician',
    words: edit.reason,
    slots: [`scope.line.${key}`],
    firm: false,
  };
  const at = lineKey(unit, key, edit);
  const known = lines.get(at);
  if (edit.change === 'remove') {
    if (!known) return;
    lines.delete(at);
    removed.push({ ...known, edited: 'remove', reasons: [...known.reasons, reason] });
    return;
  }
  const base = known ?? fromEdit(unit, key, edit, reason);
  lines.set(at, {
    ...base,
    name: edit.name ?? base.name,
    action: edit.action ?? base.action,
    quantity: edit.quantity ?? base.quantity,
    price: edit.price ?? base.price,
    hours: edit.hours ?? base.hours,
    reasons: known ? [...known.reasons, reason] : [reason],
    edited: edit.change,
  });
}

/** A part or an operation of the unit has one line, whoever puts it there. */
function lineKey(unit: UnitDefinition, key: string, edit: LineEdit): string {
  if (unit.parts.some((p) => p.id === edit.part)) return `part-${edit.part}`;
  if (unit.labour.some((l) => l.id === edit.operation)) return `labour-${edit.operation}`;
  return key;
}

function fromEdit(unit: UnitDefinition, key: string, edit: LineEdit, reason: Reason): ScopeLine {
  if (edit.part && unit.parts.some((p) => p.id === edit.part))
    return partLine(unit, edit.part, edit.action ?? 'replace', reason);
  const operation = operationLine(
    unit.labour.find((l) => l.id === edit.operation),
    reason,
  )[0];
  return operation ?? blank(key, edit.hours ? 'labour' : 'part', edit.name ?? key, reason);
}

function rank(unit: UnitDefinition, line: ScopeLine): number {
  if (line.kind === 'labour') return 1000;
  if (line.kind === 'outside') return 2000;
  return unit.stations.find((s) => s.id === line.station)?.order ?? 500;
}

function warningsOf(
  unit: UnitDefinition,
  lines: Map<string, ScopeLine>,
  removed: ScopeLine[],
  cause: ScopeCause | null,
): string[] {
  const warnings = removed.flatMap((line) => {
    const firm = line.reasons.find((r) => r.firm);
    return firm ? [`${line.name} was taken out, though: ${firm.words.toLowerCase()}.`] : [];
  });
  const root = cause?.part && unit.parts.some((p) => p.id === cause.part) ? cause.part : null;
  if (root && !lines.has(`part-${root}`) && !lines.has(`part-${orderedAs(unit, root).id}`)) {
    warnings.push(
      `The root cause, ${midSentence(partOf(unit, root).name)}, is not in the scope: the job cannot be released without a written waiver.`,
    );
  }
  for (const part of unit.parts) {
    const line = lines.get(`part-${part.id}`);
    if (line && part.variantMeasurement && STRENGTH[line.action] >= STRENGTH.replace) {
      warnings.push(`${part.name}: more than one variant. ${part.variantMeasurement}`);
    }
  }
  return warnings;
}

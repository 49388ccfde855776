import { operationWithRole, partOf } from '@/core/unit';
import type { LabourOperation, UnitDefinition } from '@/core/unit';
import { merge, operationLine, reaches, roundHours } from './line';
import type { Lines, ScopeLine } from './line';
import type { ScopeRules } from './schema';

/** Adds the work that follows from what is done with the parts. */
export function addWork(unit: UnitDefinition, lines: Lines, { work }: ScopeRules): void {
  const parts = [...lines.values()].filter((l) => l.kind === 'part' && l.of !== null);
  for (const rule of work) {
    const operation = operationWithRole(unit, rule.operation);
    const meant = parts.filter((line) => {
      const { kind, role } = partOf(unit, line.of!);
      const any = rule.kinds === undefined && rule.roles === undefined;
      const named = rule.kinds?.includes(kind ?? '') || (role !== undefined && rule.roles?.includes(role));
      return (any || named) && rule.actions.includes(line.action);
    });
    if (!operation || meant.length === 0) continue;
    const slots = [...new Set(meant.flatMap((l) => l.reasons.flatMap((r) => r.slots)))];
    const reason = { rule: rule.id, words: rule.reason, slots, firm: false, action: 'replace' as const };
    const pieces = meant.reduce((n, l) => n + l.quantity, 0);
    merge(lines, { ...operationLine(operation, reason), quantity: rule.each ? pieces : 1 });
  }
}

/**
 * Bench time of a targeted repair: putting the unit together, and each station where something is renewed or machined;
 * never more than the overhaul. Stations without a time of their own share what the overhaul takes longer.
 */
export function timeBench(unit: UnitDefinition, lines: Lines): void {
  const operation = operationWithRole(unit, 'targeted');
  const line = operation && lines.get(`labour-${operation.id}`);
  if (!operation || !line) return;
  const whole = operationWithRole(unit, 'overhaul')?.hours ?? Infinity;
  const share = Number.isFinite(whole) ? Math.max(0, whole - operation.hours) / unit.stations.length : 0;
  const touched = unit.stations.filter((station) =>
    [...lines.values()].some(
      (l) => l.kind === 'part' && l.station === station.id && reaches(l.action, 'machine'),
    ),
  );
  const benches = touched
    .map((s) => ({ name: s.name, hours: s.benchHours ?? share }))
    .filter((b) => b.hours > 0);
  const hours = Math.min(whole, operation.hours + benches.reduce((sum, b) => sum + b.hours, 0));
  line.hours = roundHours(hours);
  if (benches.length === 0) return;
  const words = `${operation.hours} h to put it together, and ${benches.map((b) => `${b.name} ${roundHours(b.hours)} h`).join(', ')}`;
  line.reasons = [...line.reasons, { rule: 'bench-time', words, slots: [], firm: false, action: 'replace' }];
}

/** Hours two operations would both count are counted once; hours the technician set stand. */
export function withoutOverlaps(unit: UnitDefinition, lines: Lines): void {
  for (const line of lines.values()) {
    const operation = unit.labour.find((o) => `labour-${o.id}` === line.key);
    if (operation && !line.edited) withoutOverlap(operation, lines, line);
  }
}

function withoutOverlap(operation: LabourOperation, lines: Lines, line: ScopeLine): void {
  for (const { with: other, hours } of operation.overlaps ?? []) {
    const known = lines.get(`labour-${other}`);
    if (!known || line.hours === 0) continue;
    const saved = Math.min(line.hours, hours);
    line.hours = roundHours(line.hours - saved);
    const words =
      line.hours === 0
        ? `Done within “${known.name}”: not charged again`
        : `${roundHours(saved)} h less: done along with “${known.name}”`;
    line.reasons = [...line.reasons, { rule: 'overlap', words, slots: [], firm: false, action: line.action }];
  }
}

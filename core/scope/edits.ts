import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { blankLine, isBought, isPriced, operationLine, partLine } from './line';
import type { Lines, Reason, ScopeLine } from './line';
import type { ScopeAction } from './schema';

/** A change by hand, as the record holds it. */
export interface LineEdit {
  change: 'add' | 'change' | 'remove';
  part?: string;
  operation?: string;
  name?: string;
  action?: ScopeAction;
  quantity?: number;
  price?: number;
  hours?: number;
  reason: string;
}

/** Changes by hand, those to work apart: work follows from the parts. */
export function editsOf(
  unit: UnitDefinition,
  state: JobState,
): Record<'parts' | 'work', [string, LineEdit][]> {
  const edits = below(state, 'scope.line.') as [string, LineEdit][];
  const isWork = ([key, edit]: [string, LineEdit]) =>
    key.startsWith('labour-') || unit.labour.some((o) => o.id === edit.operation);
  return { parts: edits.filter((e) => !isWork(e)), work: edits.filter(isWork) };
}

/** Applies a change by hand. What is taken out is kept apart, with the reason. */
export function applyEdit(
  unit: UnitDefinition,
  lines: Lines,
  removed: ScopeLine[],
  key: string,
  edit: LineEdit,
): void {
  const at = lineKey(unit, key, edit);
  const known = lines.get(at);
  const reason: Reason = {
    rule: 'technician',
    words: edit.reason,
    slots: [`scope.line.${key}`],
    firm: false,
    action: edit.action ?? known?.action ?? 'replace',
  };
  if (edit.change === 'remove') {
    if (!known) return;
    lines.delete(at);
    removed.push({ ...known, edited: 'remove', reasons: [...known.reasons, reason] });
    return;
  }
  const base = lineWith(unit, known, key, edit, reason);
  if (known && base.key !== at) lines.delete(at);
  const priced = base.kind !== 'part' || isPriced(base.action);
  const price = priced && edit.price !== undefined ? edit.price : base.price;
  lines.set(base.key, {
    ...base,
    name: edit.name ?? base.name,
    quantity: edit.quantity ?? base.quantity,
    price,
    unpriced: base.unpriced && edit.price === undefined,
    hours: edit.hours ?? base.hours,
    reasons: known ? [...known.reasons, reason] : [reason],
    edited: edit.change,
  });
}

/** The line as it is with the action asked for: its money goes by what is done, never by what was. */
function lineWith(
  unit: UnitDefinition,
  known: ScopeLine | undefined,
  key: string,
  edit: LineEdit,
  reason: Reason,
): ScopeLine {
  if (!known) return fromEdit(unit, key, edit, reason);
  if (edit.action === undefined || edit.action === known.action) return known;
  if (known.kind === 'part' && known.of !== null)
    return { ...partLine(unit, known.of, reason), onTheShop: known.onTheShop };
  return { ...known, action: edit.action };
}

function fromEdit(unit: UnitDefinition, key: string, edit: LineEdit, reason: Reason): ScopeLine {
  if (edit.part && unit.parts.some((p) => p.id === edit.part)) return partLine(unit, edit.part, reason);
  const operation = unit.labour.find((l) => l.id === edit.operation);
  if (operation) return operationLine(operation, reason);
  const kind = edit.hours ? 'labour' : key.startsWith('outside-') ? 'outside' : 'part';
  const line = blankLine(key, kind, edit.name ?? key, reason);
  return { ...line, unpriced: kind === 'part' && isBought(reason.action) && edit.price === undefined };
}

/** A part or an operation of the unit has one line, whoever puts it there. */
export function lineKey(unit: UnitDefinition, key: string, edit: LineEdit): string {
  if (unit.parts.some((p) => p.id === edit.part)) return `part-${edit.part}`;
  if (unit.labour.some((l) => l.id === edit.operation)) return `labour-${edit.operation}`;
  return key;
}

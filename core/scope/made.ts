import type { JobState, ValueAt } from '@/core/case';
import { valueOf } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { isByCustom } from './line';
import type { ScopeLine } from './line';
import { SCOPE_ACTIONS } from '@/core/case';
import type { ScopeAction } from './schema';
import type { Scope } from './scope';

/**
 * A scope as somebody stood by it: what is done with what, line by line, as `KEY ACTION QUANTITY`; then `custom` where
 * nothing but custom asked for it, and ` | NAME` of what is no part of the unit.
 */
export type MadeScope = ValueAt<'scope.made.full'>;

/** What has changed in a scope, without anybody having changed it by hand, since somebody stood by it. */
export interface ScopeChange {
  key: string;
  name: string;
  /** What was to be done; null: nothing. */
  before: ScopeAction | null;
  /** What is to be done now; null: nothing. */
  now: ScopeAction | null;
  quantity: number;
  /** The line as it is now; null where there is none any more. */
  line: ScopeLine | null;
}

/** What is renewed in every repair comes and goes by itself: it is no decision. */
const byCustom = (line: ScopeLine) => line.edited === null && line.reasons.every(isByCustom);

/** Work follows from the parts. */
const isKept = (line: ScopeLine) => line.kind !== 'labour';

export const madeOf = (scope: Scope): MadeScope => ({
  lines: scope.lines.filter(isKept).map(lineText),
});

const CUSTOM = 'custom';
const NAME = ' | ';
/** The longest a line of the record may be. */
const LONGEST = 160;

const lineText = (l: ScopeLine) =>
  `${l.key} ${l.action} ${l.quantity}${byCustom(l) ? ` ${CUSTOM}` : ''}${l.of === null ? NAME + l.name : ''}`.slice(
    0,
    LONGEST,
  );

/** What the evidence, the policies or the cause have changed since; empty where nobody stood by this scope yet. */
export function changesSince(unit: UnitDefinition, state: JobState, scope: Scope): ScopeChange[] {
  if (scope.repair === 'none') return [];
  const made = valueOf(state, `scope.made.${scope.repair}`);
  if (!made) return [];
  const before = new Map(made.lines.flatMap(readLine));
  const now = new Map(scope.lines.filter(isKept).map((l) => [l.key, l]));
  const taken = new Set(scope.removed.map((l) => l.key));
  const other = [...now.values()].flatMap((line): ScopeChange[] => {
    const then = before.get(line.key);
    const same = then?.action === line.action || line.edited !== null;
    if (same || (byCustom(line) && (then === undefined || then.custom))) return [];
    return [{ ...named(line), before: then?.action ?? null, now: line.action, line }];
  });
  const gone = [...before].flatMap(([key, then]): ScopeChange[] => {
    if (now.has(key) || taken.has(key) || then.custom) return [];
    const name = unit.parts.find((p) => `part-${p.id}` === key)?.name ?? then.name ?? key;
    return [{ key, name, before: then.action, now: null, quantity: then.quantity, line: null }];
  });
  return [...other, ...gone];
}

const named = ({ key, name, quantity }: ScopeLine) => ({ key, name, quantity });

interface Then {
  action: ScopeAction;
  quantity: number;
  custom: boolean;
  name: string | undefined;
}

function readLine(text: string): [string, Then][] {
  const [done, name] = text.split(NAME);
  const [key, action, quantity, custom] = done!.split(' ');
  const known = SCOPE_ACTIONS.find((a) => a === action);
  return key && known
    ? [[key, { action: known, quantity: Number(quantity) || 1, custom: custom === CUSTOM, name }]]
    : [];
}

/** The record with one change taken: from now on the scope stands so. */
export function withTaken(made: MadeScope, change: ScopeChange): MadeScope {
  const others = made.lines.filter((text) => text.split(' ')[0] !== change.key);
  return { lines: [...others, ...(change.line ? [lineText(change.line)] : [])] };
}

/** The change by hand that leaves a line as it was: the slot `scope.line.KEY` and what it says. */
export function leftAsItWas(
  unit: UnitDefinition,
  change: ScopeChange,
  reason: string,
): ValueAt<'scope.line.*'> {
  if (change.before === null) return { change: 'remove', reason };
  const part = unit.parts.find((p) => `part-${p.id}` === change.key)?.id;
  const same = { action: change.before, quantity: change.quantity, reason };
  if (change.line) return { change: 'change', ...same };
  return { change: 'add', ...(part ? { part } : { name: change.name }), ...same };
}

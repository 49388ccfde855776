import type { Grade } from '@/core/case';
import { partOf } from '@/core/unit';
import type { LabourOperation, LabourRate, Part, UnitDefinition } from '@/core/unit';
import type { ScopeAction } from './schema';

export interface Reason {
  rule: string;
  words: string;
  /** Findings and policies it rests on. */
  slots: string[];
  /** A policy cannot switch it off. */
  firm: boolean;
  /** What it asks to be done. */
  action: ScopeAction;
  /** It asks for the same in every repair: it calls for none. */
  custom?: true;
}

export interface ScopeLine {
  /** `part-<id>`, `labour-<id>`, `outside-<id>` or `fluid`: unique in a scope. */
  key: string;
  kind: 'part' | 'labour' | 'outside' | 'fluid';
  name: string;
  /** The part or operation of the unit; null for a line of one's own. */
  of: string | null;
  station: string | null;
  action: ScopeAction;
  /** Pieces, or litres of fluid. */
  quantity: number;
  /** Unit price, minor units; fluid and labour are priced by the shop's rates unless one is set here. */
  price: number | null;
  /** Bought, and no price is known: nothing is sold for nothing. */
  unpriced: boolean;
  hours: number;
  /** What of the hours is done once the unit is apart. */
  before: number;
  rate: LabourRate;
  leadDays: number;
  coreDeposit: number;
  /** Days to bring the old part back for its deposit, where the supplier sets any. */
  coreReturnDays: number | null;
  supplier: string | null;
  /** What it is bought as; null where nobody chose, and it comes as the price book has it. */
  grade: Grade | null;
  /** What the old part must come back in. */
  packaging: string | null;
  /** The piece of the shop's own shelf that is held for it. */
  shelf: string | null;
  /** The overhaul kit already holds it. */
  inKit: boolean;
  /** What a kit holds, by name. */
  contents: string[];
  /** Sizes it is chosen from once it is measured, m. */
  sizes: number[];
  onTheShop: boolean;
  reasons: Reason[];
  /** The technician added, changed or took it out. */
  edited: 'add' | 'change' | 'remove' | null;
}

/** How far each action goes: of two for one part the further stands. */
const EXTENT: Record<ScopeAction, number> = {
  reuse: 0,
  return: 0,
  clean: 1,
  flush: 1,
  measure: 2,
  machine: 3,
  reline: 4,
  replace: 5,
  upgrade: 6,
};

/** It does at least as much. */
export const reaches = (action: ScopeAction, least: ScopeAction) => EXTENT[action] >= EXTENT[least];

/** A part is bought for it. */
export const isBought = (action: ScopeAction) => reaches(action, 'replace');

/** Something is charged for the part itself: it is bought, or worked on elsewhere. */
export const isPriced = (action: ScopeAction) => reaches(action, 'machine');

export function blankLine(key: string, kind: ScopeLine['kind'], name: string, reason: Reason): ScopeLine {
  return {
    key,
    kind,
    name,
    of: null,
    station: null,
    action: reason.action,
    quantity: 1,
    price: null,
    unpriced: false,
    hours: 0,
    before: 0,
    rate: 'bench',
    leadDays: 0,
    coreDeposit: 0,
    coreReturnDays: null,
    supplier: null,
    grade: null,
    packaging: null,
    shelf: null,
    inKit: false,
    contents: [],
    sizes: [],
    onTheShop: false,
    reasons: [reason],
    edited: null,
  };
}

/** A part with what is done to it: bought, it is what it is sold as, with that part's price and deposit. */
export function partLine(unit: UnitDefinition, id: string, reason: Reason): ScopeLine {
  const bought = isBought(reason.action);
  const part = bought ? orderedAs(unit, id) : partOf(unit, id);
  const why = part.id === id ? reason : { ...reason, words: `${partOf(unit, id).name}: ${reason.words}` };
  const line = {
    ...blankLine(`part-${part.id}`, 'part', part.name, why),
    of: part.id,
    station: part.station,
  };
  if (!bought) return line;
  return {
    ...line,
    price: reason.action === 'upgrade' ? withOneMore(unit, part) : (part.price ?? null),
    unpriced: part.price === undefined,
    leadDays: part.leadDays ?? 0,
    coreDeposit: part.coreDeposit ?? 0,
    coreReturnDays: part.returnDays ?? null,
    supplier: part.supplier ?? null,
  };
}

/** Plates of a pack that gets one more: the set's price and one plate on top, minor units. */
function withOneMore(unit: UnitDefinition, part: Part): number | null {
  if (part.price === undefined) return null;
  const plate = { 'friction-plates': 'friction', 'steel-plates': 'steel' }[part.kind ?? ''];
  const pack = unit.elements.find((e) => e.liningParts?.includes(part.id))?.pack;
  const count = pack?.order.filter((p) => p === plate).length ?? 0;
  return count > 0 ? Math.round((part.price * (count + 1)) / count) : part.price;
}

export function operationLine(operation: LabourOperation, reason: Reason): ScopeLine {
  return {
    ...blankLine(`labour-${operation.id}`, 'labour', operation.name, reason),
    of: operation.id,
    hours: operation.hours,
    before: operation.before ?? 0,
    rate: operation.rate ?? 'bench',
  };
}

export function fluidLine(unit: UnitDefinition, reason: Reason): ScopeLine {
  return { ...blankLine('fluid', 'fluid', 'Transmission fluid', reason), quantity: unit.fluidLitres };
}

/** What is ordered for a part: itself, or the set or successor it is sold as. */
export function orderedAs(unit: UnitDefinition, id: string): Part {
  let part = partOf(unit, id);
  // As often as there are parts at most: a circle of successors ends somewhere.
  for (let k = 0; part.soldAs !== undefined && k < unit.parts.length; k++) part = partOf(unit, part.soldAs);
  return part;
}

export const isByCustom = (reason: Reason) => reason.custom === true;

/** Hours to the minute or so: sums of tenths stay tenths. */
export const roundHours = (hours: number) => Math.round(hours * 100) / 100;

/** Lines by their key. */
export type Lines = Map<string, ScopeLine>;

/** Two reasons for one line: the further action stands, both reasons are kept, the same words once. */
export function merge(lines: Lines, line: ScopeLine): void {
  const known = lines.get(line.key);
  if (!known) {
    lines.set(line.key, line);
    return;
  }
  const further = EXTENT[line.action] > EXTENT[known.action] ? line : known;
  lines.set(line.key, {
    ...further,
    onTheShop: known.onTheShop || line.onTheShop,
    reasons: withReasons(known.reasons, line.reasons),
  });
}

/** Reasons of both, the same words once: what is firm in either is firm. */
export function withReasons(known: readonly Reason[], more: readonly Reason[]): Reason[] {
  const all = known.map((r) => ({ ...r }));
  for (const reason of more) {
    const same = all.find((r) => r.words === reason.words);
    if (!same) {
      all.push({ ...reason });
      continue;
    }
    same.firm ||= reason.firm;
    same.slots = [...new Set([...same.slots, ...reason.slots])];
    if (EXTENT[reason.action] > EXTENT[same.action]) same.action = reason.action;
  }
  return all;
}

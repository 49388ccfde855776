import { CASE, partOf } from '@/core/unit';
import type { Attachment, Element, GearPosition, Gearset, UnitDefinition } from '@/core/unit';
import type { Fault } from './fault';
import type { Row } from './linear';

/** The speed equations of one gear position: `rows·ω = 0`, and `ω_a − ω_b ≥ 0` for the one-way clutches. */
export interface System {
  members: string[];
  input: number;
  output: number;
  rows: Row[];
  /** The element behind each row, or null for a gearset's own equation. */
  owners: (string | null)[];
  /** One-way clutches at work, a ≥ b, and their rows. */
  oneWays: string[];
  oneWayRows: Row[];
}

/**
 * Builds the equations with faults applied (slips are left to the statics: kinematics treats them as holding).
 * Coefficients: simple planetary Zs·ωs + Zr·ωr − (Zs+Zr)·ωc = 0, double pinion Zs·ωs − Zr·ωr − (Zs−Zr)·ωc = 0,
 * external mesh Za·ωa + Zb·ωb = 0, internal mesh Za·ωa − Zb·ωb = 0 (Willis).
 */
export function buildSystem(unit: UnitDefinition, gear: GearPosition, faults: Fault[]): System {
  const splits = splitsOf(unit, faults);
  const { members, input, output, gearsets, elements } = compiled(unit, splits);
  const state = stateOf(faults);
  const system: System = { members, input, output, rows: [], owners: [], oneWays: [], oneWayRows: [] };
  for (const { id, row } of gearsets) {
    if (state.get(`strip ${id}`)) continue;
    system.rows.push(row);
    system.owners.push(null);
  }
  for (const { id, row, oneWay } of elements) {
    const fault = state.get(id);
    if (fault === 'lost') continue;
    if (oneWay && fault !== 'stuck') {
      system.oneWays.push(id);
      system.oneWayRows.push(row);
    } else if (fault === 'stuck' || gear.apply.includes(id)) {
      system.rows.push(row);
      system.owners.push(id);
    }
  }
  return system;
}

/** What is wrong with each element, and which gearsets are stripped. Lost outweighs stuck. */
function stateOf(faults: Fault[]): Map<string, 'lost' | 'stuck' | 'strip'> {
  const state = new Map<string, 'lost' | 'stuck' | 'strip'>();
  for (const fault of faults) {
    if (fault.kind === 'strip') state.set(`strip ${fault.gearset}`, 'strip');
    else if (fault.kind === 'lost') state.set(fault.element, 'lost');
    else if (fault.kind === 'stuck' && !state.has(fault.element)) state.set(fault.element, 'stuck');
  }
  return state;
}

/** Every row a unit can need. Rows are shared and never written to. */
interface CompiledUnit {
  members: string[];
  input: number;
  output: number;
  gearsets: { id: string; row: Row }[];
  elements: { id: string; row: Row; oneWay: boolean }[];
}

const known = new WeakMap<UnitDefinition, Map<string, CompiledUnit>>();

/** Compiled once per unit and set of broken parts. */
function compiled(unit: UnitDefinition, splits: Split[]): CompiledUnit {
  let ofUnit = known.get(unit);
  if (!ofUnit) known.set(unit, (ofUnit = new Map<string, CompiledUnit>()));
  const key = splits.map((s) => s.twin).join();
  let found = ofUnit.get(key);
  if (!found) ofUnit.set(key, (found = compile(unit, splits)));
  return found;
}

function compile(unit: UnitDefinition, splits: Split[]): CompiledUnit {
  const members = [...unit.members.map((m) => m.id), ...splits.map((s) => s.twin)];
  const index = new Map(members.map((id, k) => [id, k]));
  const ends = (member: string, attachment: Attachment): number => {
    const split = splits.find((s) => s.member === member && s.away.some((a) => same(a, attachment)));
    return index.get(split ? split.twin : member) ?? -1;
  };
  return {
    members,
    input: ends(unit.input, { terminal: 'input' }),
    output: ends(unit.output, { terminal: 'output' }),
    gearsets: unit.gearsets.map((set) => ({
      id: set.id,
      row: toRow(
        members.length,
        gearTerms(set).map((t) => [ends(t.member, { gearset: set.id, gear: t.gear }), t.weight]),
      ),
    })),
    elements: unit.elements.map((element) => ({
      id: element.id,
      row: elementRow(members.length, element, ends),
      oneWay: element.kind === 'one-way',
    })),
  };
}

interface Split {
  member: string;
  twin: string;
  away: Attachment[];
}

function splitsOf(unit: UnitDefinition, faults: Fault[]): Split[] {
  return faults.flatMap((fault) => {
    if (fault.kind !== 'break') return [];
    const part = partOf(unit, fault.part);
    if (!part.splits)
      throw new RangeError(`${part.name} is not part of a power path: it cannot divide a member.`);
    return [{ member: part.splits.member, twin: `${part.splits.member}#${part.id}`, away: part.splits.away }];
  });
}

function same(a: Attachment, b: Attachment): boolean {
  if ('element' in a) return 'element' in b && a.element === b.element;
  if ('terminal' in a) return 'terminal' in b && a.terminal === b.terminal;
  return 'gearset' in b && a.gearset === b.gearset && a.gear === b.gear;
}

type GearName = 'sun' | 'ring' | 'carrier' | 'first' | 'second';

function gearTerms(set: Gearset): { member: string; gear: GearName; weight: number }[] {
  if (set.kind === 'mesh') {
    const sign = set.mesh === 'external' ? 1 : -1;
    return [
      { member: set.first.member, gear: 'first', weight: set.first.teeth },
      { member: set.second.member, gear: 'second', weight: sign * set.second.teeth },
    ];
  }
  const sign = set.planets === 'single' ? 1 : -1;
  return [
    { member: set.sun.member, gear: 'sun', weight: set.sun.teeth },
    { member: set.ring.member, gear: 'ring', weight: sign * set.ring.teeth },
    { member: set.carrier, gear: 'carrier', weight: -(set.sun.teeth + sign * set.ring.teeth) },
  ];
}

function elementRow(size: number, element: Element, ends: (member: string, a: Attachment) => number): Row {
  const at = { element: element.id };
  return toRow(size, [
    [ends(element.a, at), 1],
    [element.b === CASE ? -1 : ends(element.b, at), -1],
  ]);
}

/** Terms on the case (index −1) fall out: its speed is 0. */
function toRow(size: number, terms: [number, number][]): Row {
  const row = new Float64Array(size);
  for (const [at, weight] of terms) if (at >= 0) row[at] = row[at]! + weight;
  return row;
}

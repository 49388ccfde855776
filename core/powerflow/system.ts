import { CASE, partOf } from '@/core/unit';
import type { Attachment, Element, GearPosition, Gearset, UnitDefinition } from '@/core/unit';
import type { Fault } from './fault';

/** A one-way clutch that is at work: a ≥ b. */
export interface OneWay {
  element: string;
  row: number[];
}

/** The speed equations of one gear position: `rows·ω = 0`, and `ω_a − ω_b ≥ 0` for the one-way clutches. */
export interface System {
  members: string[];
  input: number;
  output: number;
  rows: number[][];
  /** The element behind each row, or null for a gearset's own equation. */
  owners: (string | null)[];
  oneWays: OneWay[];
}

/**
 * Builds the equations with faults applied (slips are left to the statics: kinematics treats them as holding).
 * Coefficients: simple planetary Zs·ωs + Zr·ωr − (Zs+Zr)·ωc = 0, double pinion Zs·ωs − Zr·ωr − (Zs−Zr)·ωc = 0,
 * external mesh Za·ωa + Zb·ωb = 0, internal mesh Za·ωa − Zb·ωb = 0 (Willis).
 */
export function buildSystem(unit: UnitDefinition, gear: GearPosition, faults: Fault[]): System {
  const splits = splitsOf(unit, faults);
  const { members, input, output, gearsets, elements } = splits.length
    ? compile(unit, splits)
    : compiled(unit);
  const lost = new Set(faults.flatMap((f) => (f.kind === 'lost' ? [f.element] : [])));
  const stuck = new Set(faults.flatMap((f) => (f.kind === 'stuck' ? [f.element] : [])));
  const stripped = new Set(faults.flatMap((f) => (f.kind === 'strip' ? [f.gearset] : [])));
  const rows: number[][] = [];
  const owners: (string | null)[] = [];
  const oneWays: OneWay[] = [];
  for (const { id, row } of gearsets) {
    if (stripped.has(id)) continue;
    rows.push(row);
    owners.push(null);
  }
  for (const { id, row, oneWay } of elements) {
    if (lost.has(id)) continue;
    if (oneWay && !stuck.has(id)) oneWays.push({ element: id, row });
    else if (stuck.has(id) || gear.apply.includes(id)) {
      rows.push(row);
      owners.push(id);
    }
  }
  return { members, input, output, rows, owners, oneWays };
}

/** Every row a unit can need, worked out once. Rows are shared and never written to. */
interface CompiledUnit {
  members: string[];
  input: number;
  output: number;
  gearsets: { id: string; row: number[] }[];
  elements: { id: string; row: number[]; oneWay: boolean }[];
}

const whole = new WeakMap<UnitDefinition, CompiledUnit>();

function compiled(unit: UnitDefinition): CompiledUnit {
  let known = whole.get(unit);
  if (!known) {
    known = compile(unit, []);
    whole.set(unit, known);
  }
  return known;
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

function elementRow(
  size: number,
  element: Element,
  ends: (member: string, a: Attachment) => number,
): number[] {
  const at = { element: element.id };
  return toRow(size, [
    [ends(element.a, at), 1],
    [element.b === CASE ? -1 : ends(element.b, at), -1],
  ]);
}

/** Terms on the case (index −1) fall out: its speed is 0. */
function toRow(size: number, terms: [number, number][]): number[] {
  const row = new Array<number>(size).fill(0);
  for (const [at, weight] of terms) if (at >= 0) row[at] = row[at]! + weight;
  return row;
}

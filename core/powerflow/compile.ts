import { CASE, partOf } from '@/core/unit';
import type { Attachment, Element, UnitDefinition } from '@/core/unit';
import type { Fault } from './fault';
import { gearTerms } from './gear-equation';
import { solutionSpace } from './linear';
import type { Row } from './linear';

/** A member that is broken in two: what hangs on the far side turns with the twin. */
interface Split {
  member: string;
  twin: string;
  away: Attachment[];
}

/**
 * A unit made ready for solving. The gearsets always hold, so their equations are solved once: every member's speed is
 * `speed·z` over the few coordinates z the gearsets leave free, and every element is one row over z. What remains per
 * gear is as small as the number of elements applied. Rows are shared and never written to.
 */
export interface CompiledUnit {
  members: string[];
  /** Speed of each member as a form over z. */
  speeds: Row[];
  input: Row;
  output: Row;
  /** Which members the shaft ends turn with. */
  ends: { input: number; output: number };
  /** The gearsets' own equations, over the members. */
  gearsets: { id: string; row: Row }[];
  /** ω_a − ω_b of each element over the members, and as a form over z. */
  elements: { id: string; overMembers: Row; row: Row; oneWay: boolean }[];
  coordinates: number;
}

const known = new WeakMap<UnitDefinition, Map<string, CompiledUnit>>();
/** Pairs of broken parts are many; each is quickly made anew. */
const MOST_KEPT = 400;

/** Compiled once per unit and set of broken parts and stripped gearsets. Throws a RangeError for an id the unit lacks. */
export function compiled(unit: UnitDefinition, faults: readonly Fault[]): CompiledUnit {
  let ofUnit = known.get(unit);
  if (!ofUnit) known.set(unit, (ofUnit = new Map<string, CompiledUnit>()));
  let key = '';
  for (const fault of faults) {
    if (fault.kind === 'break') key += `break ${fault.part};`;
    else if (fault.kind === 'strip') key += `strip ${fault.gearset};`;
  }
  let found = ofUnit.get(key);
  if (!found) {
    if (ofUnit.size >= MOST_KEPT) ofUnit.clear();
    ofUnit.set(key, (found = compile(unit, splitsOf(unit, faults), strippedBy(faults))));
  }
  return found;
}

function strippedBy(faults: readonly Fault[]): string[] {
  return faults.flatMap((f) => (f.kind === 'strip' ? [f.gearset] : []));
}

/** A part broken twice is broken once. Where two cut one attachment off, the one nearer to it does. */
function splitsOf(unit: UnitDefinition, faults: readonly Fault[]): Split[] {
  const broken = new Set(faults.flatMap((f) => (f.kind === 'break' ? [f.part] : [])));
  const splits = [...broken].sort().map((id) => {
    const part = partOf(unit, id);
    if (!part.splits)
      throw new RangeError(`${part.name} is not part of a power path: it cannot divide a member.`);
    return { member: part.splits.member, twin: `${part.splits.member}#${part.id}`, away: part.splits.away };
  });
  return splits.sort((a, b) => a.away.length - b.away.length);
}

function compile(unit: UnitDefinition, splits: Split[], stripped: string[]): CompiledUnit {
  const members = [...unit.members.map((m) => m.id), ...splits.map((s) => s.twin)];
  const index = new Map(members.map((id, k) => [id, k]));
  const at = (member: string, attachment: Attachment): number => {
    const split = splits.find(
      (s) => s.member === member && s.away.some((a) => sameAttachment(a, attachment)),
    );
    return index.get(split ? split.twin : member) ?? -1;
  };
  const gearsets = unit.gearsets
    .filter((set) => !stripped.includes(set.id))
    .map((set) => ({
      id: set.id,
      row: toRow(
        members.length,
        gearTerms(set).map((t) => [at(t.member, { gearset: set.id, gear: t.gear }), t.weight]),
      ),
    }));
  const { directions } = solutionSpace(
    gearsets.map((g) => g.row),
    [],
    members.length,
  )!;
  const form = (row: Row): Row => Float64Array.from(directions, (d) => clean(dot(row, d)));
  const speedOf = (k: number): Row => Float64Array.from(directions, (d) => (k < 0 ? 0 : clean(d[k]!)));
  const ends = {
    input: at(unit.input, { terminal: 'input' }),
    output: at(unit.output, { terminal: 'output' }),
  };
  return {
    members,
    speeds: members.map((_, k) => speedOf(k)),
    input: speedOf(ends.input),
    output: speedOf(ends.output),
    ends,
    gearsets,
    elements: unit.elements.map((element) => {
      const difference = elementRow(members.length, element, at);
      return {
        id: element.id,
        overMembers: difference,
        row: form(difference),
        oneWay: element.kind === 'one-way',
      };
    }),
    coordinates: directions.length,
  };
}

/** True when both name the same element, shaft end or gear. */
export function sameAttachment(a: Attachment, b: Attachment): boolean {
  if ('element' in a) return 'element' in b && a.element === b.element;
  if ('terminal' in a) return 'terminal' in b && a.terminal === b.terminal;
  return 'gearset' in b && a.gearset === b.gearset && a.gear === b.gear;
}

function elementRow(size: number, element: Element, at: (member: string, a: Attachment) => number): Row {
  const attachment = { element: element.id };
  return toRow(size, [
    [at(element.a, attachment), 1],
    [element.b === CASE ? -1 : at(element.b, attachment), -1],
  ]);
}

/** Terms on the case (index −1) fall out: its speed is 0. */
function toRow(size: number, terms: [number, number][]): Row {
  const row = new Float64Array(size);
  for (const [at, weight] of terms) if (at >= 0) row[at] = row[at]! + weight;
  return row;
}

function dot(a: Row, b: Row): number {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!;
  return sum;
}

/** Rounding of a form that is exactly zero would be scaled up later. Coefficients are ratios of tooth counts. */
function clean(value: number): number {
  return Math.abs(value) < 1e-12 ? 0 : value;
}

import { CASE } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { columnsOf } from './axes';
import type { Placed } from './axes';
import { endsOf } from './device';
import type { End, Role } from './device';

/** A rectangle of solid material: x from the left, r from the axis outwards. */
export interface Block {
  x: number;
  width: number;
  r: number;
  height: number;
}

/** A member as it is drawn on one axis: its sleeves, webs, drums, hubs and gears in one piece. */
export interface Body {
  member: string;
  axis: number;
  blocks: Block[];
}

/** Where a member meets a device: what a broken part there would cut. */
export interface Joint {
  device: string;
  member: string;
  role: Role;
  axis: number;
  x: number;
  r: number;
}

export interface Axis {
  y: number;
  /** Below this radius run the sleeves; devices stand on it. */
  base: number;
  /** Height of the devices' zone. */
  height: number;
  /** Radius of the case's inner wall. */
  wall: number;
}

export interface Section {
  width: number;
  height: number;
  placed: Placed[];
  axes: Axis[];
  bodies: Body[];
  /** What is fixed to the case: outer plates of brakes, fixed races and gears, the anchor of a band. */
  fixed: Body[];
  joints: Joint[];
  /** Radius of each gear of a pair, by device and which. */
  gearRadius: Map<string, number>;
  /** Parallel shafts are drawn whole, a single axis in half-section. */
  parallel: boolean;
}

const THICK = 6;
/** Room between two shafts. */
const DISTANCE = 104;

/** Draws any valid unit: geometry only, no colours. */
export function sectionOf(unit: UnitDefinition): Section {
  const { placed, axisOf, axes: count, width } = columnsOf(unit);
  const parallel = count > 1;
  const pitch = parallel ? 8 : 13;
  const height = parallel ? 34 : 98;
  const runs = Array.from({ length: count }, (_, axis) => runsOf(unit, placed, axisOf, axis, width));
  const axes: Axis[] = [];
  let top = parallel ? 92 : 0;
  for (const { inner, outer } of runs) {
    const base = 5 + inner * pitch + (parallel ? 3 : 8);
    const wall = base + height + (outer ? 8 + outer * 12 : 8);
    axes.push({ y: parallel ? top : wall + 16, base, height, wall });
    top += DISTANCE;
  }
  const section: Section = {
    width,
    height: parallel ? top - DISTANCE + 100 : axes[0]!.y + 38,
    placed,
    axes,
    bodies: [],
    fixed: [],
    joints: [],
    gearRadius: gearRadii(unit, placed),
    parallel,
  };
  runs.forEach(({ runs: list }, axis) => {
    for (const run of list) drawRun(section, run, axis, pitch);
  });
  for (const at of placed)
    for (const end of endsOf(unit, at.device))
      if (end.member === CASE) section.fixed.push(fixedPiece(section, end, at));
  return section;
}

/** Where the case holds something: the piece at the device and its link to the wall, or for a sun to the support. */
function fixedPiece(section: Section, end: End, at: Placed): Body {
  const axis = at.axes[0]!;
  const { base, height, wall } = section.axes[axis]!;
  const r = (share: number) => base + height * share;
  const [left, right, middle] = [at.x + 5, at.x + at.width - 5, at.x + at.width / 2];
  const link = (x: number, width: number, from: number): Block => ({
    x,
    width,
    r: r(from),
    height: wall - r(from) + 1,
  });
  const bar = (x0: number, x1: number, low: number, high: number): Block => ({
    x: x0,
    width: x1 - x0,
    r: r(low),
    height: height * (high - low),
  });
  const blocks: Record<'plates' | 'race' | 'anchor' | 'sun' | 'ring', Block[]> = {
    plates: [bar(left + 12, right - 2, 0.92, 0.98), link(left + 12, 6, 0.95), link(right - 8, 6, 0.95)],
    race: [bar(left + 2, right - 2, 0.6, 0.68), link(middle - 4, 8, 0.64)],
    anchor: [link(middle - 3, 6, 0.8)],
    sun: [
      bar(left + 10, right - 10, 0.04, 0.22),
      { x: middle - 3, width: 6, r: 4, height: r(0.06) - 4 },
      { x: middle - 9, width: 18, r: 4, height: 4 },
    ],
    ring: [bar(left + 10, right - 10, 0.76, 0.92), link(middle - 8, 16, 0.88)],
  };
  const isBand = at.device.kind === 'element' && at.device.element.kind === 'band';
  const kind =
    end.role === 'drum'
      ? 'plates'
      : end.role === 'outer-race'
        ? isBand
          ? 'anchor'
          : 'race'
        : end.role === 'ring'
          ? 'ring'
          : 'sun';
  return { member: CASE, axis, blocks: blocks[kind] };
}

/** A member's run along an axis: every end with the column it is at, and the level its sleeve takes. */
interface Run {
  member: string;
  ends: { end: End; at: Placed; side: -1 | 0 | 1 }[];
  from: number;
  to: number;
  outer: boolean;
  level: number;
  isOutput: boolean;
}

function runsOf(
  unit: UnitDefinition,
  placed: Placed[],
  axisOf: Map<string, number>,
  axis: number,
  width: number,
): { runs: Run[]; inner: number; outer: number } {
  const runs = unit.members
    .filter((m) => axisOf.get(m.id) === axis)
    .map((m): Run => {
      const ends = placed.flatMap((at) =>
        endsOf(unit, at.device)
          .filter((end) => end.member === m.id)
          .map((end) => ({ end, at, side: 0 as const })),
      );
      const centres = ends.map(({ at }) => at.x + at.width / 2);
      const isOutput = m.id === unit.output;
      if (isOutput) centres.push(width);
      return {
        member: m.id,
        ends: ends.map((e) => ({ ...e, side: sideOf(e.end.role, e.at.x + e.at.width / 2, centres) })),
        from: Math.min(...centres),
        to: Math.max(...centres),
        // A ring's member goes round the outside when nothing of it has to reach the shafts.
        outer:
          m.id !== unit.input &&
          !isOutput &&
          ends.some((e) => e.end.role === 'ring') &&
          ends.every((e) => e.end.role !== 'sun' && e.end.role !== 'gear'),
        level: 0,
        isOutput,
      };
    })
    .filter((run) => run.ends.length > 0);
  const rank = (r: Run) => (r.member === unit.input ? 0 : r.isOutput ? 1 : 2);
  const pack = (list: Run[]) => {
    const levels: [number, number][][] = [];
    for (const run of [...list].sort((a, b) => rank(a) - rank(b) || b.to - b.from - (a.to - a.from))) {
      const [from, to] = [run.from - 40, run.to + 40];
      let level = levels.findIndex((taken) => taken.every(([f, t]) => t < from || f > to));
      if (level < 0) level = levels.push([]) - 1;
      levels[level]!.push([from, to]);
      run.level = level;
    }
    return levels.length;
  };
  const inner = pack(runs.filter((r) => !r.outer));
  const outer = pack(runs.filter((r) => r.outer));
  return { runs, inner, outer };
}

/** The side of a device on which a member leaves: where most of the member is. Drums are open to the right. */
function sideOf(role: Role, here: number, centres: number[]): -1 | 0 | 1 {
  if (role === 'drum' || role === 'band-drum' || role === 'outer-race' || role === 'dog-left') return -1;
  if (role === 'hub' || role === 'inner-race' || role === 'dog-right') return 1;
  if (role !== 'ring' && role !== 'carrier') return 0;
  const right = centres.filter((c) => c > here).length;
  const left = centres.filter((c) => c < here).length;
  if (right === left) return role === 'ring' ? -1 : 1;
  return right > left ? 1 : -1;
}

function drawRun(section: Section, run: Run, axis: number, pitch: number): void {
  const { base, height } = section.axes[axis]!;
  const thick = section.parallel ? 5 : THICK;
  const track = run.outer ? base + height + 6 + run.level * 12 : 4 + run.level * pitch;
  const body: Body = { member: run.member, axis, blocks: [] };
  const webs: number[] = [];
  for (const { end, at, side } of run.ends) {
    const piece = pieceOf(section, end, at, side, axis);
    body.blocks.push(...piece.blocks);
    const [low, high] = [Math.min(track, piece.r), Math.max(track + thick, piece.r)];
    body.blocks.push({ x: piece.x - thick / 2, width: thick, r: low, height: high - low });
    webs.push(piece.x);
    section.joints.push({
      device: at.device.id,
      member: run.member,
      role: end.role,
      axis,
      x: piece.x,
      r: (low + high) / 2,
    });
  }
  if (run.isOutput) {
    const end = section.width - 8;
    webs.push(end);
    body.blocks.push({ x: end - 5, width: 7, r: 0, height: track + thick + 22 });
  }
  const [from, to] = [Math.min(...webs), Math.max(...webs)];
  if (to > from) body.blocks.push({ x: from - thick / 2, width: to - from + thick, r: track, height: thick });
  section.bodies.push(body);
}

/** The solid pieces of a member at one device, and where its web starts. Shares of the zone's height. */
function pieceOf(
  section: Section,
  end: End,
  at: Placed,
  side: -1 | 0 | 1,
  axis: number,
): { blocks: Block[]; x: number; r: number } {
  const { base, height } = section.axes[axis]!;
  const { x, width } = at;
  const r = (share: number) => base + height * share;
  const bar = (x0: number, x1: number, low: number, high: number): Block => ({
    x: x0,
    width: x1 - x0,
    r: r(low),
    height: height * (high - low),
  });
  const [left, right, middle] = [x + 5, x + width - 5, x + width / 2];
  // A ring's web runs outside its carrier's, where both leave on one side.
  const lane = (inset: number) => (side < 0 ? x + inset : x + width - inset);
  switch (end.role) {
    case 'turbine':
      return { blocks: [], x: x + width * 0.62, r: 0 };
    case 'drum':
      return {
        blocks: [bar(left - 1, left + 4, 0.1, 0.97), bar(left - 1, right - 6, 0.92, 0.97)],
        x: left + 1.5,
        r: r(0.12),
      };
    case 'hub':
      return { blocks: [bar(left + 16, right, 0.12, 0.18)], x: right - 2.5, r: r(0.15) };
    case 'band-drum':
      return {
        blocks: [bar(left, right, 0.58, 0.64), bar(left, left + 5, 0.2, 0.64)],
        x: left + 2.5,
        r: r(0.22),
      };
    case 'outer-race':
      return {
        blocks: [bar(left + 2, right - 2, 0.6, 0.68), bar(left, left + 5, 0.2, 0.68)],
        x: left + 2.5,
        r: r(0.22),
      };
    case 'inner-race':
      return { blocks: [bar(left + 8, right, 0.24, 0.32)], x: right - 2.5, r: r(0.28) };
    case 'dog-left':
      return { blocks: [bar(left, middle - 3, 0.16, 0.6)], x: left + 6, r: r(0.2) };
    case 'dog-right':
      return { blocks: [bar(middle + 3, right, 0.16, 0.6)], x: right - 6, r: r(0.2) };
    case 'sun':
      return { blocks: [bar(left + 10, right - 10, 0.04, 0.22)], x: middle, r: r(0.05) };
    case 'ring': {
      const from = side < 0 ? lane(4) : right - 11;
      const to = side < 0 ? left + 11 : lane(4);
      return {
        blocks: [bar(left + 10, right - 10, 0.76, 0.92), bar(from, to, 0.81, 0.87)],
        x: lane(4),
        r: r(0.84),
      };
    }
    case 'carrier':
      return {
        blocks: [
          bar(left + 5, right - 5, 0.47, 0.51),
          bar(Math.min(lane(14) - 2.5, lane(14)), lane(14) + 2.5, 0.36, 0.62),
        ],
        x: lane(14),
        r: r(0.49),
      };
    case 'gear': {
      const radius = section.gearRadius.get(`${at.device.id} ${end.which}`)!;
      const bore = 4 + section.axes[axis]!.base * 0.35;
      return {
        blocks: [{ x: left + 4, width: width - 18, r: bore, height: radius - bore }],
        x: middle,
        r: bore,
      };
    }
  }
}

/** Gears that mesh touch: they share the room between their shafts as their teeth do. A gear in two pairs keeps its first size. */
function gearRadii(unit: UnitDefinition, placed: Placed[]): Map<string, number> {
  const radii = new Map<string, number>();
  const known = new Map<string, number>();
  for (const { device } of placed) {
    if (device.kind !== 'gearset' || device.gearset.kind !== 'mesh') continue;
    const { first, second, mesh } = device.gearset;
    const room = mesh === 'idler' ? DISTANCE - 26 : DISTANCE;
    const gear = (g: typeof first) => `${g.member} ${g.teeth}`;
    const share = (room * first.teeth) / (first.teeth + second.teeth);
    const a = known.get(gear(first)) ?? (known.has(gear(second)) ? room - known.get(gear(second))! : share);
    const b = known.get(gear(second)) ?? room - a;
    known.set(gear(first), a);
    known.set(gear(second), b);
    radii.set(`${device.id} first`, a);
    radii.set(`${device.id} second`, b);
  }
  return radii;
}

import { CASE } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { columnsOf } from './axes';
import type { Placed } from './axes';
import { endsOf } from './device';
import type { Role } from './device';
import { fixedPiece, pieceOf } from './pieces';
import { runsOf } from './runs';
import type { Run } from './runs';

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
    gearRadius: gearRadii(placed),
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

/** Gears that mesh touch: they share the room between their shafts as their teeth do. A gear in two pairs keeps its first size. */
function gearRadii(placed: Placed[]): Map<string, number> {
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

import { CASE } from '@/core/unit';
import type { Placed } from './axes';
import type { End } from './device';
import type { Block, Body, Section } from './section';

/** The solid pieces of a member at one device, and where its web starts. Shares of the zone's height. */
export function pieceOf(
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

/** Where the case holds something: the piece at the device and its link to the wall, or for a sun to the support. */
export function fixedPiece(section: Section, end: End, at: Placed): Body {
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

import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import { gearOutcome } from '@/core/powerflow';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { reportsOf } from './index';

const six = shippedUnits.find((u) => u.id === 'ostrel-six')!;
const ratio = (gear: string) => Math.abs(gearOutcome(six, gear).ratio!);
/** Speeds in a gear that was asked for, with the ratio it really had. */
const speeds = (gear: string, real: number, more: { [key: string]: Json } = {}) => ({
  gear,
  inputRpm: 1500,
  outputRpm: real === Infinity ? 0 : 1500 / real,
  ...more,
});
const reported = (...all: Json[]) =>
  reportsOf(six, stateFromValues(Object.fromEntries(all.map((s, k) => [`speeds.s${k}`, s]))));

describe('measured speeds as a report', () => {
  test('the ratio of another gear is that gear, cold or hot as it was driven', () => {
    expect(reported(speeds('D3', ratio('D1'), { warmth: 'hot' }))).toEqual([
      {
        gear: 'D3',
        speaker: 'shop',
        heat: 'hot',
        cell: { behaviours: ['wrong-gear'], actsLike: 'D1' },
        slot: 'speeds.s0',
      },
    ]);
  });
  test('an input ahead of the gear slips; an output that stands still is no drive', () => {
    const found = reported(speeds('D3', ratio('D3') * 1.3), speeds('D5', Infinity));
    expect(found.map((c) => [c.gear, c.heat, c.cell.behaviours])).toEqual([
      ['D3', 'any', ['slips']],
      ['D5', 'any', ['no-drive']],
    ]);
  });
  test('a right ratio clears nothing, Neutral has none, and an unknown gear says nothing', () => {
    expect(reported(speeds('D3', ratio('D3')), speeds('N', 2), speeds('D99', 2))).toEqual([]);
  });
  test('what the shop’s own grid says already is not said twice', () => {
    const state = stateFromValues({
      'grid.D3.shop': { any: { behaviours: ['slips'] } },
      'speeds.a': speeds('D3', ratio('D3') * 1.3),
    });
    expect(reportsOf(six, state)).toHaveLength(1);
  });
  test('it is evidence: gears without K3 are not blamed on it, those that need it are', () => {
    const diagnose = diagnoser(six, knowledge);
    const k3 = (state: Parameters<typeof diagnose>[0]) =>
      diagnose(state)
        .causes.filter((c) => /K3/.test(c.words))
        .reduce((sum, c) => sum + c.probability, 0);
    const needs = six.gears.filter((g) => g.range === 'D' && g.apply.includes('K3')).map((g) => g.key);
    const slipping = stateFromValues(
      Object.fromEntries(needs.map((gear, k) => [`speeds.s${k}`, speeds(gear, ratio(gear) * 1.35)])),
    );
    expect(needs.length).toBeGreaterThan(1);
    expect(k3(slipping)).toBeGreaterThan(2 * k3({}));
  });
});

import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { diagnoser } from './index';

const judges = new Map<string, ReturnType<typeof diagnoser>>();
const present = (unit: string, values: Record<string, Json>, cause: string) => {
  let judge = judges.get(unit);
  if (!judge) judges.set(unit, (judge = diagnoser(shippedUnits.find((u) => u.id === unit)!, knowledge)));
  return judge(stateFromValues(values)).causes.find((c) => c.id === cause)!.present;
};

describe('what is found beside the obvious bears on its cause', () => {
  test.each<[string, string, Json, Json | null, string]>([
    ['coolant in the cooler', 'part.cooler.mixing', { is: 'yes' }, { is: 'no' }, 'water'],
    ['rust at a station', 'station.output.water', { is: 'seen' }, { is: 'none' }, 'water'],
    [
      'a stator that does not run free',
      'part.converter.stator-free',
      { is: 'locked' },
      { is: 'free' },
      'converter:stator-locks',
    ],
    ['a low stall speed', 'unit.checks.stall', { is: 'low' }, null, 'converter:stator-slips'],
    [
      'a shaft sunk in its splines',
      'part.input-shaft.sunk',
      { is: 'yes' },
      { is: 'no' },
      'front:lubrication-lost',
    ],
    ['a ford', 'history.mud', 'water', null, 'water'],
    [
      'a sensor’s broken wire',
      'sensor.turbine-speed.circuit',
      { is: 'open' },
      { is: 'sound' },
      'electrical-outside',
    ],
    ['oil in the connector', 'part.harness.oil', { is: 'wet' }, { is: 'dry' }, 'electrical-outside'],
    [
      'a range switch off its mark',
      'sensor.range-switch.alignment',
      { is: 'off' },
      { is: 'right' },
      'range-switch:misaligned',
    ],
    [
      'a broken detent',
      'part.manual-valve.detent',
      { is: 'broken' },
      { is: 'firm' },
      'manual-valve:off-lever',
    ],
    ['worn band ends', 'element.band-2-4.ends', { is: 'hammered' }, { is: 'sound' }, 'band-2-4:misadjusted'],
    [
      'a part left out before',
      'station.pump.earlier',
      { is: 'left-out' },
      { is: 'none' },
      'high:set-up-wrong',
    ],
    ['flakes in the cooler', 'part.cooler.debris', { is: 'heavy' }, { is: 'none' }, 'low-owc:slips'],
  ])('%s', (_, slot, bad, good, cause) => {
    const before = present('ostrel-four', {}, cause);
    expect(present('ostrel-four', { [slot]: bad }, cause)).toBeGreaterThan(before * 1.15);
    if (good !== null) expect(present('ostrel-four', { [slot]: good }, cause)).toBeLessThan(before);
  });
});

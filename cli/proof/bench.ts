import type { Root } from '@/core/diagnosis';
import type { Dice } from '../dice';
import { weighted } from '../dice';
import { pressureAt } from './drive';
import type { World } from './world';
import type { Wreck } from './wreck';

/** How far a technician's eye is off, and how often he grades one step off. */
const EYE = 0.08;
/** What looks fine is looked at so often; what looks bad is hardly missed. */
const LOOKED = { fine: 0.35, bad: 0.85, always: 0.7 };

type Reads = (target: string) => string | null;

/** What a bench reads off a wreck: continuous severities graded by eye, tests by chance, and much left closed. */
export function bench(w: Wreck, present: readonly Root[], dice: Dice): Pick<World, 'look' | 'noticed'> {
  const eye = (x: number) => x + EYE * (dice.below(2001) / 1000 - 1) + EYE * (dice.below(2001) / 1000 - 1);
  const grade =
    (levels: readonly string[], ...from: number[]) =>
    (x: number): string => {
      const seen = eye(x);
      return levels[from.filter((f) => seen >= f).length]!;
    };
  const amount = grade(['none', 'trace', 'some', 'heavy'], 0.12, 0.35, 0.7);
  const sureness = (right: string, wrong: string, is: boolean, p = 0.93) =>
    dice.chance(p) === is ? right : wrong;
  const condition = grade(['sound', 'marked', 'worn', 'failed'], 0.15, 0.35, 0.65);
  const worstPack = () => Math.max(0, ...Object.values(w.burnt));
  const metal = () => w.flakes + 0.6 * w.paste;
  const burntFluid = () => Math.max(worstPack(), w.hotOil, w.sludge);
  const colour = () => {
    if (w.water > 0.3 && dice.chance(0.85)) return 'milky';
    if (w.lockUpLining > 0.5 && dice.chance(0.5)) return 'cloudy-tan';
    if (w.paste > 0.8 && dice.chance(0.4)) return 'grey';
    return grade(['red', 'brown', 'black'], 0.3, 0.65)(burntFluid());
  };
  const leaks = (e: string) => Math.min(w.supply[e]!.cold, w.supply[e]!.hot) < 0.75 && !w.solenoids[e];
  const fed = (e: string) =>
    present.some((r) => 'unfed:$e' in r.template.effects && r.aim.elements.includes(e));
  const airTest: Reads = (e) => {
    if (fed(e) || !leaks(e)) return sureness('holds', 'leaks', true, 0.95);
    // A leak that comes hot passes cold now and then.
    return w.supply[e]!.cold > 0.75 && dice.chance(0.4) ? 'holds' : dice.chance(0.8) ? 'leaks' : 'no-apply';
  };
  const ohm: Reads = (s) =>
    w.solenoids[s] === 'electrical'
      ? dice.chance(0.9)
        ? dice.pick(['over', 'under'])
        : 'in'
      : dice.chance(0.97)
        ? 'in'
        : 'over';
  const measured = (off: boolean, way = 'over') =>
    off ? (dice.chance(0.85) ? way : 'in') : dice.chance(0.93) ? 'in' : way;
  const pressure = (heat: 'cold' | 'hot', slack: number) => measured(pressureAt(w, heat) < slack, 'under');
  const set = (table: Record<string, number>) => (id: string) => table[id] ?? 0;
  const dry = set(w.dry);
  const worn = set(w.worn);

  /** By point of the knowledge. What is not here nobody can tell. */
  const reads: Record<string, Reads> = {
    lining: (e) => grade(['sound', 'heat-marked', 'burnt'], 0.12, 0.42)(w.burnt[e]!),
    fused: (e) => (w.welded.has(e) ? 'yes' : 'no'),
    'band.drum': (e) => grade(['polished', 'glazed', 'blued', 'grooved'], 0.25, 0.5, 0.8)(w.burnt[e]!),
    'pack.air-test': airTest,
    'band.air-test': airTest,
    'pack.clearance': (e) =>
      w.clearance[e] ??
      (dice.chance(0.88) ? 'in' : w.burnt[e]! > 0.5 ? 'over' : dice.pick(['under', 'over'])),
    'pack.count': (e) => (w.setUp.has(e) && dice.chance(0.4) ? dice.pick(['under', 'over']) : 'in'),
    'band.travel': (e) => measured(w.misadjusted.has(e) || (w.burnt[e]! > 0.6 && dice.chance(0.4))),
    'friction-plate.thickness': (e) => measured(w.burnt[e]! > 0.5 && dice.chance(0.5), 'under'),
    'steel-plate.flat': (e) => (dice.chance(0.35 * w.steels[e]! + 0.03) ? 'coned' : 'flat'),
    'friction-face.metal': () => grade(['none', 'specks', 'covered'], 0.4, 0.8)(0.7 * metal()),
    'filter.pleats': () => grade(['clear', 'dirty', 'restricted', 'blocked'], 0.2, 0.45, 0.75)(w.filter),
    'filter.seated': () =>
      w.unseated > 0 && dice.chance(0.9)
        ? dice.pick(['askew', 'off'])
        : sureness('seated', 'askew', true, 0.97),
    'debris.fibre': () => amount(w.fibre),
    'debris.grey-paste': () => amount(w.paste),
    'debris.bright-flakes': () => amount(w.flakes),
    'debris.chunks': () => (w.flakes > 0.7 && dice.chance(0.3) ? 'some' : 'none'),
    'debris.bronze': () => amount(w.bronze),
    'debris.aluminium': () => amount(w.aluminium + dice.below(20) / 100),
    'debris.plastic': () => amount(w.plastic + (dice.chance(0.08) ? 0.3 : 0)),
    'debris.water': () => amount(w.water),
    'fluid.colour': colour,
    'fluid.smell': () => sureness('burnt', 'neutral', burntFluid() > 0.45, 0.85),
    'fluid.level': () =>
      w.level > 0.85
        ? 'empty'
        : w.level > 0.1
          ? 'low'
          : dice.chance(0.88)
            ? 'full'
            : dice.pick(['over', 'low']),
    'converter.lining': () =>
      w.lockUpLining > 0.5 ? 'gone' : grade(['intact', 'worn', 'glazed'], 0.3, 0.5)(w.lockUpSlips * 0.4),
    'converter.face': () =>
      w.unbonded ? 'smooth' : w.lockUpLining > 0.5 ? sureness('bonded', 'smooth', true, 0.93) : null,
    'converter.paste': () => amount(w.converterBearing + 0.15 * w.paste),
    'converter.end-play': () => measured(w.converterBearing > 0.4),
    'converter.bearings': () =>
      grade(['sound', 'marked', 'worn', 'broken'], 0.2, 0.4, 0.75)(w.converterBearing),
    'converter.turns': () =>
      w.lockUpHolds > 0.3 ? 'drags' : w.converterBearing > 0.4 && dice.chance(0.7) ? 'rough' : 'free',
    'converter.hub': () => grade(['silver', 'straw', 'blue'], 0.25, 0.5)(w.hubHeat + 0.15 * w.hotOil),
    'converter.stator': () => sureness('slips', 'holds', w.stator > 0.2, 0.95),
    part: (p) => condition(w.parts[p] ?? (dice.chance(0.12) ? 0.25 : 0)),
    'drum.crack': (p) =>
      present.some((r) => r.part === p && (r.mode === 'feed-loss' || r.mode === 'path-broken')) &&
      dice.chance(0.6)
        ? 'seen'
        : 'none',
    'solenoid.resistance': ohm,
    'solenoid.click': (s) =>
      w.solenoids[s]
        ? dice.chance(0.8)
          ? dice.pick(['silent', 'weak'])
          : 'clicks'
        : sureness('clicks', 'weak', true, 0.94),
    'solenoid.leak': (s) => sureness('leaks', 'tight', w.solenoids[s] === 'sticking', 0.85),
    'solenoid.metal': () => amount(0.6 * metal()),
    'planetary.pins': (g) => grade(['silver', 'straw', 'blue'], 0.2, 0.45)(dry(g)),
    'planetary.pinion-play': (g) => measured(dry(g) > 0.5 || worn(g) > 0.7),
    'planetary.pinions': (g) => grade(['sound', 'polished', 'pitted', 'chipped'], 0.2, 0.4, 0.75)(worn(g)),
    'planetary.washers': (g) => grade(['sound', 'worn', 'gone'], 0.4, 0.8)(dry(g)),
    'mesh.teeth': (g) => grade(['sound', 'polished', 'pitted', 'chipped'], 0.2, 0.4, 0.75)(worn(g)),
    'one-way.holds': (p) =>
      sureness(
        'slips',
        'holds',
        present.some((r) => r.part === p && r.mode === 'slips'),
        0.95,
      ),
    'one-way.freewheels': (p) =>
      present.some((r) => r.part === p && r.mode === 'locked') ? 'locked' : 'free',
    'cooler.flow': () => measured(w.hotOil > 0.5 && present.some((r) => r.mode === 'cooling'), 'under'),
    'speed-sensor.tip': () => grade(['clean', 'fuzz', 'covered'], 0.3, 0.8)(metal()),
    'checks.park': () => (w.astray && dice.chance(0.4) ? 'rolls' : 'holds'),
    'checks.selector': () =>
      w.astray && dice.chance(0.8) ? dice.pick(['late', 'no']) : sureness('moves', 'late', true, 0.97),
    'checks.outcome': () =>
      present.every((r) => r.mode === 'nothing')
        ? dice.pick(['works', 'not-reproduced'])
        : dice.chance(0.8)
          ? 'as-told'
          : 'not-reproduced',
    codes: () => {
      if (w.electrical) return dice.chance(0.85) ? 'electrical' : 'none';
      const wrong = w.welded.size + w.broken.size + w.slipping.size > 0 || worstPack() > 0.5;
      return dice.chance(0.06) ? 'electrical' : wrong && dice.chance(0.6) ? 'rationality' : 'none';
    },
    'history-power': () => sureness('raised', 'stock', w.torque > 1.2 && dice.chance(0.7), 0.97),
    'history-towing': () =>
      w.torque > 1.2 && dice.chance(0.5)
        ? 'heavy'
        : weighted(
            [
              ['none', 6],
              ['light', 2.5],
              ['heavy', 1.5],
            ],
            dice,
          ),
    'history-tyres': () =>
      w.torque > 1.2 && dice.chance(0.3) ? 'larger' : dice.chance(0.9) ? 'stock' : 'larger',
    'history-rebuilt': () =>
      w.setUp.size || w.unbonded
        ? dice.chance(0.6)
          ? 'recent'
          : 'never'
        : weighted(
            [
              ['never', 6],
              ['long-ago', 3],
              ['recent', 1],
            ],
            dice,
          ),
    'pressure.idle': () => pressure('hot', 0.6),
    'pressure.full': () => pressure('hot', 0.75),
    'pressure.reverse': () => pressure('hot', 0.75),
    'checks.stall': () =>
      worstPack() > 0.6 && dice.chance(0.4) ? 'high' : dice.chance(0.9) ? 'as-built' : 'low',
  };
  const bad: Record<string, (id: string) => number> = {
    lining: (e) => w.burnt[e]!,
    'pack.air-test': (e) => w.burnt[e]!,
    'pack.clearance': (e) => w.burnt[e]!,
    part: (p) => w.parts[p] ?? 0,
    'planetary.pins': dry,
    'planetary.pinions': worn,
    'mesh.teeth': worn,
    'converter.lining': () => w.lockUpLining,
    'solenoid.resistance': (s) => (w.solenoids[s] === 'electrical' ? 0.6 : 0),
  };
  const known = new Map<string, string | null>();
  const split = (point: string): [string, string] => {
    const at = point.indexOf(':');
    return at < 0 ? [point, ''] : [point.slice(0, at), point.slice(at + 1)];
  };
  return {
    look: (point) => {
      const [key, target] = split(point);
      if (!known.has(point)) known.set(point, reads[key]?.(target) ?? null);
      return known.get(point)!;
    },
    noticed: (point) => {
      const [key, target] = split(point);
      if (point.startsWith('converter.') && key !== 'converter.hub' && key !== 'converter.turns')
        return w.fibre > 0.5 || w.paste > 0.7 ? 0.5 : 0.1;
      const badness = bad[key]?.(target);
      if (badness === undefined)
        return key.startsWith('debris.') || key.startsWith('fluid.') ? LOOKED.always : LOOKED.fine;
      return badness > 0.35 ? LOOKED.bad : LOOKED.fine;
    },
  };
}

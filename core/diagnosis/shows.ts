import type { Fault } from '@/core/powerflow';
import type { Prediction, PredictionKind } from '@/core/suspects';
import type { Behaving, ShowKind, Shows } from './schema';
import type { Structure } from './structure';

/** What something is about: at most one of each. */
export interface Aim {
  elements: readonly string[];
  part: string | null;
  gearset: string | null;
  solenoid: string | null;
}

export const NOTHING: Aim = { elements: [], part: null, gearset: null, solenoid: null };

/** One thing a gear does because something is there. */
export interface Sign {
  gear: string;
  kind: PredictionKind;
  actsLike: string | null;
  /** P(the gear does it | it is there). */
  strength: number;
  when: 'hot' | 'cold' | null;
}

type Did = Pick<Prediction, 'kind' | 'actsLike'> & { gear: string; share?: number };
type Builder = (s: Structure, aim: Aim) => Did[];

const changed = (s: Structure, faults: Fault[]): Did[] => s.under(faults).filter((p) => p.kind !== 'normal');
const each = (s: Structure, aim: Aim, kind: 'lost' | 'stuck') =>
  aim.elements.flatMap((element) => changed(s, [{ kind, element }]));
const driving = (s: Structure) => s.unit.gears.filter((g) => g.gear !== null || g.range === 'R');
const inGears = (s: Structure, kind: PredictionKind, share: (gear: string) => number): Did[] =>
  driving(s).map((g) => ({ gear: g.key, kind, actsLike: null, share: share(g.key) }));

/** How much of its largest torque an element must carry in a gear to slip there for sure, or hardly ever. */
const SURE = 0.9;
const HARDLY = 0.3;

/** Every kind of sign, from the unit alone. */
const BUILDERS: Record<ShowKind, Builder> = {
  lost: (s, aim) => each(s, aim, 'lost'),
  stuck: (s, aim) => each(s, aim, 'stuck'),
  slip: (s, aim) =>
    aim.elements.flatMap((element) =>
      inGears(s, 'slip', (gear) => {
        const share = s.share(element, gear);
        return share === 0 ? 0 : Math.min(1, Math.max(0.1, (share - HARDLY) / (SURE - HARDLY)));
      }),
    ),
  drag: (s, aim) =>
    each(s, aim, 'stuck').map((p) => ({
      ...p,
      share: p.kind === 'moves' ? 0.6 : p.kind === 'tie-up' ? 0.4 : 0.1,
    })),
  break: (s, aim) => changed(s, [{ kind: 'break', part: aim.part! }]),
  short: (s) => inGears(s, 'slip', (gear) => s.slips(gear, 'pressure')),
  overload: (s) => inGears(s, 'slip', (gear) => s.slips(gear, 'torque')),
  none: (s) =>
    changed(
      s,
      s.unit.elements.filter((e) => e.pack || e.band).map((e) => ({ kind: 'lost', element: e.id })),
    ),
  shudder: (s) => s.unit.converter.lockUpGears.map((gear) => ({ gear, kind: 'shudder', actsLike: null })),
  stall: (s) =>
    // It stalls as the car stops, in the gear it would start from; the others are only begun in by hand.
    driving(s).map((g) => ({ gear: g.key, kind: 'stall', actsLike: null, share: g.launch ? 0.9 : 0.3 })),
  'wind-up': (s, aim) =>
    s.unit.elements.some((e) => aim.elements.includes(e.id) && e.application === 'modulated')
      ? driving(s).map((g) => ({ gear: g.key, kind: 'wind-up', actsLike: null }))
      : [],
  late: (s, aim) =>
    driving(s)
      .filter((g) => g.launch && (aim.elements.length === 0 || g.apply.some((e) => aim.elements.includes(e))))
      .map((g) => ({ gear: g.key, kind: 'late', actsLike: null })),
  off: (s, aim) => shifted(s, aim, 0),
  on: (s, aim) => shifted(s, aim, 1),
  limp: (s) =>
    driving(s)
      .filter((g) => g.range !== 'R')
      .map((g) => ({ gear: g.key, kind: g.gear! <= s.unit.speeds / 2 ? 'higher' : 'lower', actsLike: null })),
  astray: (s) => [
    ...s.unit.gears
      .filter((g) => g.range === 'N' || g.range === 'P')
      .map((g) => ({ gear: g.key, kind: 'moves' as const, actsLike: null })),
    ...inGears(s, 'neutral', () => 0.7),
  ],
  rough: (s) => inGears(s, 'shudder', () => 1),
  any: (s) => [
    ...inGears(s, 'slip', () => 1),
    ...inGears(s, 'neutral', () => 0.5),
    ...inGears(s, 'higher', () => 0.5),
    ...inGears(s, 'tie-up', () => 0.5),
    ...inGears(s, 'shudder', () => 0.5),
    ...inGears(s, 'late', () => 0.5),
    ...s.unit.gears
      .filter((g) => g.range === 'N' || g.range === 'P')
      .map((g) => ({ gear: g.key, kind: 'moves' as const, actsLike: null, share: 0.5 })),
  ],
};

/** A shift solenoid stuck at one end: the hydraulics apply whatever gear of the range has the pattern that is left. */
function shifted(s: Structure, aim: Aim, stuckAt: 0 | 1): Did[] {
  const { unit, healthy } = s;
  const solenoid = unit.solenoids.find((x) => x.id === aim.solenoid)!;
  if (solenoid.element) return changed(s, [{ kind: stuckAt ? 'stuck' : 'lost', element: solenoid.element }]);
  return unit.gears.flatMap((gear): Did[] => {
    const pattern = gear.solenoids?.map((x, i) => (i === solenoid.shiftIndex ? stuckAt : x)).join();
    const got = unit.gears.find((g) => g.range === gear.range && g.solenoids?.join() === pattern);
    if (gear.gear === null || !got || got.key === gear.key) return [];
    const [mine, theirs] = [gear, got].map((g) => Math.abs(healthy.outcomes.get(g.key)!.ratio!));
    if (Math.abs(theirs! - mine!) < 1e-9) return [];
    return [{ gear: gear.key, kind: theirs! > mine! ? 'lower' : 'higher', actsLike: got.key }];
  });
}

/** Everything that shows in the gears when a thing is there. */
export function signsOf(s: Structure, { shows = [] }: Behaving, aim: Aim): Sign[] {
  return shows.flatMap((show: Shows) =>
    BUILDERS[show.as](s, aim)
      .map(({ gear, kind, actsLike, share = 1 }) => ({
        gear,
        kind,
        actsLike,
        strength: show.with * share,
        when: show.when ?? null,
      }))
      .filter((sign) => sign.strength > 0.005),
  );
}

/** Gears in which a thing can be heard, or null where it makes no noise. */
export function heardIn(
  s: Structure,
  { noise }: Behaving,
  aim: Aim,
): { strength: number; gears: Set<string> } | null {
  if (noise === undefined) return null;
  const sources = s.noises.filter((n) =>
    aim.gearset !== null ? n.gearset === aim.gearset : aim.part !== null && n.part === aim.part,
  );
  // What turns with the engine is heard in every gear.
  const gears = sources.length ? sources.flatMap((n) => n.worksIn) : s.unit.gears.map((g) => g.key);
  return { strength: noise, gears: new Set(gears) };
}

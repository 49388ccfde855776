import type { Root } from '@/core/diagnosis';
import type { UnitDefinition } from '@/core/unit';
import type { Dice } from '../dice';
import type { Wreck } from './wreck';

/** Does a cause to a unit, so badly: what a cause of its mode changes in the machine, in the simulator's own figures. */
export type Harm = (w: Wreck, root: Root, bad: number, dice: Dice, unit: UnitDefinition) => void;

const lower = (w: Wreck, cold: number, hot: number) => {
  w.pressure.cold *= 1 - cold;
  w.pressure.hot *= 1 - hot;
};
const starve = (w: Wreck, elements: readonly string[], cold: number, hot: number) => {
  for (const e of elements) {
    w.supply[e]!.cold *= 1 - cold;
    w.supply[e]!.hot *= 1 - hot;
  }
};
/** A set is bad because one of its members is. */
const partBad = (w: Wreck, { part, parts }: Root, bad: number, dice?: Dice) => {
  if (part !== null) w.parts[part] = bad;
  const members = parts.slice(1);
  if (dice && members.length) w.parts[dice.pick(members)] = bad;
};

/** Oil lost on the way to elements: most seals leak worse hot, some hardened ones cold; a cracked drum all the time. */
const leaking: Harm = (w, root, bad, dice, unit) => {
  partBad(w, root, bad, dice);
  const kind = unit.parts.find((p) => p.id === root.part)?.kind;
  const hardened = kind === 'seal' && dice.chance(0.15);
  const solid = kind === 'drum' || kind === 'piston' || kind === 'retaining-ring';
  const hot = 0.5 + 0.5 * bad;
  const cold = solid ? hot : hot * (0.3 + 0.5 * bad);
  if (hardened) starve(w, root.aim.elements, hot, cold * 0.4);
  else starve(w, root.aim.elements, cold, hot);
  if (kind === 'bushing') w.bronze += 0.4 * bad;
};

const coilDead: Harm = (w, root, bad, dice) => {
  w.solenoids[root.solenoid!] = 'electrical';
  w.electrical = dice.chance(0.85);
  coil(w, root, bad, dice);
};
const coilSticks: Harm = (w, root, bad, dice) => {
  w.solenoids[root.solenoid!] = 'sticking';
  if (root.template.role === 'shift' && root.element === null)
    w.command = { solenoid: root.solenoid!, at: dice.chance(0.4) ? 1 : 0 };
  else coil(w, root, dice.chance(0.5) ? 1 : 0.6 * bad, dice);
};
function coil(w: Wreck, { template, element, solenoid }: Root, bad: number, dice: Dice): void {
  if (template.role === 'pressure') lower(w, 0.3 + 0.3 * bad, 0.3 + 0.4 * bad);
  else if (template.role === 'lock-up') {
    if (template.mode === 'sticking' && dice.chance(0.3)) w.lockUpHolds = 1;
    else w.lockUpSlips = 0.6 + 0.4 * bad;
  } else if (element === null) w.command = { solenoid: solenoid!, at: 0 };
  else starve2(w, element, bad);
}
const starve2 = (w: Wreck, element: string, bad: number) =>
  starve(w, [element], 0.4 + 0.6 * bad, 0.4 + 0.6 * bad);

/** By mode; a mode the simulator cannot do is never drawn. */
export const HARMS: Record<string, Harm> = {
  blocked: (w, r, bad) => {
    w.filter = 0.5 + 0.5 * bad;
    w.sludge = 0.4 * bad;
    partBad(w, r, bad);
  },
  unseated: (w, _r, bad) => {
    w.unseated = bad;
    lower(w, 0.35 * bad, 0.4 * bad);
  },
  'low-output': (w, r, bad) => {
    lower(w, 0.15 * bad, 0.35 + 0.35 * bad);
    w.paste += 0.25 * bad;
    w.aluminium += 0.3 * bad;
    partBad(w, r, bad);
  },
  'drive-sheared': (w, r) => {
    lower(w, 1, 1);
    w.flakes += 0.4;
    partBad(w, r, 1);
  },
  'low-control': (w, r, bad) => {
    w.solenoids[r.solenoid!] = 'sticking';
    lower(w, 0.4 + 0.3 * bad, 0.4 + 0.35 * bad);
  },
  'low-level': (w, _r, bad) => {
    w.level = bad;
    lower(w, 0.3 * bad, 0.3 + 0.4 * bad);
  },
  'main-leak': (w, r, bad) => {
    partBad(w, r, bad);
    lower(w, 0.15 * bad, 0.3 + 0.35 * bad);
  },
  'feed-loss': leaking,
  electrical: coilDead,
  'held-on': (w, r, bad, dice) => {
    if (dice.chance(0.6)) w.heldOn.add(r.element!);
    else w.drag[r.element!] = 0.5 + 0.5 * bad;
  },
  drags: (w, r, bad, dice) => {
    w.drag[r.element!] = 0.4 + 0.6 * bad;
    if (dice.chance(0.6)) w.clearance[r.element!] = 'under';
  },
  'broken-spring': (w, r, bad) => {
    w.drag[r.element!] = 0.4 + 0.5 * bad;
    partBad(w, r, 1);
  },
  'off-lever': (w, r) => {
    w.astray = true;
    partBad(w, r, 1);
  },
  misaligned: (w, r, bad, dice) => {
    partBad(w, r, bad);
    if (dice.chance(0.6)) w.limp = true;
    else w.astray = true;
  },
  'lining-lost': (w, r, bad) => {
    w.lockUpLining = 0.7 + 0.3 * bad;
    w.unbonded = r.template.variant === 'lining-unbonded';
    w.fibre += 0.7 + 0.3 * bad;
    w.lockUpSlips = 0.8;
    w.filter = Math.max(w.filter, 0.9 * bad);
  },
  grinding: (w, _r, bad) => {
    w.converterBearing = bad;
    w.paste += 0.5 + 0.5 * bad;
  },
  'hub-seized': (w, _r, bad) => {
    w.hubHeat = bad;
    w.bronze += 0.7 * bad;
    lower(w, 0.3 + 0.6 * bad, 0.4 + 0.6 * bad);
  },
  'lock-up-drags': (w, _r, bad) => void (w.lockUpHolds = bad),
  'stator-slips': (w, _r, bad) => void (w.stator = bad),
  'path-broken': (w, r) => {
    w.broken.add(r.part!);
    partBad(w, r, 1);
    w.flakes += 0.25;
  },
  slips: (w, r, bad) => {
    w.slipping.add(r.element!);
    w.flakes += 0.3 * bad;
    partBad(w, r, bad);
  },
  locked: (w, r, bad) => {
    w.locked.add(r.element!);
    w.flakes += 0.3 * bad;
    partBad(w, r, bad);
  },
  'lubrication-lost': (w, r, bad) => void (w.dry[r.gearset!] = 0.4 + 0.6 * bad),
  'lubrication-blocked': (w, r, bad) => {
    if (r.gearset) w.dry[r.gearset] = 0.4 + 0.6 * bad;
    partBad(w, r, bad);
  },
  'gears-worn': (w, r, bad) => {
    w.worn[r.gearset!] = bad;
    w.flakes += 0.3 + 0.5 * bad;
  },
  worn: (w, r, bad) => {
    w.worn[r.part!] = bad;
    w.flakes += 0.3 + 0.5 * bad;
    partBad(w, r, bad);
  },
  cooling: (w, r, bad) => {
    w.hotOil = 0.4 + 0.6 * bad;
    partBad(w, r, bad);
  },
  heat: (w, _r, bad) => {
    w.hotOil = 0.3 + 0.6 * bad;
    w.sludge = 0.3 + 0.6 * bad;
    w.filter = Math.max(w.filter, 0.5 * bad);
  },
  water: (w, _r, bad) => {
    w.water = 0.4 + 0.6 * bad;
    for (const e of Object.keys(w.grip)) w.grip[e]! *= 1 - 0.5 * bad;
  },
  overload: (w, _r, bad) => {
    w.torque = 1.3 + 0.9 * bad;
    w.hotOil = 0.3 * bad;
  },
  'set-up-wrong': (w, r, bad, dice) => {
    w.setUp.add(r.element!);
    if (dice.chance(0.5)) w.drag[r.element!] = 0.4 + 0.5 * bad;
    else w.grip[r.element!]! *= 0.9 - 0.5 * bad;
  },
  misadjusted: (w, r, bad) => {
    w.misadjusted.add(r.element!);
    starve(w, [r.element!], 0.4 + 0.6 * bad, 0.4 + 0.6 * bad);
  },
  'worn-out': (w, r, bad) => void (w.grip[r.element!]! *= 0.7 - 0.5 * bad),
  'electrical-outside': (w) => {
    w.limp = true;
    w.electrical = true;
  },
  outside: (w) => void (w.rough = true),
  nothing: () => undefined,
};

/** Sticking: a regulator, a shift valve or a solenoid. */
HARMS.sticking = (w, r, bad, dice, unit) => {
  if (r.solenoid) return coilSticks(w, r, bad, dice, unit);
  partBad(w, r, bad);
  if (r.aim.elements.length) starve(w, r.aim.elements, 0.5 + 0.5 * bad, 0.5 + 0.5 * bad);
  else lower(w, 0.35 + 0.3 * bad, 0.35 + 0.4 * bad);
};

import { explainTieUp, margins } from '@/core/powerflow';
import type { Fault, Margin } from '@/core/powerflow';
import { healthyTable, predict } from '@/core/suspects';
import type { HealthyTable, Prediction } from '@/core/suspects';
import { frictionElements } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Dice } from '../dice';
import { HEATS } from './wreck';
import type { HeatName, Wreck } from './wreck';

/** Trips driven on after the driver has felt something. */
const TRIPS = { most: 60, after: 6, mostAfter: 30 };
/** Burnt in one trip by slipping all the time under full load; a clutch that takes nothing burns little. */
const BURNS = 0.12;
/** Below this share an element carries nothing worth driving on. */
const CARRIES = 0.25;
/** Above this severity a lining may weld, with this chance a trip. */
const WELDS = { above: 0.9, chance: 0.03 };
const DRAG_BURNS = 0.05;
const RIVAL_BURNS = 0.15;

/** What a unit is driven with, worked out once. */
export interface Car {
  unit: UnitDefinition;
  healthy: HealthyTable;
  margins: readonly Margin[];
  friction: readonly string[];
  /** Who gives way to an element that does not let go: 1 for the weakest, less for the others. */
  rivals: ReadonlyMap<string, ReadonlyMap<string, number>>;
}

export function carOf(unit: UnitDefinition): Car {
  const healthy = healthyTable(unit);
  const friction = frictionElements(unit).map((e) => e.id);
  const rivals = new Map(
    unit.elements.map(({ id }) => {
      const hit = new Map<string, number>();
      const faults: Fault[] = [{ kind: 'stuck', element: id }];
      predict(unit, healthy, faults).forEach((p, k) => {
        if (p.kind !== 'tie-up') return;
        const { fighting, weakest } = explainTieUp(unit, unit.gears[k]!, faults);
        for (const e of fighting)
          if (e !== id && friction.includes(e))
            hit.set(e, Math.max(hit.get(e) ?? 0, e === weakest ? 1 : 0.4));
      });
      return [id, hit] as const;
    }),
  );
  return { unit, healthy, margins: margins(unit), friction, rivals };
}

/** Share of its load an element can carry in a gear; 1 and more: all of it. */
function holds(w: Wreck, { element, margin }: Margin, heat: HeatName): number {
  const lining = 1 - 0.7 * w.burnt[element]!;
  return (margin * pressureAt(w, heat) * w.supply[element]![heat] * w.grip[element]! * lining) / w.torque;
}

/** What is left of line pressure: a filter starves a hot pump more. */
export function pressureAt(w: Wreck, heat: HeatName): number {
  return w.pressure[heat] * (1 - (heat === 'hot' ? 0.75 : 0.45) * w.filter ** 2);
}

/** Drives until the driver has had enough: what slips burns, sheds, blocks the filter, and so on. */
export function drive(car: Car, w: Wreck, dice: Dice): void {
  let felt = -1;
  const on = TRIPS.after + dice.below(TRIPS.mostAfter);
  for (let trip = 0; trip < TRIPS.most; trip++) {
    const heat: HeatName = dice.chance(0.3) ? 'cold' : 'hot';
    for (const m of car.margins) {
      const share = holds(w, m, heat);
      if (share >= 1) continue;
      const working = share < CARRIES ? 0.15 : 1;
      burn(w, m.element, (BURNS * (1 - share) * working) / car.margins.length ** 0.3);
    }
    for (const e of car.friction) {
      if (w.drag[e]! > 0) {
        burn(w, e, DRAG_BURNS * w.drag[e]!);
        w.steels[e] = Math.min(1, w.steels[e]! + 0.2 * w.drag[e]!);
      }
      if (w.burnt[e]! > WELDS.above && dice.chance(WELDS.chance)) w.welded.add(e);
    }
    for (const e of [...w.welded, ...w.heldOn, ...w.locked])
      for (const [other, weight] of car.rivals.get(e) ?? []) burn(w, other, RIVAL_BURNS * weight);
    const metal = w.flakes + 0.5 * w.paste;
    for (const set of Object.keys(w.dry)) w.paste = Math.min(1.2, w.paste + 0.02 * w.dry[set]!);
    w.filter = Math.min(1, w.filter + 0.004 * metal + 0.006 * w.fibre + 0.004 * w.sludge);
    if (felt < 0 && complaints(car, w).length) felt = trip;
    if (felt >= 0 && trip >= felt + on) break;
  }
}

function burn(w: Wreck, element: string, by: number): void {
  const was = w.burnt[element]!;
  w.burnt[element] = Math.min(1, was + by);
  w.fibre = Math.min(1.3, w.fibre + 0.35 * (w.burnt[element]! - was));
  w.steels[element] = Math.min(1, w.steels[element]! + 0.6 * (w.burnt[element]! - was));
}

/** What every gear does at a heat. */
export function does({ unit, healthy, margins: all }: Car, w: Wreck, heat: HeatName): Prediction[] {
  const faults: Fault[] = [];
  for (const e of unit.elements) {
    if (w.welded.has(e.id) || w.heldOn.has(e.id) || w.locked.has(e.id))
      faults.push({ kind: 'stuck', element: e.id });
    else if (w.slipping.has(e.id)) faults.push({ kind: 'lost', element: e.id });
  }
  for (const part of w.broken) faults.push({ kind: 'break', part });
  const weak = new Map<string, Set<string>>();
  for (const m of all) {
    const share = holds(w, m, heat);
    if (share >= 1 || faults.some((f) => 'element' in f && f.element === m.element)) continue;
    if (share < CARRIES) faults.push({ kind: 'lost', element: m.element });
    else weak.set(m.gear, (weak.get(m.gear) ?? new Set<string>()).add(m.element));
  }
  const seen = predict(unit, healthy, faults);
  return unit.gears.map((gear, k): Prediction => {
    const did = seen[k]!;
    const shifted = shiftedTo(unit, w, gear.key);
    if (shifted !== null) {
      const [mine, theirs] = [gear.key, shifted].map((g) => Math.abs(healthy.outcomes.get(g)!.ratio ?? 1));
      return { ...did, kind: theirs! > mine! ? 'lower' : 'higher', actsLike: shifted };
    }
    if (w.limp && gear.gear !== null && gear.range !== 'R')
      return { ...did, kind: gear.gear <= unit.speeds / 2 ? 'higher' : 'lower', actsLike: null };
    if (w.astray && gear.gear === null) return { ...did, kind: 'moves' };
    if (did.kind !== 'normal') return did;
    if (weak.has(gear.key)) return { ...did, kind: 'slip' };
    const dragging = unit.elements.find((e) => w.drag[e.id]! > 0.6);
    if (dragging) {
      const on = predict(unit, healthy, [...faults, { kind: 'stuck', element: dragging.id }])[k]!;
      if (on.kind === 'moves' || (on.kind === 'tie-up' && w.drag[dragging.id]! > 0.8)) return on;
    }
    if (w.rough && gear.gear !== null) return { ...did, kind: 'shudder' };
    if (unit.converter.lockUpGears.includes(gear.key)) {
      if (w.lockUpSlips > 0.3) return { ...did, kind: 'shudder' };
      if (w.lockUpHolds > 0.3) return { ...did, kind: 'stall' };
    }
    if (gear.launch && pressureAt(w, heat) < 0.6) return { ...did, kind: 'late' };
    return did;
  });
}

/** The gear the hydraulics make of a pattern in which one solenoid is left at one end. */
function shiftedTo(unit: UnitDefinition, { command }: Wreck, key: string): string | null {
  const gear = unit.gears.find((g) => g.key === key)!;
  const solenoid = command && unit.solenoids.find((s) => s.id === command.solenoid);
  if (!solenoid || gear.gear === null) return null;
  const pattern = gear.solenoids?.map((s, k) => (k === solenoid.shiftIndex ? command.at : s)).join();
  const got = unit.gears.find((g) => g.range === gear.range && g.solenoids?.join() === pattern);
  return got && got.key !== key ? got.key : null;
}

/** Gears in which a driver feels something, at either heat. */
function complaints(car: Car, w: Wreck): string[] {
  const wrong = HEATS.flatMap((heat) =>
    does(car, w, heat).filter((p) => p.kind !== 'normal' && p.kind !== 'no-braking'),
  );
  return [...new Set(wrong.map((p) => p.gear))];
}

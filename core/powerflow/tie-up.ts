import { elementOf } from '@/core/unit';
import type { GearPosition, UnitDefinition } from '@/core/unit';
import { capacity, fullPressure } from './capacity';
import type { Fault } from './fault';
import { gearOutcome, solveGear, turbineTorque } from './solve';
import type { GearOutcome } from './solve';

/** What the driver meets: the engine stalls against it, the car binds and slows, or the weakest element slips. */
type TieUpFeel = 'stalls' | 'binds' | 'slips';

export interface TieUp {
  /** Elements that fight each other: letting any one go frees the gear. */
  fighting: string[];
  /** The one with the least capacity, which gives way if any does. */
  weakest: string | null;
  /** What the gear then does. */
  thenDoes: GearOutcome | null;
  /** Input torque that drags the weakest round while it grips, N·m: capacity × its slip per turn of the input. */
  dragNm: number | null;
  feel: TieUpFeel;
}

/**
 * Who fights whom in a gear that is tied up or whose output is held, and what the driver gets. By virtual power the
 * weakest element is dragged round by an input torque of capacity × slip speed ÷ input speed. In a gear that starts from
 * rest the turbine either brings that (the element slips) or the engine bogs and stalls; in the others the moving car
 * does the dragging: it binds, and the weakest slips when the turbine could drag it too.
 */
export function explainTieUp(unit: UnitDefinition, gear: GearPosition, faults: Fault[]): TieUp {
  const stuck = faults.flatMap((f) => (f.kind === 'stuck' ? [f.element] : []));
  const lost = new Set(faults.flatMap((f) => (f.kind === 'lost' ? [f.element] : [])));
  const applied = [...new Set([...gear.apply, ...stuck])].filter((id) => !lost.has(id));
  const without = (id: string): Fault[] => [
    ...faults.filter((f) => !(f.kind === 'stuck' && f.element === id)),
    { kind: 'lost', element: id },
  ];
  const blocked = (id: string) =>
    ['tie-up', 'output-held'].includes(gearOutcome(unit, gear.key, without(id)).outcome);
  const fighting = applied.filter((id) => !blocked(id));
  const grip = (id: string) => capacity(elementOf(unit, id), fullPressure(unit, gear), { gear: gear.key });
  // What is welded does not let go; neither do teeth and sprags.
  const held = fighting.filter((id) => {
    const { pack, band } = elementOf(unit, id);
    return !stuck.includes(id) && (pack || band);
  });
  const weakest = held.sort((a, b) => grip(a) - grip(b))[0] ?? null;
  if (!weakest)
    return { fighting, weakest, thenDoes: null, dragNm: null, feel: gear.launch ? 'stalls' : 'binds' };
  const freed = solveGear(unit, gear.key, without(weakest));
  const { a, b } = elementOf(unit, weakest);
  const speed = (member: string) => (member === 'case' ? 0 : (freed.speeds[member] ?? 0));
  const slip = Math.abs(speed(a) - speed(b));
  const dragNm = grip(weakest) * slip;
  const dragged = dragNm <= turbineTorque(unit, gear);
  return {
    fighting,
    weakest,
    thenDoes: { key: freed.key, outcome: freed.outcome, ratio: freed.ratio, parkPawl: freed.parkPawl },
    dragNm,
    feel: dragged ? 'slips' : gear.launch ? 'stalls' : 'binds',
  };
}

import { attachmentsOf, meshTorques, solveGear } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import type { ElementState, Flow, MemberState } from '@/ui/section';

/** Where torque runs in one gear: through which members, elements and teeth. */
export function flowOf(unit: UnitDefinition, gearKey: string, faults: Fault[]): Flow {
  const solution = solveGear(unit, gearKey, faults);
  const loads = meshTorques(unit, gearKey, faults);
  const gear = unit.gears.find((g) => g.key === gearKey)!;
  const lost = new Set(faults.flatMap((f) => (f.kind === 'lost' ? [f.element] : [])));
  const stuck = new Set(faults.flatMap((f) => (f.kind === 'stuck' ? [f.element] : [])));
  const elements = new Map(
    unit.elements.map((e): [string, ElementState] => {
      const torque = solution.elements[e.id];
      const carries = torque === null || (torque !== undefined && torque > 0);
      const applied = stuck.has(e.id) || (gear.apply.includes(e.id) && !lost.has(e.id));
      return [e.id, carries ? 'carries' : applied ? 'applied' : 'open'];
    }),
  );
  const gearsets = new Set(Object.entries(loads).flatMap(([id, t]) => (t === 0 ? [] : [id])));
  const drives = solution.ratio !== null;
  const members = new Map(
    unit.members.map((m): [string, MemberState] => {
      const loaded = attachmentsOf(unit, m.id).filter((a) =>
        'element' in a
          ? elements.get(a.element) === 'carries'
          : 'terminal' in a
            ? drives
            : gearsets.has(a.gearset),
      ).length;
      if (solution.outcome === 'tie-up') return [m.id, 'stands'];
      const speed = solution.speeds[m.id];
      if (loaded > 1) return [m.id, speed === 0 ? 'holds' : 'carries'];
      if (speed === null || speed === undefined) return [m.id, 'floats'];
      return [m.id, speed === 0 ? 'stands' : 'turns'];
    }),
  );
  return { members, elements, gearsets };
}

import { isBought } from '@/core/scope';
import type { Scope } from '@/core/scope';
import { stationOfRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { DeviceMark } from '@/ui/section';

/** What a scope does to every device of the drawing, and where what spread was seen or came by. */
export function scopeMarks(unit: UnitDefinition, scope: Scope): Record<string, DeviceMark> {
  const lines = new Map(
    scope.lines.filter((l) => l.kind === 'part' && l.of !== null).map((l) => [l.of!, l.action]),
  );
  const whole = scope.repair === 'exchange';
  const seen = new Set(scope.spread.flatMap((s) => s.seenIn));
  const came = scope.spread.length > 0;
  const markOf = (ids: string[], seenHere: boolean, inside: boolean): DeviceMark => {
    const actions = ids.flatMap((id) => lines.get(id) ?? []);
    const renewed = (whole && inside) || actions.some(isBought);
    return {
      scope: renewed ? 'renewed' : actions.some((a) => a !== 'reuse') ? 'worked' : undefined,
      spread: seenHere ? 'seen' : came ? 'reached' : undefined,
    };
  };
  const at = (station: string | null) => unit.parts.filter((p) => p.station === station).map((p) => p.id);
  const marks: Record<string, DeviceMark> = {};
  for (const e of unit.elements) {
    const own = unit.parts.filter(
      (p) =>
        p.element === e.id ||
        e.liningParts?.includes(p.id) ||
        e.part === p.id ||
        (p.station === e.station && e.feedPath.includes(p.id)),
    );
    marks[e.id] = markOf(
      own.map((p) => p.id),
      seen.has(e.id),
      true,
    );
  }
  for (const set of unit.gearsets) {
    const own = unit.parts.filter(
      (p) => p.gearset === set.id || p.splits?.away.some((a) => 'gearset' in a && a.gearset === set.id),
    );
    marks[set.id] = markOf(
      own.map((p) => p.id),
      false,
      true,
    );
  }
  marks.converter = markOf([unit.converter.part], false, false);
  marks.pump = markOf(at(stationOfRole(unit, 'pump-gears', 'pump-cover')), false, true);
  return marks;
}

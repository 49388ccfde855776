import type { UnitDefinition } from '@/core/unit';
import type { ShelfPiece } from '@/core/shelf';
import type { DeviceMark } from '@/ui/section';

/** Where on the drawing of a unit the parts of the shelf belong. */
export function shelfMarks(
  unit: UnitDefinition,
  pieces: readonly Pick<ShelfPiece, 'part'>[],
): Record<string, DeviceMark> {
  const marks: Record<string, DeviceMark> = {};
  for (const { part: id } of pieces) {
    const part = unit.parts.find((p) => p.id === id);
    if (!part) continue;
    const own = [
      ...unit.elements.filter((e) => e.id === part.element || e.drumPart === id || e.powerPath.includes(id)),
      ...unit.gearsets.filter((g) => g.id === part.gearset),
    ];
    const places = own.length > 0 ? own : unit.elements.filter((e) => e.station === part.station);
    for (const { id: place } of places) marks[place] = { scope: 'worked' };
  }
  return marks;
}

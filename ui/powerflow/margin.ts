import { capacity, fullPressure, turbineTorque } from '@/core/powerflow';
import { elementOf, gearOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';

/** Capacity against load of one element in one gear at full pressure; null where either is not known. */
export function marginIn(unit: UnitDefinition, gearKey: string, id: string, share: number | null) {
  const gear = gearOf(unit, gearKey);
  const capacityNm = capacity(elementOf(unit, id), fullPressure(unit, gear), { gear: gearKey });
  if (!share || !Number.isFinite(capacityNm)) return null;
  const loadNm = share * turbineTorque(unit, gear);
  return { capacityNm, loadNm, margin: capacityNm / loadNm };
}

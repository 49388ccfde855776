import type { Complaint } from '@/core/case';
import { meshTorques, turning } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';

/** Something that makes noise when it turns, or when it is loaded, held against the gears in which noise is reported. */
export interface NoiseSource {
  id: string;
  name: string;
  kind: 'pinion' | 'idler' | 'bearing' | 'element' | 'mesh';
  station: string;
  part: string | null;
  gearset: string | null;
  /** Gears in which it turns against what holds it; for a pair of gears, in which its teeth carry. */
  worksIn: string[];
  agree: string[];
  disagree: string[];
}

/** What every possible source does in every gear that drives: worked out once per unit. */
export function noiseTable(unit: UnitDefinition): NoiseSource[] {
  const sources = new Map<string, NoiseSource>();
  const add = (source: Omit<NoiseSource, 'worksIn' | 'agree' | 'disagree'>, gear: string, works: boolean) => {
    const known = sources.get(source.id) ?? { ...source, worksIn: [], agree: [], disagree: [] };
    if (works) known.worksIn.push(gear);
    sources.set(source.id, known);
  };
  for (const gear of unit.gears.filter((g) => g.gear !== null || g.range === 'R')) {
    for (const t of turning(unit, gear.key)) {
      const { id, name, kind, station } = t;
      add(
        { id, name, kind, station, part: t.part ?? null, gearset: t.gearset ?? null },
        gear.key,
        t.speed !== null && t.speed !== 0,
      );
    }
    // On parallel shafts every pair turns all the time: what tells them apart is load.
    const loads = meshTorques(unit, gear.key);
    for (const set of unit.gearsets) {
      if (set.kind !== 'mesh') continue;
      const source = {
        id: set.id,
        name: set.name,
        kind: 'mesh' as const,
        station: set.station,
        part: null,
        gearset: set.id,
      };
      add(source, gear.key, (loads[set.id] ?? 0) !== 0);
    }
  }
  return [...sources.values()];
}

/**
 * Sources ranked by how well they fit the gears that are noisy and those that were described without noise. Empty when no
 * noise is reported. A gear nobody described, or a limp gear, counts for nothing.
 */
export function noiseSources(table: readonly NoiseSource[], complaints: readonly Complaint[]): NoiseSource[] {
  const told = complaints.filter((c) => !c.cell.limp);
  const noisy = new Set(told.filter((c) => c.cell.noises?.length).map((c) => c.gear));
  const gears = [...new Set(told.map((c) => c.gear))];
  if (noisy.size === 0) return [];
  return table
    .filter((s) => s.worksIn.length > 0)
    .map((s) => {
      const fits = (gear: string) => s.worksIn.includes(gear) === noisy.has(gear);
      return { ...s, agree: gears.filter(fits), disagree: gears.filter((gear) => !fits(gear)) };
    })
    .filter((s) => s.agree.some((gear) => noisy.has(gear)))
    .sort((a, b) => a.disagree.length - b.disagree.length || RANK[a.kind] - RANK[b.kind]);
}

/** Where two fit alike: what carries load and needs oil first. */
const RANK: Record<NoiseSource['kind'], number> = { pinion: 0, mesh: 1, bearing: 2, idler: 3, element: 4 };

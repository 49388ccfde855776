import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { isBought, merge, partLine, reaches } from './line';
import type { Lines, Reason, ScopeLine } from './line';
import type { ScopeRules } from './schema';

/**
 * Adds what is not used twice where a place was taken out or is worked on (gaskets, rings, fasteners), and what is chosen by
 * size once a pack with new plates is measured: what is forgotten is found missing at assembly.
 */
export function addOpened(
  unit: UnitDefinition,
  state: JobState,
  lines: Lines,
  removed: readonly ScopeLine[],
  { opened }: ScopeRules,
): void {
  const all = [...lines.values()];
  const touched = new Set(
    all.filter((l) => l.kind === 'part' && reaches(l.action, 'machine')).map((l) => l.station),
  );
  const isOpen = (station: string) =>
    touched.has(station) || valueOf(state, `station.${station}.out`) === true;
  const renewed = new Set(all.filter((l) => isBought(l.action)).map((l) => l.of));
  const isSet = (element: string) =>
    unit.elements.find((e) => e.id === element)?.liningParts?.some((id) => renewed.has(id)) === true;
  for (const part of unit.parts) {
    if (removed.some((l) => l.key === `part-${part.id}`)) continue;
    const kind = part.kind ?? '';
    const once = part.kit === 'overhaul' || part.kit === 'always';
    if (once && opened.renewed.includes(kind) && isOpen(part.station))
      merge(lines, partLine(unit, part.id, reasonOf('opened', opened.reason, 'replace')));
    if (part.sizes && opened.selective.includes(kind) && part.element !== undefined && isSet(part.element))
      merge(lines, {
        ...partLine(unit, part.id, reasonOf('selective', opened.chosen, 'measure')),
        supplier: part.supplier ?? null,
        leadDays: 0,
        sizes: part.sizes,
      });
  }
}

const reasonOf = (rule: string, words: string, action: Reason['action']): Reason => ({
  rule,
  custom: true,
  words,
  slots: [],
  firm: false,
  action,
});

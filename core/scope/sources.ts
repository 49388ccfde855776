import { below } from '@/core/case';
import type { JobState, ValueAt } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { isBought } from './line';
import type { Lines } from './line';

/** Where a part of this job is bought: an offer somebody took, or a piece of the shop's shelf. */
export type PartSource = ValueAt<'scope.source.*'>;

/** The unit as this job buys it: price, days, deposit and supplier of the offers that were taken. */
export function asSourced(unit: UnitDefinition, state: JobState): UnitDefinition {
  const chosen = new Map(below(state, 'scope.source.'));
  if (chosen.size === 0) return unit;
  return {
    ...unit,
    parts: unit.parts.map((part) => {
      const source = chosen.get(part.id);
      if (!source) return part;
      const { price, leadDays, coreDeposit, returnDays, supplier } = source;
      // What the offer does not say it does not ask for: a deposit of the price book is another supplier's.
      return { ...part, price, leadDays, supplier, coreDeposit: coreDeposit ?? 0, returnDays };
    }),
  };
}

/** Says on every bought line what it is bought as. */
export function markSources(lines: Lines, state: JobState): void {
  const chosen = new Map(below(state, 'scope.source.'));
  for (const line of lines.values()) {
    const source = line.of !== null && isBought(line.action) ? chosen.get(line.of) : undefined;
    if (!source || line.kind !== 'part') continue;
    line.grade = source.grade;
    line.packaging = source.packaging ?? null;
    line.shelf = source.shelf ?? null;
  }
}

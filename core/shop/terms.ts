import type { UnitDefinition } from '@/core/unit';
import type { ShopTerms } from './schema';

/** The unit as this shop prices it: its own times, and the prices of its book. */
export function asPriced(unit: UnitDefinition, { times, prices }: ShopTerms): UnitDefinition {
  const own = new Map(times.filter((t) => t.unit === unit.id).map((t) => [t.operation, t.hours]));
  const book = new Map(prices.filter((p) => p.unit === unit.id).map((p) => [p.part, p]));
  if (own.size === 0 && book.size === 0) return unit;
  return {
    ...unit,
    labour: unit.labour.map((o) => {
      const hours = own.get(o.id);
      return hours === undefined ? o : { ...o, hours };
    }),
    parts: unit.parts.map((p) => {
      const known = book.get(p.id);
      if (!known) return p;
      const { price, leadDays, coreDeposit, returnDays, supplier } = known;
      const said = Object.entries({ price, leadDays, coreDeposit, returnDays, supplier });
      return { ...p, ...Object.fromEntries(said.filter(([, value]) => value !== undefined)) };
    }),
  };
}

/** What a part costs the shop, minor units, where its price book says. */
export function costOf({ prices }: ShopTerms, unit: string, part: string): number | undefined {
  return prices.find((p) => p.unit === unit && p.part === part)?.cost;
}

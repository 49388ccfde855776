import type { Distance } from './distance';
import type { Calendar, Capacity } from '@/core/schedule';
import type { Policies, Repair } from '@/core/scope';
import type { LabourRate, UnitDefinition } from '@/core/unit';

/** What of a bill a tax can be on. */
export const TAX_BASES = ['parts', 'labour', 'fluid', 'supplies', 'waste', 'deposits'] as const;
export type TaxBase = (typeof TAX_BASES)[number];

export interface TaxRule {
  name: string;
  on: TaxBase[];
  /** As a share. */
  rate: number;
}

/** A repair somebody can come back with. */
export type Repaired = Exclude<Repair, 'none'>;

/** What the shop knows of a part better than the unit's definition. */
export interface BookPrice {
  unit: string;
  part: string;
  /** What the customer pays, minor units. */
  price?: number;
  /** What the shop pays, minor units. */
  cost?: number;
  leadDays?: number;
  coreDeposit?: number;
  returnDays?: number;
  supplier?: string;
}

/** What a shop charges and promises: `data/prices/shop.json`. Rates are shares, money minor units, hours decimal. */
export interface ShopTerms {
  format: 'pelvik-shop/2';
  name: string;
  address: string;
  phone: string;
  /** A line under the name on paper: registration, opening, what the shop wants said. */
  letterhead: string;
  currency: string;
  /** Where the shop's clock hangs: an IANA name. */
  timeZone: string;
  paper: 'A4' | 'LETTER';
  /** How distance is counted; kilometres where it is not said. */
  distance?: Distance;
  rates: Record<LabourRate, number>;
  /** What an hour costs the shop, all in. */
  costPerHour: number;
  /** Price of a part over its cost, where the price book does not say: 0.4 is cost and 40 %. */
  partsMarkup: number;
  /** The shop's own times, instead of the unit's. */
  times: { unit: string; operation: string; hours: number }[];
  prices: BookPrice[];
  fluidPerLitre: number;
  /** What is fitted beside the unit, each with its work, by the line's key (`outside-cooler`); the others are agreed. */
  outside?: Record<string, number>;
  supplies: { rate: number; cap: number };
  /** Surcharge for what goes to licensed disposal, once a repair. */
  waste: number;
  taxes: TaxRule[];
  /** Totals are rounded to so many minor units. */
  roundTo: number;
  /** Share of the total asked for when the customer agrees. */
  downPayment: number;
  quoteValidDays: number;
  policies: Policies;
  warranty: Record<Repaired, { months: number; km: number }>;
  /** What voids it, each in a sentence. */
  warrantyVoids: string[];
  /** Share that comes back for the work itself, whatever the cause was. */
  workmanship: Record<Repaired, number>;
  calendar: Calendar;
  capacity: Capacity;
}

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

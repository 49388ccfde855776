import { isBought } from '@/core/scope';
import type { ScopeLine } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { sum, times, costOf } from '@/core/shop';
import type { ShopTerms, TaxBase } from '@/core/shop';
import type { Bill, LineOrder, QuoteLine } from './schema';

/** A discount given in a job: a share of everything before tax, or an amount. */
export interface Discount {
  share?: number;
  amount?: number;
  words: string;
}

/** What one of a line costs the customer, minor units: nothing where the kit holds it or the shop bears it. */
export function linePrice(line: ScopeLine, terms: ShopTerms): number {
  if (line.inKit || line.onTheShop) return 0;
  if (line.kind === 'fluid') return line.price ?? terms.fluidPerLitre;
  if (line.kind === 'outside') return line.price ?? terms.outside[line.key] ?? 0;
  return line.kind === 'labour' ? times(terms.rates[line.rate], line.hours) : (line.price ?? 0);
}

/** The line's deposit: what the shop broke, or the kit holds, is no customer's core. */
export const depositOf = (line: ScopeLine) =>
  line.inKit || line.onTheShop ? 0 : times(line.coreDeposit, line.quantity);

/** A line's price times its quantity. */
export const lineTotal = (line: ScopeLine, terms: ShopTerms) => times(linePrice(line, terms), line.quantity);

/** What the lines of a scope cost the customer. */
export function billOf(lines: readonly ScopeLine[], terms: ShopTerms, discount: Discount | null): Bill {
  const shown = quoteLines(lines, terms);
  const charged = (kind: ScopeLine['kind']) => sum(shown.filter((l) => l.kind === kind).map((l) => l.total));
  const parts = charged('part') + charged('outside');
  const [labour, fluid] = [charged('labour'), charged('fluid')];
  const work = parts + labour;
  const supplies = Math.min(times(work, terms.supplies.rate), terms.supplies.cap);
  const opened = lines.some((l) => l.kind === 'part' && l.action !== 'measure');
  const waste = opened ? terms.waste : 0;
  const before: Record<TaxBase, number> = {
    parts,
    labour,
    fluid,
    supplies,
    waste,
    deposits: sum(lines.map(depositOf)),
  };
  const gross = work + fluid + supplies + waste;
  const off = discountOf(discount, gross);
  const after = lessDiscount(before, off, gross);
  const taxes = terms.taxes.map(({ name, on, rate }) => {
    const base = sum(on.map((b) => after[b]));
    return { name, rate, on: base, amount: times(base, rate) };
  });
  const tax = sum(taxes.map((t) => t.amount));
  const exact = gross - off + tax + before.deposits;
  const total = Math.round(exact / terms.roundTo) * terms.roundTo;
  return {
    lines: shown,
    parts,
    labour,
    fluid,
    supplies,
    waste,
    discount: off,
    taxable: gross - off,
    taxes,
    tax,
    coreDeposits: before.deposits,
    rounding: total - exact,
    total,
    downPayment: times(total, terms.downPayment),
  };
}

/** Never more than there is to pay. */
function discountOf(discount: Discount | null, gross: number): number {
  if (!discount) return 0;
  const wanted = discount.amount ?? times(gross, discount.share ?? 0);
  return Math.max(0, Math.min(gross, wanted));
}

/** The discount taken from every kind in proportion; what does not divide goes to the largest. Deposits are not reduced. */
function lessDiscount(before: Record<TaxBase, number>, off: number, gross: number): Record<TaxBase, number> {
  if (off === 0) return before;
  const kinds = (['parts', 'labour', 'fluid', 'supplies', 'waste'] as const).filter((k) => before[k] > 0);
  const after = { ...before };
  let left = off;
  for (const kind of kinds) {
    const share = Number((BigInt(before[kind]) * BigInt(off)) / BigInt(gross));
    after[kind] -= share;
    left -= share;
  }
  const largest = kinds.reduce((a, b) => (after[b] > after[a] ? b : a));
  after[largest] -= left;
  return after;
}

/** Lines as the customer reads them: what a kit holds stands with the kit. */
function quoteLines(lines: readonly ScopeLine[], terms: ShopTerms): QuoteLine[] {
  return lines
    .filter((line) => !line.inKit)
    .map((line) => ({
      name: line.name,
      kind: line.kind,
      action: line.action,
      quantity: line.quantity,
      price: linePrice(line, terms),
      total: lineTotal(line, terms),
      note: noteOf(line, terms),
      reason: line.reasons.map((r) => r.words).join('; '),
      ...(line.contents.length ? { contents: line.contents } : {}),
      ...orderOf(line),
    }));
}

/** Bought parts, and those that are chosen by size, are ordered. */
function orderOf(line: ScopeLine): { order?: LineOrder } {
  const bought = line.kind === 'part' && isBought(line.action);
  if (!bought && line.sizes.length === 0) return {};
  return {
    order: {
      part: line.of,
      supplier: line.supplier ?? '',
      leadDays: line.leadDays,
      deposit: line.coreDeposit,
      returnDays: line.coreReturnDays,
      ...(line.sizes.length ? { sizes: line.sizes } : {}),
      ...(line.grade ? { grade: line.grade } : {}),
      ...(line.packaging ? { packaging: line.packaging } : {}),
      ...(line.shelf ? { shelf: line.shelf } : {}),
    },
  };
}

function noteOf(line: ScopeLine, terms: ShopTerms): string {
  if (line.onTheShop) return 'on the shop';
  if (line.unpriced) return 'price not known';
  if (line.kind === 'labour') return `${line.hours} h`;
  if (line.kind === 'outside' && linePrice(line, terms) === 0) return 'not in this price';
  if (line.kind === 'fluid') return `${line.quantity} l`;
  if (line.grade === 'remanufactured') return 'remanufactured';
  // Only what lies on the own shelf has been looked at here.
  return line.grade === 'donor' ? (line.shelf ? 'used, inspected here' : 'used') : '';
}

/** What the lines cost the shop, minor units: its price book, or prices less the usual markup; hours at what an hour costs. */
export function costOfLines(unit: UnitDefinition, lines: readonly ScopeLine[], terms: ShopTerms): number {
  return sum(
    lines.map((line) => {
      if (line.kind === 'labour') return times(terms.costPerHour, line.hours * line.quantity);
      if (line.inKit) return 0;
      const price = line.kind === 'part' ? (line.price ?? 0) : linePrice(line, terms);
      // What was offered is what is paid: the book says what the same part costs elsewhere.
      const known = line.of === null || line.grade !== null ? undefined : costOf(terms, unit.id, line.of);
      return times(known ?? times(price, 1 / (1 + terms.partsMarkup)), line.quantity);
    }),
  );
}

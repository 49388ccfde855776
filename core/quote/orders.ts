import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import { addDays } from '@/core/schedule';
import { writtenMoney } from '@/core/shop';
import type { LineOrder, QuoteOption } from './schema';

export type OrderState = 'to-order' | 'ordered' | 'arrived' | 'fitted';

/** One part of the agreed version, as it is bought. Days are `YYYY-MM-DD`, money minor units. */
export interface OrderLine extends LineOrder {
  /** Names its slot in the record: `order.KEY`. */
  key: string;
  name: string;
  quantity: number;
  price: number;
  contents: string[];
  state: OrderState;
  /** When the state was last set, and when it is expected. */
  on: string | null;
  due: string | null;
  /** Until when the old part must be back for its deposit; null where there is none, or nothing has come. */
  coreBy: string | null;
  coreBack: string | null;
}

/** What is to be bought for an option, as far as the record says how that stands; by supplier, the longest wait first. */
export function orderLines(option: QuoteOption, state: JobState): OrderLine[] {
  const known = new Map(below(state, 'order.'));
  return option.lines
    .flatMap((line): OrderLine[] => {
      if (!line.order) return [];
      const key = line.order.part ?? slug(line.name);
      const said = known.get(key);
      const { deposit, returnDays } = line.order;
      const here = said?.state === 'arrived' || said?.state === 'fitted';
      return [
        {
          ...line.order,
          key,
          name: line.name,
          quantity: line.quantity,
          price: line.price,
          contents: line.contents ?? [],
          state: said?.state ?? 'to-order',
          on: said?.on ?? null,
          due: said?.due ?? null,
          coreBy: deposit > 0 && returnDays !== null && here && said.on ? addDays(said.on, returnDays) : null,
          coreBack: said?.coreBack ?? null,
        },
      ];
    })
    .sort(
      (a, b) =>
        a.supplier.localeCompare(b.supplier) || b.leadDays - a.leadDays || a.name.localeCompare(b.name),
    );
}

/** What the build waits for. */
export interface OrderStanding {
  total: number;
  toOrder: number;
  onTheWay: number;
  here: number;
  /** The last day anything is expected. */
  lastDue: string | null;
  /** Deposits that are still out, minor units, and the first day one of them is due. */
  deposits: number;
  coreBy: string | null;
}

export function orderStanding(lines: readonly OrderLine[]): OrderStanding {
  const counted = (states: readonly OrderState[]) => lines.filter((l) => states.includes(l.state));
  const onTheWay = counted(['ordered']);
  const out = lines.filter((l) => l.deposit > 0 && l.coreBack === null);
  return {
    total: lines.length,
    toOrder: counted(['to-order']).length,
    onTheWay: onTheWay.length,
    here: counted(['arrived', 'fitted']).length,
    lastDue: [...onTheWay.flatMap((l) => l.due ?? [])].sort().at(-1) ?? null,
    deposits: out.reduce((sum, l) => sum + l.deposit * l.quantity, 0),
    coreBy: out.flatMap((l) => l.coreBy ?? []).sort()[0] ?? null,
  };
}

/** A name as the part of a slot: letters, digits and dashes. */
const slug = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'part';

export const ORDER_COLUMNS = [
  'supplier',
  'part',
  'name',
  'quantity',
  'grade',
  'price',
  'deposit',
  'return_days',
  'packaging',
  'lead_days',
  'state',
  'sizes_mm',
  'holds',
] as const;

/** The order list as rows of a table, money in major units. */
export function orderRows(
  lines: readonly OrderLine[],
  currency: string,
): Record<(typeof ORDER_COLUMNS)[number], string>[] {
  return lines.map((l) => ({
    supplier: l.supplier,
    part: l.part ?? '',
    name: l.name,
    quantity: String(l.quantity),
    grade: l.grade ?? '',
    price: writtenMoney(l.price, currency),
    deposit: writtenMoney(l.deposit, currency),
    return_days: l.deposit > 0 ? String(l.returnDays ?? '') : '',
    packaging: l.packaging ?? '',
    lead_days: String(l.leadDays),
    state: l.state,
    sizes_mm: (l.sizes ?? []).map((s) => String(Math.round(s * 1e6) / 1000)).join(' '),
    holds: l.contents.join('; '),
  }));
}

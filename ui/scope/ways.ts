import { dayWords } from '@/core/shop';
import { addDays } from '@/core/schedule';
import type { PartSource } from '@/core/scope';
import type { ShelfPiece } from '@/core/shelf';
import type { ShownOffer } from '@/core/supply';

/** What a way to buy a part is called and says. */
export interface Way {
  id: string;
  name: string;
  price: number | null;
  says: string;
  doubt: string | null;
  /** What is written; null: as the price book has it. Undefined: it cannot be chosen. */
  source: PartSource | null | undefined;
  piece: ShelfPiece | null;
}

const GRADES = { new: 'New', remanufactured: 'Remanufactured', donor: 'Used' } as const;
export const days = (n: number) => (n === 0 ? 'here the same day' : n === 1 ? '1 day' : `${n} days`);

export function offered(o: ShownOffer, money: (amount: number) => string): Way {
  const deposit = o.source?.coreDeposit;
  const stock = o.stock > 0 ? `${o.stock} there` : 'out of stock';
  const when = o.days === null ? 'nobody can say when' : days(o.days);
  const cost = o.cost === undefined ? '' : `, costs ${money(o.cost)}`;
  return {
    id: o.grade,
    name: GRADES[o.grade],
    price: o.price,
    says: `${stock}, ${when}${deposit ? `, + ${money(deposit)} deposit` : ''}${cost}`,
    doubt: o.doubt,
    source: o.source ?? undefined,
    piece: null,
  };
}

/** A source of another day, or of a supplier that is not asked now. */
export function asChosen(source: PartSource, money: (amount: number) => string): Way {
  const deposit = source.coreDeposit ? `, + ${money(source.coreDeposit)} deposit` : '';
  return {
    id: 'chosen',
    name: `${GRADES[source.grade]}, chosen`,
    price: source.price,
    says: `${source.supplier}, offered ${dayWords(source.on, true)} for ${dayWords(addDays(source.on, source.leadDays), true)}${deposit}`,
    doubt: null,
    source,
    piece: null,
  };
}

/** Who sells what lies on the shop's own shelf. */
const SHELF = 'Shelf';

export const fromShelf = (piece: ShelfPiece): PartSource => ({
  grade: 'donor',
  supplier: SHELF,
  price: piece.price,
  leadDays: 0,
  shelf: piece.id,
  on: piece.addedAt.slice(0, 10),
});

/** A piece of the shelf is the same whatever it cost when it was taken; an offer is the same as long as nothing changed. */
export function isSame(a: PartSource | null | undefined, b: PartSource): boolean {
  if (!a) return false;
  if (a.shelf !== undefined || b.shelf !== undefined) return a.shelf === b.shelf;
  return a.grade === b.grade && a.supplier === b.supplier && a.price === b.price && a.leadDays === b.leadDays;
}

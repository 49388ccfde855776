import type { PartSource } from '@/core/scope';
import type { Heard } from './offers';

/** An offer as a person of the shop sees it. */
export interface ShownOffer {
  part: string;
  grade: PartSource['grade'];
  /** What the customer pays, minor units. */
  price: number;
  stock: number;
  /** Days until it is here; null: nobody can say, and it cannot be taken. */
  days: number | null;
  doubt: string | null;
  /** What is written when it is taken. */
  source: PartSource | null;
  /** What the shop pays; for those who may see it. */
  cost?: number;
}

/** What came of asking one supplier. */
export interface SupplierAnswer extends Omit<Heard, 'offers'> {
  supplier: string;
  offers: ShownOffer[];
  /** Why nothing was heard; null where an answer came. */
  trouble: string | null;
}

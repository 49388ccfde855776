import type { Compared } from './compare';
import type { Responsibility } from './responsibility';

/** A job beside the one it comes back from. */
export interface Comeback {
  earlier: {
    number: number;
    vehicle: string;
    /** What was committed as first; null when nobody did. */
    cause: string | null;
    closed: boolean;
  };
  /** Driven since, km; null where either reading is missing. */
  kmSince: number | null;
  /** It was another kind of unit: nothing can be compared point by point. */
  otherUnit: string | null;
  /** Parts the scope of then renewed, by name. */
  renewed: string[];
  rows: Compared[];
  responsibility: Responsibility[];
}

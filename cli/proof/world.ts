import type { GridGear } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';

/** A failed unit somebody invented: it answers what a bench could ask of it. */
export interface World {
  unit: UnitDefinition;
  /** What failed first: the id of a cause. */
  first: string;
  /** Everything that is there by itself, the first included. */
  present: readonly string[];
  /** What is told of a gear; null where nobody says anything. */
  tells(gear: string): Told | null;
  /** The level a point of the knowledge shows when it is looked at; null where it cannot be told. */
  look(point: string): string | null;
  /** How likely somebody looks at a point by himself: what looks fine from outside is often left closed. */
  noticed(point: string): number;
}

export type Told = GridGear;

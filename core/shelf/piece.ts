import type { Donor, ShelfGrade } from './donor';

/** A part on the shelf. Money in minor units. */
export interface ShelfPiece {
  id: string;
  unit: string;
  part: string;
  name: string;
  grade: ShelfGrade;
  /** What was seen on it. */
  seen: string;
  /** Where the core came from, and the job it was inspected in. */
  origin: string;
  fromJob: number;
  price: number;
  addedAt: string;
  addedBy: string;
  /** The job that has it. */
  heldBy: number | null;
}

/** A core that is being taken apart for its parts. */
export interface DonorCore {
  job: number;
  unitName: string;
  origin: string;
  water: Donor['water'];
  /** Parts worth keeping, and how many of them are on the shelf already. */
  good: number;
  shelved: number;
}

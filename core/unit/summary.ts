/** A unit and version as a job names it. */
export interface UnitKey {
  id: string;
  version: number;
}

/** A family as the library lists it: its newest version, and how many jobs use any of them. */
export interface UnitSummary extends UnitKey {
  name: string;
  layout: string;
  /** It ships with Pelvik, or the shop made it. */
  origin: 'shipped' | 'shop';
  createdAt: string;
  createdBy: string;
  jobs: number;
}

import type { Limit } from './limits';

/** What a finding says: a level evidence and rules know, and how bad it is where the level tells. */
export interface Judgement {
  level: string;
  severity?: number;
}

/** A number held against the unit's limit. */
export interface Measured extends Judgement {
  level: 'in' | 'under' | 'over' | 'read';
  /** SI, corrected to 20 °C where it is a resistance. */
  value: number;
  limit: Limit | null;
}

/** Anything JSON can hold; what a slot may hold is set by its schema. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/**
 * One write to one slot of a job's record: who, when, what. Entries are never changed or removed; a slot is cleared by
 * writing null and an undo is a new entry with the earlier value. `id` is made by the client, so sending it twice is harmless.
 */
export interface NewEntry {
  id: string;
  slot: string;
  value: Json;
  /** The last sequence number of the job that its writer had seen. */
  seen?: number;
}

/** An entry the server took: it has a place in the job's order. */
export interface Entry extends NewEntry {
  seq: number;
  by: string;
  /** ISO 8601, UTC. */
  at: string;
  /** Who wrote it where it came from, and when, for what came in with a file: `by` and `at` are the importer's. */
  source?: Source;
}

/** Who wrote something elsewhere, and when (ISO 8601, UTC). */
export interface Source {
  by: string;
  at: string;
}

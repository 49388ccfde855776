import type { Experience } from '@/core/diagnosis';
import type { Client } from './db';

/** The shop's closed jobs of a unit whose cause was confirmed: how many, and how often each cause. */
export async function experienceOf(client: Client, unitId: string): Promise<Experience> {
  const { rows } = await client.query<{ cause: string; count: number }>(
    `SELECT confirmed_cause AS cause, count(*)::int AS count FROM jobs
     WHERE unit_id = $1 AND closed AND confirmed_cause IS NOT NULL GROUP BY confirmed_cause ORDER BY confirmed_cause`,
    [unitId],
  );
  return {
    jobs: rows.reduce((sum, r) => sum + r.count, 0),
    causes: Object.fromEntries(rows.map((r) => [r.cause, r.count])),
  };
}

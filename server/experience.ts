import type { JobState } from '@/core/case';
import type { Diagnosis, Experience } from '@/core/diagnosis';
import type { QuoteContent } from '@/core/quote';
import { answerBy } from '@/core/schedule';
import type { MadeScope } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import type { Client } from './db';
import { diagnoseState, quoteState, scopesMade } from './reason';
import { shopNow, shopOf } from './shop';

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

/** What a job stands on, as far as it is judged and priced. */
interface Judged {
  number: number;
  unit: UnitDefinition;
  state: JobState;
}

/** The diagnosis of a job with the shop's experience, as its page shows it. */
export async function diagnoseJob(client: Client, { unit, state }: Judged): Promise<Diagnosis> {
  return diagnoseState(unit, state, await experienceOf(client, unit.id));
}

/** The quote of a job as it would be made now. */
export async function quoteJob(client: Client, { unit, state, number }: Judged): Promise<QuoteContent> {
  const { terms } = await shopOf(client);
  const now = shopNow(terms);
  const clock = {
    now,
    decideBy: answerBy(terms.calendar, now),
    queueHours: await hoursPromised(client, number),
  };
  const quote = await quoteState(unit, state, number, clock, await experienceOf(client, unit.id), terms);
  return { ...quote, photos: await thatCame(client, number, quote.photos) };
}

/** The scopes a job's quote is made of, by the slot that keeps each. */
export async function scopesOfJob(client: Client, { unit, state }: Judged): Promise<[string, MadeScope][]> {
  const { terms } = await shopOf(client);
  return scopesMade(unit, state, await experienceOf(client, unit.id), terms);
}

/** Hours of work promised to the customers of other jobs: what stands before this one. */
async function hoursPromised(client: Client, number: number): Promise<number> {
  const { rows } = await client.query<{ hours: number | null }>(
    `SELECT sum((quoted ->> 'hours')::float8) AS hours FROM jobs
     WHERE NOT closed AND (quoted ->> 'accepted') = 'true' AND number <> $1 AND jsonb_typeof(quoted -> 'hours') = 'number'`,
    [number],
  );
  return rows[0]?.hours ?? 0;
}

/** A quote shows so many photos at most, and more than a customer looks at. */
const MOST_PHOTOS = 200;

/** The photos whose picture is there: one that is still on its way is no part of a quote. */
async function thatCame<P extends { id: string }>(
  client: Client,
  number: number,
  photos: readonly P[],
): Promise<P[]> {
  const { rows } = await client.query<{ id: string }>(
    'SELECT p.id FROM photos p JOIN jobs j ON j.id = p.job_id WHERE j.number = $1 AND p.id = ANY ($2)',
    [number, photos.map((p) => p.id)],
  );
  const here = new Set(rows.map((r) => r.id));
  return photos.filter((p) => here.has(p.id)).slice(0, MOST_PHOTOS);
}

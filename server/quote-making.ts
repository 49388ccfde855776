import { randomUUID } from 'node:crypto';
import { MOST_VERSIONS } from '@/core/case';
import { supplementTo } from '@/core/quote';
import type { QuoteContent } from '@/core/quote';
import { checkQuote } from '@/core/validation';
import { audit } from './audit';
import type { Client } from './db';
import { quoteJob } from './experience';
import { jobByNumber, refreshStage } from './jobs';
import { UserError } from './problem';
import { demandPieces, demandQuotable } from './quotable';
import { quotesOf } from './quotes';
import type { Quote } from './quotes';
import { standByScopes } from './stand-by';
import type { User } from './users';

/** Freezes the job's quote as it stands today into a new version. Earlier open versions are superseded. */
export async function makeQuote(client: Client, jobNumber: number, user: User): Promise<Quote> {
  // Under the row lock: two people never make the same version, and what is priced is what stands.
  const job = await jobByNumber(client, jobNumber, true);
  const quotes = await quotesOf(client, job.id);
  if (quotes.length >= MOST_VERSIONS)
    throw new UserError(
      409,
      `This job has ${MOST_VERSIONS} versions of its quote, as many as a job may hold.`,
      'Open a new job for what is still to be quoted.',
    );
  const content = withSupplement(await quoteJob(client, job), quotes);
  demandQuotable(content);
  await demandPieces(client, job, content);
  const [problem] = checkQuote(content);
  if (problem)
    throw new UserError(
      409,
      `This quote cannot be frozen: ${problem.pointer} ${problem.message}.`,
      'Shorten the scope or its words, then make the quote again.',
      [problem],
    );
  await client.query(
    `UPDATE quotes SET status = 'superseded' WHERE job_id = $1 AND status IN ('draft', 'sent', 'declined') AND NOT imported`,
    [job.id],
  );
  const { rows } = await client.query(
    `INSERT INTO quotes (id, job_id, version, status, content, created_by, created_by_user)
     SELECT $1, $2, COALESCE(max(version), 0) + 1, 'draft', $3, $4, $5 FROM quotes WHERE job_id = $2 RETURNING version`,
    [randomUUID(), job.id, JSON.stringify(content), user.name, user.id],
  );
  await standByScopes(client, job, user);
  await audit(client, user.name, 'quote made', { job: job.number, version: rows[0].version });
  await refreshStage(client, await jobByNumber(client, job.number));
  return (await quotesOf(client, job.id))[0]!;
}

/** After an acceptance a later version says what it changes of it. */
function withSupplement(content: QuoteContent, quotes: readonly Quote[]): QuoteContent {
  const before = quotes.find((q) => q.status === 'accepted' && !q.imported && !q.unreadable);
  const option = before?.answers.findLast((a) => a.kind === 'accept')?.option;
  return before && option
    ? { ...content, supplement: supplementTo({ ...before, option }, content) }
    : content;
}

import type { QuoteAnswer } from '@/core/case';
import { problemsOf, validator } from '@/core/validation';
import { audit } from './audit';
import type { Client } from './db';
import { jobByNumber, refreshStage } from './jobs';
import type { Job } from './jobs';
import { UserError } from './problem';
import { goneFrom } from './quotable';
import { quoteByToken } from './quote-links';
import type { Quote } from './quotes';
import { shopToday } from './shop';

const answerSchema = validator({
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'name'],
  properties: {
    kind: { enum: ['accept', 'decline', 'ask'] },
    option: { type: ['string', 'null'], maxLength: 60 },
    name: { type: 'string', minLength: 2, maxLength: 120, pattern: '\\S' },
    message: { type: 'string', maxLength: 2000 },
  },
});
/** What a customer may ask on one quote; deciding is never barred by it. */
const MOST_QUESTIONS = 40;

/** Takes a customer's answer. Accepting needs one of the options and freezes the version for good. */
export async function answerQuote(client: Client, token: string, body: unknown): Promise<Quote> {
  const problems = problemsOf(answerSchema, body);
  if (problems.length)
    throw new UserError(
      400,
      'The answer is not complete.',
      'Type your name, and choose an option to accept.',
      problems,
    );
  const answer = body as {
    kind: QuoteAnswer['kind'];
    option?: string | null;
    name: string;
    message?: string;
  };
  const { jobNumber } = await quoteByToken(client, token);
  // Under the job's row lock: what is answered is what stands, and one acceptance follows the other.
  const job = await jobByNumber(client, jobNumber, true);
  const quote = await quoteByToken(client, token);
  const { status } = quote;
  if (quote.unreadable || quote.imported)
    throw new UserError(409, 'This quote cannot be answered.', 'Please call the shop.');
  if (status === 'superseded')
    throw new UserError(409, 'The shop has made a newer quote.', 'Ask the shop for the new link.');
  if (status === 'accepted' && answer.kind !== 'ask')
    throw new UserError(409, 'This quote is already accepted.', 'Call the shop to change anything.');
  if (
    answer.kind !== 'accept' &&
    quote.answers.filter((a) => a.kind === answer.kind).length >= MOST_QUESTIONS
  )
    throw new UserError(429, 'Too many messages on this link.', 'Please call the shop.');
  if (answer.kind === 'accept' && !quote.content.options.some((o) => o.id === answer.option)) {
    throw new UserError(400, 'No option was chosen.', 'Choose one of the options, then accept.');
  }
  if (answer.kind === 'accept' && quote.content.validUntil < (await shopToday(client))) {
    throw new UserError(410, 'The prices of this quote have expired.', 'Please call the shop for a new one.');
  }
  if (answer.kind === 'accept') await demandOption(client, job, quote, answer.option!);
  if (answer.kind === 'accept') await supersedeAccepted(client, job);
  await client.query(
    'INSERT INTO quote_answers (quote_id, kind, option, name, message) VALUES ($1, $2, $3, $4, $5)',
    [quote.id, answer.kind, answer.option ?? null, answer.name.trim(), answer.message ?? ''],
  );
  if (answer.kind !== 'ask') {
    await client.query('UPDATE quotes SET status = $2 WHERE id = $1', [
      quote.id,
      answer.kind === 'accept' ? 'accepted' : 'declined',
    ]);
    await audit(client, 'customer', `quote ${answer.kind === 'accept' ? 'accepted' : 'declined'}`, {
      job: quote.jobNumber,
      version: quote.version,
      ...(answer.kind === 'accept' ? { option: answer.option } : {}),
    });
    // Money agreed is work to do: a job that was closed meanwhile is on the board again, and the board says why.
    if (answer.kind === 'accept' && job.closed) {
      await client.query(
        'UPDATE jobs SET closed = false, closed_at = NULL, confirmed_cause = NULL, reopened_at = now() WHERE id = $1',
        [job.id],
      );
      await audit(client, 'customer', 'job reopened', { job: job.number, version: quote.version });
    }
    await refreshStage(client, job);
  }
  return quoteByToken(client, token);
}

/** What is sold off the shelf still lies there for this job when it is accepted. Throws a UserError 409. */
async function demandOption(client: Client, job: Job, quote: Quote, option: string): Promise<void> {
  const options = quote.content.options.filter((o) => o.id === option);
  const gone = await goneFrom(client, job.id, { ...quote.content, options }, true);
  if (gone.length > 0)
    throw new UserError(
      409,
      'A part of this option is no longer to be had.',
      'The shop has to make a new quote: please call, or ask here.',
    );
}

/** A later acceptance takes the place of an earlier one: both stay in the history, one stands. */
async function supersedeAccepted(client: Client, job: Job): Promise<void> {
  const { rows } = await client.query(
    `UPDATE quotes SET status = 'superseded' WHERE job_id = $1 AND status = 'accepted' AND NOT imported RETURNING version`,
    [job.id],
  );
  for (const { version } of rows)
    await audit(client, 'customer', 'acceptance superseded', { job: job.number, version });
}

import { randomUUID } from 'node:crypto';
import type { QuoteAnswer, QuoteStatus } from '@/core/case';
import { currentQuote, supplementTo } from '@/core/quote';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { validator, checkQuote, problemsOf } from '@/core/validation';
import { audit } from './audit';
import type { Client } from './db';
import { quoteJob } from './experience';
import { jobByNumber, refreshStage } from './jobs';
import { may } from './permissions';
import type { Job } from './jobs';
import { notFound, UserError } from './problem';
import { demandPieces, demandQuotable } from './quotable';
import { shopToday } from './shop';
import { standByScopes } from './stand-by';
import { hashToken, newToken } from './sessions';
import type { User } from './users';

export interface Quote {
  id: string;
  jobId: string;
  jobNumber: number;
  version: number;
  status: QuoteStatus;
  content: QuoteContent;
  createdAt: string;
  createdBy: string;
  answers: QuoteAnswer[];
  /** It came in with a file: nobody can send or accept it. */
  imported: boolean;
  /** What is stored is not a quote's content: shown as such, with `content` an empty stand-in. */
  unreadable: boolean;
}

const LINK_DAYS = 30;

const COLUMNS = `q.id, q.job_id, j.number, q.version, q.status, q.content, q.imported, q.created_at, q.created_by,
  COALESCE((SELECT json_agg(json_build_object('kind', a.kind, 'option', a.option, 'name', a.name, 'message', a.message, 'at', a.at) ORDER BY a.id)
            FROM quote_answers a WHERE a.quote_id = q.id), '[]') AS answers`;

type Row = Record<string, unknown> & { created_at: Date; answers: QuoteAnswer[] };

const UNREADABLE: QuoteContent = {
  format: 'pelvik-quote/2',
  shop: { name: '', address: '', phone: '', letterhead: '' },
  currency: 'EUR',
  paper: 'A4',
  date: '1970-01-01',
  validUntil: '1970-01-01',
  job: { number: 0, unit: '', vehicle: '', customer: '', complaint: '' },
  finding: 'This version cannot be read.',
  undetermined: true,
  couldChange: [],
  note: '',
  photos: [],
  recommended: null,
  options: [],
  barred: [],
  supplement: null,
};

/** One bad row is shown as such and spoils nothing for the others. */
function toQuote(row: Row): Quote {
  const unreadable = checkQuote(row.content).length > 0;
  return {
    id: row.id as string,
    jobId: row.job_id as string,
    jobNumber: row.number as number,
    version: row.version as number,
    status: row.status as QuoteStatus,
    content: unreadable ? UNREADABLE : currentQuote(row.content as QuoteContent),
    imported: row.imported as boolean,
    unreadable,
    createdAt: row.created_at.toISOString(),
    createdBy: row.created_by as string,
    answers: row.answers.map((a) => ({ ...a, at: new Date(a.at).toISOString() })),
  };
}

export async function quotesOf(client: Client, jobId: string): Promise<Quote[]> {
  const { rows } = await client.query(
    `SELECT ${COLUMNS} FROM quotes q JOIN jobs j ON j.id = q.job_id WHERE q.job_id = $1 ORDER BY q.version DESC`,
    [jobId],
  );
  return rows.map(toQuote);
}

/** The version that stands accepted, with the option that was chosen; null while there is none. */
export async function agreedOf(
  client: Client,
  jobId: string,
): Promise<{ quote: Quote; option: QuoteOption } | null> {
  const quote = (await quotesOf(client, jobId)).find(
    (q) => q.status === 'accepted' && !q.imported && !q.unreadable,
  );
  const chosen = quote?.answers.findLast((a) => a.kind === 'accept')?.option;
  const option = quote?.content.options.find((o) => o.id === chosen);
  return quote && option ? { quote, option } : null;
}

/** Freezes the job's quote as it stands today into a new version. Earlier open versions are superseded. */
export async function makeQuote(client: Client, jobNumber: number, user: User): Promise<Quote> {
  // Under the row lock: two people never make the same version, and what is priced is what stands.
  const job = await jobByNumber(client, jobNumber, true);
  const content = withSupplement(await quoteJob(client, job), await quotesOf(client, job.id));
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

/** A quote without what is for the owner's eyes: what things cost, and what is earned. */
export function withoutInner(content: QuoteContent): QuoteContent {
  return { ...content, options: content.options.map((o) => ({ ...o, inner: null })) };
}

/** A quote as this person may read it. */
export function quoteFor(user: User, content: QuoteContent): QuoteContent {
  return may(user, 'see-costs') ? content : withoutInner(content);
}

/**
 * Makes a customer link for the newest version and returns its token: it is not stored and cannot be shown again. A link
 * is not yet sent.
 */
export async function linkQuote(
  client: Client,
  jobNumber: number,
  version: number,
  user: User,
): Promise<string> {
  const { rows } = await client.query(
    'SELECT q.id, q.status, q.imported FROM quotes q JOIN jobs j ON j.id = q.job_id WHERE j.number = $1 AND q.version = $2 FOR UPDATE OF q',
    [jobNumber, version],
  );
  const quote = rows[0];
  if (!quote) throw notFound('quote');
  if (quote.imported)
    throw new UserError(409, 'This quote came in with a file.', 'Make a quote of this shop, and send that.');
  if (quote.status === 'superseded')
    throw new UserError(409, 'A newer version replaced this quote.', 'Send the newest version.');
  const token = newToken();
  await client.query(
    `INSERT INTO quote_links (token_hash, quote_id, expires_at) VALUES ($1, $2, now() + make_interval(days => $3))`,
    [hashToken(token), quote.id, LINK_DAYS],
  );
  await audit(client, user.name, 'quote link made', { job: jobNumber, version });
  return token;
}

/** Revokes one link, which nobody was given. */
export async function revokeLink(client: Client, token: string): Promise<void> {
  await client.query(
    'UPDATE quote_links SET revoked_at = now() WHERE token_hash = $1 AND revoked_at IS NULL',
    [hashToken(token)],
  );
}

/** Revokes every link of a quote. */
export async function revokeLinks(
  client: Client,
  jobNumber: number,
  version: number,
  user: User,
): Promise<number> {
  const { rowCount } = await client.query(
    `UPDATE quote_links l SET revoked_at = now() FROM quotes q JOIN jobs j ON j.id = q.job_id
     WHERE l.quote_id = q.id AND j.number = $1 AND q.version = $2 AND l.revoked_at IS NULL`,
    [jobNumber, version],
  );
  await audit(client, user.name, 'quote links revoked', { job: jobNumber, version });
  return rowCount ?? 0;
}

/** The quote behind a customer's link. Throws a UserError: 404 unknown, 410 expired or revoked. */
export async function quoteByToken(client: Client, token: string): Promise<Quote> {
  const { rows } = await client.query(
    `SELECT ${COLUMNS}, l.expires_at <= now() OR l.revoked_at IS NOT NULL AS stale
     FROM quote_links l JOIN quotes q ON q.id = l.quote_id JOIN jobs j ON j.id = q.job_id WHERE l.token_hash = $1`,
    [hashToken(token.slice(0, 100))],
  );
  if (!rows[0])
    throw new UserError(
      404,
      'This link is not known.',
      'Check that the whole address was copied, or call the shop.',
    );
  if (rows[0].stale)
    throw new UserError(
      410,
      'This link is no longer valid.',
      'Please call the shop: they will send a new one.',
    );
  return toQuote(rows[0]);
}

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
  try {
    await demandPieces(client, job, { ...quote.content, options });
  } catch (error) {
    if (!(error instanceof UserError)) throw error;
    throw new UserError(
      409,
      'A part of this option is no longer to be had.',
      'The shop has to make a new quote: please call, or ask here.',
    );
  }
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

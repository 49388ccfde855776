import { readdir, rm } from 'node:fs/promises';
import path from 'node:path';
import { messageWords } from '@/core/quote';
import type { QuoteContent } from '@/core/quote';
import { validator, problemsOf } from '@/core/validation';
import type { Problem } from '@/core/validation';
import { deliver } from '@/stand-ins/outbox';
import { audit } from './audit';
import { inTransaction } from './db';
import type { Client } from './db';
import { log } from './log';
import { jobByNumber, refreshStage } from './jobs';
import { notFound, UserError } from './problem';
import { quotesOf } from './quotes';
import { linkQuote, revokeLink } from './quote-links';
import type { User } from './users';

/** Something that went out to a customer. */
export interface SentMessage {
  kind: 'quote' | 'reminder' | 'by-hand';
  to: string;
  at: string;
  by: string;
}

/** Takes the messages of a job out of the outbox: they name the customer, and hold links. */
export async function forgetMessages(job: number): Promise<void> {
  const files = await readdir(/* turbopackIgnore: true */ outbox()).catch(() => []);
  const own = files.filter((f) => new RegExp(`-${job}-\\d+\\.eml$`).test(f));
  await Promise.all(own.map((f) => rm(path.join(/* turbopackIgnore: true */ outbox(), f), { force: true })));
}

/** What was sent of a job's quotes, by version. */
export async function messagesOf(client: Client, jobId: string): Promise<Record<number, SentMessage[]>> {
  const { rows } = await client.query(
    `SELECT q.version, m.kind, m.sent_to, m.at, m.by_name FROM quote_messages m JOIN quotes q ON q.id = m.quote_id
     WHERE q.job_id = $1 ORDER BY m.id`,
    [jobId],
  );
  const sent: Record<number, SentMessage[]> = {};
  for (const r of rows)
    (sent[r.version] ??= []).push({ kind: r.kind, to: r.sent_to, at: r.at.toISOString(), by: r.by_name });
  return sent;
}

const asked = validator({
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'to'],
  properties: {
    kind: { enum: ['quote', 'reminder', 'by-hand'] },
    to: { type: 'string', maxLength: 200 },
  },
});

const outbox = () => process.env.PELVIK_OUTBOX ?? path.join(process.cwd(), '.pelvik', 'outbox');

interface Asked {
  job: number;
  version: number;
  kind: SentMessage['kind'];
  to: string;
}

/**
 * Sends a quote to its customer, reminds of it, or notes that it was sent by hand. The link stands in the database before
 * the message leaves, so that nobody is sent a dead one; only what went out is called sent. Throws a UserError: 400 no
 * recipient, 409 it cannot be sent, 503 it did not go out.
 */
export async function sendMessage(
  jobNumber: number,
  version: number,
  body: unknown,
  origin: string,
  user: User,
): Promise<void> {
  const problems = problemsOf(asked, body);
  if (problems.length) throw noRecipient(problems);
  const { kind, to } = body as Pick<SentMessage, 'kind' | 'to'>;
  if (kind !== 'by-hand' && to.trim() === '') throw noRecipient([]);
  const message: Asked = { job: jobNumber, version, kind, to: to.trim() };
  if (kind !== 'by-hand') {
    const { token, content } = await inTransaction((client) => makeReady(client, message, user));
    await sendOut(message, content, `${origin}/q/${token}`, user);
  }
  await inTransaction((client) => noteSent(client, message, user));
}

/** Notes that a version was sent by hand, within a transaction of the caller's. */
export function noteByHand(client: Client, job: number, version: number, user: User): Promise<void> {
  return noteSent(client, { job, version, kind: 'by-hand', to: '' }, user);
}

const noRecipient = (problems: Problem[]) =>
  new UserError(400, 'Nobody is named to send it to.', 'Type an address or a telephone number.', problems);

/** The version, if it may go. Throws a UserError 404 or 409. */
async function toBeSent(client: Client, { job, version }: Asked) {
  const found = await jobByNumber(client, job, true);
  const quote = (await quotesOf(client, found.id)).find((q) => q.version === version);
  if (!quote) throw notFound('quote');
  const mayGo = quote.status === 'draft' || quote.status === 'sent' || quote.status === 'declined';
  if (!mayGo || quote.imported || quote.unreadable)
    throw new UserError(409, 'This version is not to be sent any more.', 'Send the newest version.');
  return { job: found, quote };
}

async function makeReady(client: Client, message: Asked, user: User) {
  const { quote } = await toBeSent(client, message);
  const token = await linkQuote(client, message.job, message.version, user);
  return { token, content: quote.content };
}

/** Hands the message over. One that does not go out leaves no link behind. Throws a UserError 503. */
async function sendOut(message: Asked, content: QuoteContent, link: string, user: User): Promise<void> {
  const { job, version, to, kind } = message;
  const words = messageWords(content, link, kind as 'quote' | 'reminder');
  try {
    await deliver({ to, from: content.shop.name, ...words }, outbox(), new Date(), `${job}-${version}`);
  } catch (error) {
    log.warn({ error: error instanceof Error ? error.message : String(error) }, 'message not sent');
    await inTransaction((client) => revokeLink(client, link.slice(link.lastIndexOf('/') + 1)));
    await inTransaction((client) => audit(client, user.name, 'message not sent', { job, version }));
    throw new UserError(503, 'The message did not go out.', 'Check the recipient, or send the link by hand.');
  }
}

/** What went out is written down, whatever became of the version meanwhile. */
async function noteSent(client: Client, message: Asked, user: User): Promise<void> {
  const { kind, to, version } = message;
  const { job, quote } =
    kind === 'by-hand' ? await toBeSent(client, message) : await sentVersion(client, message);
  await client.query(
    'INSERT INTO quote_messages (quote_id, kind, sent_to, by_name, by_user) VALUES ($1, $2, $3, $4, $5)',
    [quote.id, kind, to, user.name, user.id],
  );
  if (quote.status === 'draft')
    await client.query(`UPDATE quotes SET status = 'sent' WHERE id = $1`, [quote.id]);
  await audit(client, user.name, kind === 'reminder' ? 'customer reminded' : 'quote sent', {
    job: message.job,
    version,
  });
  await refreshStage(client, job);
}

async function sentVersion(client: Client, message: Asked) {
  const job = await jobByNumber(client, message.job, true);
  const quote = (await quotesOf(client, job.id)).find((q) => q.version === message.version);
  if (!quote) throw notFound('quote');
  return { job, quote };
}

const written = validator({
  type: 'object',
  additionalProperties: false,
  required: ['message'],
  properties: { message: { type: 'string', minLength: 1, maxLength: 2000, pattern: '\\S' } },
});

/** Answers a customer's question in the thread of a quote. Throws a UserError: 400 empty, 409 a quote of a file. */
export async function replyTo(
  client: Client,
  jobNumber: number,
  version: number,
  body: unknown,
  user: User,
): Promise<void> {
  const problems = problemsOf(written, body);
  if (problems.length) throw new UserError(400, 'The answer is empty.', 'Write it, then send it.', problems);
  const job = await jobByNumber(client, jobNumber, true);
  const quote = (await quotesOf(client, job.id)).find((q) => q.version === version);
  if (!quote) throw notFound('quote');
  if (quote.imported)
    throw new UserError(409, 'This quote came in with a file.', 'Nobody reads answers to it.');
  await client.query(
    `INSERT INTO quote_answers (quote_id, kind, option, name, message) VALUES ($1, 'reply', NULL, $2, $3)`,
    [quote.id, user.name, (body as { message: string }).message.trim()],
  );
  await audit(client, user.name, 'question answered', { job: jobNumber, version });
}

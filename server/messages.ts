import path from 'node:path';
import { messageWords } from '@/core/quote';
import { ajv, problemsOf } from '@/core/validation';
import { deliver } from '@/stand-ins/outbox';
import { audit } from './audit';
import type { Client } from './db';
import { log } from './log';
import { jobByNumber, refreshStage } from './jobs';
import { notFound, UserError } from './problem';
import { linkQuote, quotesOf } from './quotes';
import type { User } from './users';

/** Something that went out to a customer. */
export interface SentMessage {
  kind: 'quote' | 'reminder' | 'by-hand';
  to: string;
  at: string;
  by: string;
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

const asked = ajv.compile({
  type: 'object',
  additionalProperties: false,
  required: ['kind', 'to'],
  properties: {
    kind: { enum: ['quote', 'reminder', 'by-hand'] },
    to: { type: 'string', maxLength: 200 },
  },
});

const outbox = () => process.env.PELVIK_OUTBOX ?? path.join(process.cwd(), '.pelvik', 'outbox');

/**
 * Sends a quote to its customer, reminds of it, or notes that it was sent by hand. Only what went out is called sent. Throws
 * a UserError: 400 no recipient, 409 it cannot be sent, 503 it did not go out.
 */
export async function sendMessage(
  client: Client,
  jobNumber: number,
  version: number,
  body: unknown,
  origin: string,
  user: User,
): Promise<void> {
  const problems = problemsOf(asked, body);
  const { kind, to } = body as Pick<SentMessage, 'kind' | 'to'>;
  if (problems.length || (kind !== 'by-hand' && to.trim() === ''))
    throw new UserError(
      400,
      'Nobody is named to send it to.',
      'Type an address or a telephone number.',
      problems,
    );
  const job = await jobByNumber(client, jobNumber, true);
  const quote = (await quotesOf(client, job.id)).find((q) => q.version === version);
  if (!quote) throw notFound('quote');
  const mayGo = quote.status === 'draft' || quote.status === 'sent' || quote.status === 'declined';
  if (!mayGo || quote.imported || quote.unreadable)
    throw new UserError(409, 'This version is not to be sent any more.', 'Send the newest version.');
  if (kind !== 'by-hand') {
    const token = await linkQuote(client, jobNumber, version, user);
    const words = messageWords(quote.content, `${origin}/q/${token}`, kind);
    try {
      await deliver(
        { to: to.trim(), from: quote.content.shop.name, ...words },
        outbox(),
        new Date(),
        `${jobNumber}-${version}`,
      );
    } catch (error) {
      log.warn({ error: error instanceof Error ? error.message : String(error) }, 'message not sent');
      throw new UserError(
        503,
        'The message did not go out.',
        'Check the recipient, or send the link by hand.',
      );
    }
  }
  await client.query(
    'INSERT INTO quote_messages (quote_id, kind, sent_to, by_name, by_user) VALUES ($1, $2, $3, $4, $5)',
    [quote.id, kind, to.trim(), user.name, user.id],
  );
  if (quote.status === 'draft')
    await client.query(`UPDATE quotes SET status = 'sent' WHERE id = $1`, [quote.id]);
  await audit(client, user.name, kind === 'reminder' ? 'customer reminded' : 'quote sent', {
    job: jobNumber,
    version,
  });
  await refreshStage(client, job);
}

const written = ajv.compile({
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

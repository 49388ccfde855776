import { CASE_FORMAT, EMPTY_STATE, findingsOf, fold, stateOfCase } from '@/core/case';
import type { CaseDocument, Entry, Json } from '@/core/case';
import { checkCase } from '@/core/validation';
import { audit } from './audit';
import type { Client } from './db';
import { createJob, entriesOf, jobByNumber, refreshStage, saveState } from './jobs';
import { acceptPhoto, photosOf, savePhoto } from './photos';
import { UserError } from './problem';
import { quotesOf } from './quotes';
import type { User } from './users';
import { randomUUID } from 'node:crypto';

export const CASE_LIMIT = 40 * 1024 * 1024;

/** A whole job as one document: state, record, photos and quotes. */
export async function exportCase(client: Client, jobNumber: number): Promise<CaseDocument> {
  const job = await jobByNumber(client, jobNumber);
  const photos = await photosOf(client, job.id);
  const quotes = await quotesOf(client, job.id);
  return {
    format: CASE_FORMAT,
    unit: job.unit.id,
    findings: findingsOf(job.state),
    history: await entriesOf(client, job.id),
    photos: photos.map((p) => ({
      id: p.id,
      mime: 'image/jpeg',
      width: p.width,
      height: p.height,
      data: p.bytes.toString('base64'),
    })),
    quotes: [...quotes].reverse().map((q) => ({
      version: q.version,
      status: q.status,
      createdAt: q.createdAt,
      content: q.content as unknown as Json,
      answers: q.answers,
    })),
  };
}

/** Makes a new job from a case document, exactly as it was. Throws a UserError 400 with pointers when it is not one. */
export async function importCase(client: Client, value: unknown, user: User): Promise<number> {
  const problems = checkCase(value);
  if (problems.length)
    throw new UserError(400, 'This file is not a case Pelvik can read.', problems[0]!.remedy, problems);
  const document = value as CaseDocument;
  const job = await createJob(client, document.unit, user.id);
  const entries = document.history ?? writtenByHand(document, user);
  if (
    document.history &&
    JSON.stringify(findingsOf(fold(EMPTY_STATE, entries))) !==
      JSON.stringify(findingsOf(stateOfCase({ ...document, history: undefined })))
  ) {
    throw new UserError(
      400,
      'The findings and the history of this case do not agree.',
      'Remove one of the two, or export the job again.',
    );
  }
  for (const e of entries) {
    await client.query(
      'INSERT INTO entries (job_id, seq, id, by_name, at, slot, value) VALUES ($1, $2, $3, $4, $5, $6, $7)',
      [job.id, e.seq, e.id, e.by, e.at, e.slot, JSON.stringify(e.value)],
    );
  }
  for (const photo of document.photos ?? []) {
    await savePhoto(
      client,
      job.id,
      photo.id,
      await acceptPhoto(Buffer.from(photo.data, 'base64')),
      user.name,
    );
  }
  for (const q of document.quotes ?? []) await importQuote(client, job.id, q, user);
  await saveState(
    client,
    job.id,
    job.unit,
    fold(EMPTY_STATE, entries),
    Math.max(0, ...entries.map((e) => e.seq)),
  );
  await refreshStage(client, job.id);
  await audit(client, user.name, 'case imported', { job: job.number });
  return job.number;
}

function writtenByHand(document: CaseDocument, user: User): Entry[] {
  const at = new Date().toISOString();
  return document.findings.map((f, k) => ({
    id: randomUUID(),
    seq: k + 1,
    by: user.name,
    at,
    slot: f.slot,
    value: f.value,
  }));
}

async function importQuote(
  client: Client,
  jobId: string,
  quote: NonNullable<CaseDocument['quotes']>[number],
  user: User,
): Promise<void> {
  const id = randomUUID();
  await client.query(
    'INSERT INTO quotes (id, job_id, version, status, content, created_at, created_by) VALUES ($1, $2, $3, $4, $5, $6, $7)',
    [id, jobId, quote.version, quote.status, JSON.stringify(quote.content), quote.createdAt, user.name],
  );
  for (const a of quote.answers) {
    await client.query(
      'INSERT INTO quote_answers (quote_id, kind, option, name, message, at) VALUES ($1, $2, $3, $4, $5, $6)',
      [id, a.kind, a.option, a.name, a.message, a.at],
    );
  }
}

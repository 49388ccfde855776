import { randomUUID } from 'node:crypto';
import { CASE_FORMAT, EMPTY_STATE, findingsOf, fold, stateOfCase } from '@/core/case';
import type { CaseDocument, CasePhoto, CaseQuote, Json } from '@/core/case';
import { openCase } from '@/core/validation';
import type { Problem } from '@/core/validation';
import { audit } from './audit';
import { inBackground } from './background';
import type { Photo } from './background-tasks';
import { withClient } from './db';
import type { Client } from './db';
import { insertEntries } from './entries';
import type { Numbered } from './entries';
import type { Job } from './jobs';
import { createJob, entriesOf, jobByNumber, refreshStage, saveState } from './jobs';
import { inspect, stageOf } from './library';
import { mayWrite } from './permissions';
import { photoOf, savePhoto } from './photos';
import { UserError } from './problem';
import { roomIn, takeRoom } from './room';
import { quotesOf, withoutInner } from './quotes';
import type { User } from './users';

/**
 * What a case file may weigh, going out or coming in. A job's photos (64 MB, as base64 86), its record (50,000 entries)
 * and its quotes fit: whatever a job holds can be exported, and whatever was exported can be imported.
 */
export const CASE_LIMIT = 128 * 1024 * 1024;

/** Entries that are read and written out together. */
const ENTRIES_AT_ONCE = 500;

/** A whole job as one document but for its history and photos, and who those are. */
async function outlineOf(
  client: Client,
  jobNumber: number,
  user: User,
): Promise<{ document: CaseDocument; job: Pick<Job, 'id' | 'unit' | 'lastSeq'>; photos: string[] }> {
  const job = await jobByNumber(client, jobNumber);
  const { rows } = await client.query('SELECT id FROM photos WHERE job_id = $1 ORDER BY id', [job.id]);
  const quotes = await quotesOf(client, job.id);
  await audit(client, user.name, 'case exported', { job: job.number });
  const document: CaseDocument = {
    format: CASE_FORMAT,
    unit: job.unit.id,
    findings: findingsOf(job.state, stageOf),
    quotes: quotes
      .filter((q) => !q.unreadable)
      .reverse()
      .map((q) => ({
        version: q.version,
        status: q.status,
        createdAt: q.createdAt,
        // What things cost the shop does not leave it with a file.
        content: withoutInner(q.content) as unknown as Json,
        answers: q.answers,
        ...(q.imported ? { imported: true } : {}),
      })),
  };
  return { document, job, photos: rows.map((r) => r.id) };
}

/**
 * A whole job as the text of one document: state, record, quotes and photos. Told piece by piece, some entries or a photo at
 * a time, so that a full job holds up nobody. Throws a UserError 404 before the first piece.
 */
export async function exportCase(jobNumber: number, user: User): Promise<AsyncGenerator<string>> {
  const { document, job, photos } = await withClient((client) => outlineOf(client, jobNumber, user));
  return (async function* () {
    yield `${JSON.stringify(document).slice(0, -1)},"history":[`;
    // As far as the record went when it was asked for, numbered anew from 1.
    let told = 0;
    // Numbers have no gaps: so many at once are the next so many.
    for (let after = 0; after < job.lastSeq; after += ENTRIES_AT_ONCE) {
      const entries = await withClient((client) => entriesOf(client, job, after, ENTRIES_AT_ONCE));
      const texts = entries
        .filter((e) => e.seq <= job.lastSeq)
        .map(({ seen: _, ...entry }) => JSON.stringify({ ...entry, seq: ++told }));
      if (texts.length) yield `${told > texts.length ? ',' : ''}${texts.join(',')}`;
    }
    yield '],"photos":[';
    for (const [k, id] of photos.entries()) {
      const { width, height, bytes } = await withClient((client) => photoOf(client, job.id, id));
      const data = bytes.toString('base64');
      const photo: CasePhoto = { id, mime: 'image/jpeg', width, height, data };
      yield `${k ? ',' : ''}${JSON.stringify(photo)}`;
    }
    yield ']}';
  })();
}

/** A case file read and checked, ready to be written. */
export interface ReadyCase {
  document: Omit<CaseDocument, 'photos'>;
  photos: (Photo & { id: string })[];
}

/** Reads a case file away from the server's own thread. Throws a UserError 400 with pointers when it is not one. */
export async function readCaseFile(bytes: Uint8Array): Promise<ReadyCase> {
  const read = await inBackground('readCase', bytes);
  if (read.problems) throw notACase(read.problems);
  return { document: read.document, photos: read.photos.map((p) => ({ ...p, bytes: Buffer.from(p.bytes) })) };
}

const notACase = (problems: Problem[]) =>
  new UserError(400, 'This file is not a case Pelvik can read.', problems[0]!.remedy, problems);

/**
 * Makes a new job from a case file. It has no authority of its own: every entry is written by the importer, under the
 * importer's rights, with who wrote it there as its source; its quotes are history. All of it or nothing. Throws a
 * UserError: 400 with pointers, 403 for what the importer may not write.
 */
export async function importCase(
  client: Client,
  { document: given, photos }: ReadyCase,
  user: User,
): Promise<number> {
  const job = await createJob(client, given.unit, user.id);
  const opened = openCase(given, inspect(job.unit));
  if (opened.problems.length) throw notACase(opened.problems);
  const { document } = opened;
  const entries = entriesFrom(document);
  demandRights(document, user);
  const room = roomIn(job);
  const full = entries.flatMap((e) => room.refuse(e) ?? [])[0];
  if (full) throw new UserError(413, full, 'Import a smaller file.');
  await insertEntries(client, job.id, user, entries);
  await takeRoom(client, job.id, room);
  for (const photo of photos) await savePhoto(client, job.id, photo.id, photo, user);
  for (const quote of document.quotes ?? []) await importQuote(client, job.id, quote, user);
  const state = fold(EMPTY_STATE, await entriesOf(client, job));
  await saveState(client, job, state, entries.length);
  await refreshStage(client, { ...job, state });
  await audit(client, user.name, 'case imported', { job: job.number });
  return job.number;
}

/** The entries of a file, numbered anew from 1: what numbers it had is its own affair. */
function entriesFrom(document: ReadyCase['document']): Numbered[] {
  if (!document.history)
    return document.findings.map((f, k) => ({ id: randomUUID(), seq: k + 1, slot: f.slot, value: f.value }));
  const history = [...document.history].sort((a, b) => a.seq - b.seq);
  const folded = JSON.stringify(
    findingsOf(fold(EMPTY_STATE, history), stageOf).map((f) => [f.slot, f.value]),
  );
  const stated = findingsOf(stateOfCase({ ...document, history: undefined }), stageOf);
  if (folded !== JSON.stringify(stated.map((f) => [f.slot, f.value])))
    throw new UserError(
      400,
      'The findings and the history of this case do not agree.',
      'Remove one of the two, or export the job again.',
    );
  return history.map(({ id, slot, value, by, at, source }, k) => ({
    id,
    seq: k + 1,
    slot,
    value,
    source: source ?? { by, at },
  }));
}

function demandRights(document: ReadyCase['document'], user: User): void {
  const problems = (['findings', 'history'] as const)
    .flatMap((list) => (document[list] ?? []).map(({ slot }, k) => ({ pointer: `/${list}/${k}`, slot })))
    .filter(({ slot }) => !mayWrite(user.role, slot))
    .map(({ pointer, slot }) => ({
      pointer,
      message: `"${slot}" is not for a ${user.role} to write`,
      remedy: 'Ask the technician or the owner to import this file.',
    }));
  if (problems.length)
    throw new UserError(
      403,
      `A ${user.role} may not import findings.`,
      problems[0]!.remedy,
      problems.slice(0, 50),
    );
}

async function importQuote(client: Client, jobId: string, quote: CaseQuote, user: User): Promise<void> {
  const id = randomUUID();
  await client.query(
    `INSERT INTO quotes (id, job_id, version, status, content, created_at, created_by, created_by_user, imported)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, true)`,
    [
      id,
      jobId,
      quote.version,
      quote.status,
      JSON.stringify(quote.content),
      quote.createdAt,
      user.name,
      user.id,
    ],
  );
  for (const a of quote.answers) {
    await client.query(
      'INSERT INTO quote_answers (quote_id, kind, option, name, message, at) VALUES ($1, $2, $3, $4, $5, $6)',
      [id, a.kind, a.option, a.name, a.message, a.at],
    );
  }
}

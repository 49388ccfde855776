import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import type { Client } from './db';
import { notFound, UserError } from './problem';
import { literal, rawBytes } from './raw-bytes';
import type { User } from './users';

/** What a clip can be. */
export type ClipKind = 'video/mp4' | 'video/webm';

export const CLIP_LIMIT = 25 * 1024 * 1024;
/** More a customer does not watch. */
const MOST_CLIPS = 3;

/** Kinds of MP4 files every browser plays; the first four letters after `ftyp`. */
const BRANDS = [
  'isom',
  'iso2',
  'iso4',
  'iso5',
  'iso6',
  'mp41',
  'mp42',
  'avc1',
  'M4V ',
  'dash',
  '3gp4',
  '3gp5',
];
const EBML = '\x1a\x45\xdf\xa3';

/** What kind of clip it is by its own bytes, whatever its name says; null for what is none. */
export function clipKind(bytes: Uint8Array): ClipKind | null {
  const head = Buffer.from(bytes.subarray(0, 64)).toString('latin1');
  if (head.slice(4, 8) === 'ftyp' && BRANDS.includes(head.slice(8, 12))) return 'video/mp4';
  return head.startsWith(EBML) && head.includes('webm') ? 'video/webm' : null;
}

/**
 * Keeps a clip; the same id again is harmless. One that was taken out of the job makes room: it is kept only while a quote
 * shows it. Throws a UserError 413 or 415.
 */
export async function saveClip(
  client: Client,
  job: { id: string; state: JobState },
  id: string,
  bytes: Buffer,
  by: User,
): Promise<ClipKind> {
  const mime = clipKind(bytes);
  if (!mime) throw new UserError(415, 'This file is no clip a browser plays.', 'Record it as MP4 or WebM.');
  const shown = below(job.state, 'clip.').map(([clip]) => clip);
  // One just sent is named in the record a moment later.
  const { rows } = await client.query(
    `SELECT c.id, c.id = ANY ($2) OR NOT written.any AND c.created_at > now() - interval '10 minutes' AS counts
     FROM clips c, LATERAL (SELECT EXISTS (SELECT 1 FROM entries e WHERE e.job_id = c.job_id AND e.slot = 'clip.' || c.id) AS any) written
     WHERE c.job_id = $1`,
    [job.id, shown],
  );
  if (rows.some((r) => r.id === id)) return mime;
  if (rows.filter((r) => r.counts).length >= MOST_CLIPS)
    throw new UserError(413, `This job holds ${MOST_CLIPS} clips already.`, 'Take one out first.');
  await client.query(
    `DELETE FROM clips WHERE job_id = $1 AND id = ANY ($2) AND NOT EXISTS (
       SELECT 1 FROM quotes q WHERE q.job_id = $1 AND q.content -> 'clips' @> jsonb_build_array(jsonb_build_object('id', clips.id)))`,
    [job.id, rows.filter((r) => !r.counts).map((r) => r.id)],
  );
  await client.query(
    'INSERT INTO clips (job_id, id, mime, bytes, created_by, created_by_user) VALUES ($1, $2, $3, $4, $5, $6)',
    [job.id, id, mime, bytes, by.name, by.id],
  );
  return mime;
}

/** A clip of a job, without its bytes. Throws a UserError 404. */
export async function clipOf(
  client: Client,
  jobId: string,
  id: string,
): Promise<{ mime: ClipKind; size: number }> {
  const { rows } = await client.query(
    'SELECT mime, octet_length(bytes) AS size FROM clips WHERE job_id = $1 AND id = $2',
    [jobId, id],
  );
  if (!rows[0]) throw notFound('clip');
  return rows[0];
}

/** Bytes of a clip from `from` on; fewer at its end. */
export async function clipPiece(
  client: Client,
  jobId: string,
  id: string,
  from: number,
  length: number,
): Promise<Buffer> {
  const piece = await rawBytes(
    client,
    `SELECT substring(bytes FROM ${Math.trunc(from) + 1} FOR ${Math.trunc(length)}) FROM clips
     WHERE job_id = ${literal(client, jobId)} AND id = ${literal(client, id)}`,
  );
  return piece ?? Buffer.alloc(0);
}

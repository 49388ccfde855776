import type { Client } from './db';
import { notFound, UserError } from './problem';
import type { User } from './users';

/** A short clip as it is kept. */
export interface Clip {
  mime: 'video/mp4' | 'video/webm';
  bytes: Buffer;
}

export const CLIP_LIMIT = 25 * 1024 * 1024;
/** More a customer does not watch. */
export const MOST_CLIPS = 3;

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
export function clipKind(bytes: Uint8Array): Clip['mime'] | null {
  const head = Buffer.from(bytes.subarray(0, 64)).toString('latin1');
  if (head.slice(4, 8) === 'ftyp' && BRANDS.includes(head.slice(8, 12))) return 'video/mp4';
  return head.startsWith(EBML) && head.includes('webm') ? 'video/webm' : null;
}

/** Keeps a clip; the same id again is harmless. Throws a UserError 413 or 415. */
export async function saveClip(
  client: Client,
  jobId: string,
  id: string,
  bytes: Buffer,
  by: User,
): Promise<Clip['mime']> {
  const mime = clipKind(bytes);
  if (!mime) throw new UserError(415, 'This file is no clip a browser plays.', 'Record it as MP4 or WebM.');
  const { rows } = await client.query(
    'SELECT count(*)::int AS n, bool_or(id = $2) AS known FROM clips WHERE job_id = $1',
    [jobId, id],
  );
  if (rows[0].known) return mime;
  if (rows[0].n >= MOST_CLIPS)
    throw new UserError(413, `This job holds ${MOST_CLIPS} clips already.`, 'Keep to the telling ones.');
  await client.query(
    'INSERT INTO clips (job_id, id, mime, bytes, created_by, created_by_user) VALUES ($1, $2, $3, $4, $5, $6)',
    [jobId, id, mime, bytes, by.name, by.id],
  );
  return mime;
}

/** A clip of a job. Throws a UserError 404. */
export async function clipOf(client: Client, jobId: string, id: string): Promise<Clip> {
  const { rows } = await client.query('SELECT mime, bytes FROM clips WHERE job_id = $1 AND id = $2', [
    jobId,
    id,
  ]);
  if (!rows[0]) throw notFound('clip');
  return rows[0];
}

/**
 * A clip as an answer, whole or the piece a player asks for (`bytes=FROM-TO`, RFC 9110 section 14): some play nothing else.
 */
export function clipAnswer({ mime, bytes }: Clip, range: string | null): Response {
  const headers = {
    'content-type': mime,
    'accept-ranges': 'bytes',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
  };
  const asked = /^bytes=(\d{1,10})-(\d{1,10})?$/.exec(range ?? '');
  if (!asked) return new Response(new Uint8Array(bytes), { headers });
  const from = Number(asked[1]);
  const to = Math.min(asked[2] === undefined ? Infinity : Number(asked[2]), bytes.length - 1);
  if (from > to)
    return new Response(null, {
      status: 416,
      headers: { ...headers, 'content-range': `bytes */${bytes.length}` },
    });
  return new Response(new Uint8Array(bytes.subarray(from, to + 1)), {
    status: 206,
    headers: { ...headers, 'content-range': `bytes ${from}-${to}/${bytes.length}` },
  });
}

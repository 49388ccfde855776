import type { Client } from './db';
import { notFound, UserError } from './problem';
import type { User } from './users';

/** What a clip can be. */
export type ClipKind = 'video/mp4' | 'video/webm';

/** A piece of a clip: its bytes from `from` on, of `size` in all. */
export interface ClipPiece {
  mime: ClipKind;
  size: number;
  from: number;
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
export function clipKind(bytes: Uint8Array): ClipKind | null {
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
): Promise<ClipKind> {
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

/** The most that is sent at once: a player asks for the rest. */
const LARGEST_PIECE = 4 * 1024 * 1024;

/** What of a file is asked for: `bytes=FROM-TO`, both counted from 0. RFC 9110, section 14. */
export interface Range {
  from: number;
  to: number;
}

/** Null: the whole is asked for, or what is asked for is not understood. */
export function rangeOf(header: string | null): Range | null {
  const asked = /^bytes=(\d{1,9})-(\d{1,9})?$/.exec(header ?? '');
  return asked && { from: Number(asked[1]), to: asked[2] === undefined ? Infinity : Number(asked[2]) };
}

/** A clip of a job, or the piece of it a player asks for. Throws a UserError 404. */
export async function clipOf(
  client: Client,
  jobId: string,
  id: string,
  range: Range | null,
): Promise<ClipPiece> {
  const from = range?.from ?? 0;
  const length = range ? Math.max(0, Math.min(LARGEST_PIECE, range.to - from + 1)) : CLIP_LIMIT;
  const { rows } = await client.query(
    `SELECT mime, octet_length(bytes) AS size, substring(bytes FROM $3::int FOR $4::int) AS bytes FROM clips
     WHERE job_id = $1 AND id = $2`,
    [jobId, id, from + 1, length],
  );
  if (!rows[0]) throw notFound('clip');
  return { ...rows[0], from };
}

/** A clip as an answer, whole or the piece that was asked for: some players take nothing else. */
export function clipAnswer({ mime, size, from, bytes }: ClipPiece, range: Range | null): Response {
  const headers = {
    'content-type': mime,
    'accept-ranges': 'bytes',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
  };
  if (!range) return new Response(new Uint8Array(bytes), { headers });
  if (bytes.length === 0)
    return new Response(null, { status: 416, headers: { ...headers, 'content-range': `bytes */${size}` } });
  return new Response(new Uint8Array(bytes), {
    status: 206,
    headers: { ...headers, 'content-range': `bytes ${from}-${from + bytes.length - 1}/${size}` },
  });
}

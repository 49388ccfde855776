import sharp from 'sharp';
import type { Client } from './db';
import { notFound, UserError } from './problem';

const LONGEST_SIDE = 1600;
const MOST_PIXELS = 60_000_000;
export const PHOTO_LIMIT = 15 * 1024 * 1024;

export interface Photo {
  bytes: Buffer;
  width: number;
  height: number;
}

/**
 * Decodes an upload and writes it anew as JPEG: turned upright, at most 1600 px, without metadata. What cannot be decoded
 * as a picture is refused, whatever its name says.
 */
export async function reencode(upload: Buffer): Promise<Photo> {
  try {
    const { data, info } = await sharp(upload, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    return { bytes: data, width: info.width, height: info.height };
  } catch {
    throw new UserError(
      415,
      'This file is not a picture that can be read.',
      'Take a photo, or choose a JPEG, PNG or WebP file.',
    );
  }
}

/** A photo from a case file: one of ours (a plain JPEG) is kept byte for byte, anything else is written anew. */
export async function acceptPhoto(upload: Buffer): Promise<Photo> {
  const anew = await reencode(upload);
  const { format, exif, icc, xmp, iptc, width, height } = await sharp(upload).metadata();
  const plain = format === 'jpeg' && !exif && !icc && !xmp && !iptc;
  return plain && width === anew.width && height === anew.height ? { bytes: upload, width, height } : anew;
}

/** Keeps a photo; the same id again is harmless. */
export async function savePhoto(
  client: Client,
  jobId: string,
  id: string,
  photo: Photo,
  by: string,
): Promise<void> {
  await client.query(
    `INSERT INTO photos (job_id, id, width, height, bytes, created_by) VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT DO NOTHING`,
    [jobId, id, photo.width, photo.height, photo.bytes, by],
  );
}

export async function photoBytes(client: Client, jobId: string, id: string): Promise<Buffer> {
  const { rows } = await client.query('SELECT bytes FROM photos WHERE job_id = $1 AND id = $2', [jobId, id]);
  if (!rows[0]) throw notFound('photo');
  return rows[0].bytes;
}

export async function photosOf(client: Client, jobId: string): Promise<(Photo & { id: string })[]> {
  const { rows } = await client.query(
    'SELECT id, width, height, bytes FROM photos WHERE job_id = $1 ORDER BY id',
    [jobId],
  );
  return rows;
}

import { inBackground } from './background';
import type { Photo } from './background-tasks';
import type { Client } from './db';
import { notFound, UserError } from './problem';
import { literal, rawBytes } from './raw-bytes';
import type { User } from './users';

export type { Photo } from './background-tasks';

export const PHOTO_LIMIT = 15 * 1024 * 1024;
/** What a job's photos may take together: it is what one case file carries. */
export const PHOTOS_LIMIT = 64 * 1024 * 1024;
const MOST_PHOTOS = 500;

/** An upload decoded and written anew, away from the server's own thread. Throws a UserError 415 for what is no picture. */
export async function takePhoto(upload: Buffer): Promise<Photo> {
  const photo = await inBackground('photo', upload);
  if (!photo)
    throw new UserError(
      415,
      'This file is not a picture that can be read.',
      'Take a photo, or choose a JPEG, PNG or WebP file.',
    );
  return { ...photo, bytes: Buffer.from(photo.bytes) };
}

/** Keeps a photo; the same id again is harmless. Throws a UserError 413 when the job's photos would exceed their limit. */
export async function savePhoto(
  client: Client,
  jobId: string,
  id: string,
  photo: Photo,
  by: User,
): Promise<void> {
  const { rows } = await client.query(
    'SELECT count(*)::int AS n, COALESCE(sum(length(bytes)), 0)::bigint AS size, bool_or(id = $2) AS known FROM photos WHERE job_id = $1',
    [jobId, id],
  );
  if (rows[0].known) return;
  if (rows[0].n >= MOST_PHOTOS || Number(rows[0].size) + photo.bytes.length > PHOTOS_LIMIT)
    throw new UserError(
      413,
      `This job holds as many photos as one job can: ${MOST_PHOTOS}, or ${PHOTOS_LIMIT / 2 ** 20} MB.`,
      'Keep the telling ones; further photos cannot be added.',
    );
  await client.query(
    `INSERT INTO photos (job_id, id, width, height, bytes, created_by, created_by_user) VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT DO NOTHING`,
    [jobId, id, photo.width, photo.height, photo.bytes, by.name, by.id],
  );
}

/** A photo of a job. Throws a UserError 404. */
export async function photoOf(client: Client, jobId: string, id: string): Promise<Photo> {
  const { rows } = await client.query('SELECT width, height FROM photos WHERE job_id = $1 AND id = $2', [
    jobId,
    id,
  ]);
  return { ...rows[0], bytes: await photoBytes(client, jobId, id) };
}

export async function photoBytes(client: Client, jobId: string, id: string): Promise<Buffer> {
  const bytes = await rawBytes(
    client,
    `SELECT bytes FROM photos WHERE job_id = ${literal(client, jobId)} AND id = ${literal(client, id)}`,
  );
  if (!bytes) throw notFound('photo');
  return bytes;
}

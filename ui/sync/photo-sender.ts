import type { Connection } from './engine';
import type { PhotoQueue } from './photo-queue';
import type { WaitingPhoto } from './store';
import { endingOf, NOWHERE, OTHER_JOB } from './outcome';
import type { Transport } from './transport';

/** What sending photos needs of the engine. */
export interface PhotoSending {
  transport: Transport;
  photos: PhotoQueue;
  stopped(): boolean;
  /** Something sets out. */
  begins(): void;
  /** A photo has left the queue, taken or not. */
  done(photo: WaitingPhoto): Promise<void>;
  /** It will never be taken: its entry is taken back, with the reason. */
  refused(photo: WaitingPhoto, message: string): Promise<void>;
  /** Its job is gone: the picture is set aside, so that it can be kept elsewhere. */
  jobGone(photo: WaitingPhoto, message: string): Promise<void>;
}

/** Sends the photos; null when there were none. One the server fails on does not hold up those after it. */
export async function sendPhotos(sending: PhotoSending): Promise<Connection | null> {
  const { photos, transport } = sending;
  let ending: Connection | null = null;
  let photo = await photos.next();
  while (photo && !sending.stopped()) {
    sending.begins();
    const answer = await transport.photo(photo.job, photo.id, photo.blob, photo.of?.generation);
    if (answer.kind === 'restored') {
      const left = await meet(sending, photo);
      if (left) return left;
      // The same again, for the job as it stands now; where it is gone the next is at hand.
      photo = await photos.next(photo.key - 1);
      continue;
    }
    if (answer.kind === 'failed') ending = 'offline';
    else {
      const left = endingOf(answer);
      if (left) return left;
      await photos.remove(photo);
      if (answer.kind === 'refused') await sending.refused(photo, answer.message);
      ending ??= 'online';
    }
    await sending.done(photo);
    photo = await photos.next(photo.key);
  }
  return ending;
}

/** A backup was brought back since the photo was taken: it goes to its job, if that is still there. */
async function meet(sending: PhotoSending, photo: WaitingPhoto): Promise<Connection | null> {
  const { photos, transport } = sending;
  const now = await transport.news(photo.job, NOWHERE);
  if (now.kind === 'taken') {
    const { id, generation } = now.value;
    if (id === photo.of?.id) await photos.meet(photo, { id, generation });
    else await lose(sending, photo, OTHER_JOB);
  } else if (now.kind === 'refused') await lose(sending, photo, now.message);
  else return endingOf(now) ?? 'offline';
  return null;
}

async function lose(sending: PhotoSending, photo: WaitingPhoto, message: string): Promise<void> {
  await sending.jobGone(photo, message);
  await sending.photos.remove(photo);
  await sending.done(photo);
}

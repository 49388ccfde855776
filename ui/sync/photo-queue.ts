import type { JobMark, Store, WaitingPhoto } from './store';

/** The photos of one person that wait for the server, oldest first: apart from the writes, which they must not hold up. */
export class PhotoQueue {
  constructor(private readonly store: Store) {}

  async add(job: number, id: string, blob: Blob, of?: JobMark): Promise<void> {
    await this.store.add('photos', { job, ...(of ? { of } : {}), id, blob });
  }

  async count(): Promise<number> {
    return this.store.count('photos');
  }

  /** The oldest, or the oldest after that with this key. */
  async next(after = 0): Promise<WaitingPhoto | null> {
    const later = IDBKeyRange.lowerBound(after, true);
    const cursor = await this.store.transaction('photos').store.openCursor(later);
    return (cursor?.value as WaitingPhoto | undefined) ?? null;
  }

  /** A photo that has not been sent yet, for showing it. */
  async find(job: number, id: string): Promise<Blob | null> {
    const all = (await this.store.getAll('photos')) as WaitingPhoto[];
    return all.find((p) => p.job === job && p.id === id)?.blob ?? null;
  }

  /** The job is the same after a backup was brought back: the photo goes to it. */
  async meet(photo: WaitingPhoto, now: JobMark): Promise<void> {
    await this.store.put('photos', { ...photo, of: now });
  }

  async remove(photo: WaitingPhoto): Promise<void> {
    await this.store.delete('photos', photo.key);
  }
}

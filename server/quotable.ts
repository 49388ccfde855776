import type { QuoteContent } from '@/core/quote';
import type { Client } from './db';
import type { Job } from './jobs';
import { UserError } from './problem';
import { lostPieces } from './shelf';

/** Throws a UserError 409 for a quote that nothing stands behind, or that would give something away. */
export function demandQuotable({ recommended, options }: QuoteContent): void {
  if (recommended === null)
    throw new UserError(
      409,
      'There is nothing to quote yet: the unit is not apart and no cause is certain.',
      'Commit a cause, or record what the teardown shows; then make the quote.',
    );
  const unpriced = options.flatMap((o) => o.problems.filter((p) => p.kind === 'unpriced'))[0];
  if (unpriced)
    throw new UserError(
      409,
      unpriced.words,
      'Set its price in the scope, or take the line out with a reason.',
    );
}

/** Parts a quote counts on that lie on the shelf for this job no longer, by name. */
export async function goneFrom(
  client: Client,
  jobId: string,
  { options }: QuoteContent,
  lock = false,
): Promise<string[]> {
  const sold = options.flatMap((o) => o.lines.filter((l) => l.order?.shelf !== undefined));
  const lost = await lostPieces(
    client,
    jobId,
    sold.map((l) => l.order!.shelf!),
    lock,
  );
  return [...new Set(sold.filter((l) => lost.includes(l.order!.shelf!)).map((l) => l.name))];
}

/** What is sold off the shelf lies there for this job. Throws a UserError 409. */
export async function demandPieces(client: Client, job: Job, content: QuoteContent): Promise<void> {
  const [name] = await goneFrom(client, job.id, content, true);
  if (name !== undefined)
    throw new UserError(
      409,
      `${name}: the part of the shelf is no longer held for this job.`,
      'Choose in the scope where it is bought; then make the quote.',
    );
}

import { inBackground } from '@/server/background';
import { withClient } from '@/server/db';
import { photoBytes } from '@/server/photos';
import type { Quote } from '@/server/quotes';

/** What of a quote's photos goes on paper. */
const MOST_PHOTOS = 24;

/** A quote as a PDF answer, on the paper asked for or the shop's own. */
export async function pdfAnswer(quote: Quote, paper: string | null): Promise<Response> {
  const photos = await withClient(async (client) => {
    const found: [string, Buffer][] = [];
    for (const { id } of quote.content.photos.slice(0, MOST_PHOTOS)) {
      const bytes = await photoBytes(client, quote.jobId, id).catch(() => null);
      if (bytes) found.push([id, bytes]);
    }
    return Object.fromEntries(found);
  });
  const answer = quote.answers.findLast((a) => a.kind === 'accept');
  const accepted = answer ? { name: answer.name, at: answer.at, option: answer.option ?? '' } : null;
  const pdf = await inBackground('pdf', {
    version: quote.version,
    content: quote.content,
    photos,
    accepted,
    size: paper === 'letter' || (paper === null && quote.content.paper === 'LETTER') ? 'LETTER' : 'A4',
  });
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="quote-${quote.jobNumber}-${quote.version}.pdf"`,
    },
  });
}

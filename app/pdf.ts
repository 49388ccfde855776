import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { inBackground } from '@/server/background';
import type { PdfInput } from '@/server/background-tasks';
import type { Client } from '@/server/db';
import { log } from '@/server/log';
import { photoBytes } from '@/server/photos';
import { keepPdf, keptPdf } from '@/server/quote-pdfs';
import type { Paper } from '@/server/quote-pdfs';
import type { Quote } from '@/server/quotes';
import { SharedWork } from '@/server/shared-work';

/** What of a quote's photos goes on paper. */
const MOST_PHOTOS = 24;

/** How the database is reached: customers have a share of their own. */
type Reach = <T>(work: (client: Client) => Promise<T>) => Promise<T>;

const making = new SharedWork<Uint8Array>();

/** Another build may draw the same quote otherwise. */
let build: string | undefined;
function thisBuild(): string {
  try {
    build ??= readFileSync(path.join(process.cwd(), '.next', 'BUILD_ID'), 'utf8');
  } catch {
    build = '';
  }
  return build;
}

/**
 * A quote as a PDF answer, on the paper asked for or the shop's own. What was made once is kept; what several ask for at
 * once is made once; what nobody waits for any more is not begun.
 */
export async function pdfAnswer(
  quote: Quote,
  paper: string | null,
  reach: Reach,
  signal: AbortSignal,
): Promise<Response> {
  const size: Paper =
    paper === 'letter' || (paper === null && quote.content.paper === 'LETTER') ? 'LETTER' : 'A4';
  const answer = quote.answers.findLast((a) => a.kind === 'accept');
  const accepted = answer ? { name: answer.name, at: answer.at, option: answer.option ?? '' } : null;
  const input = { version: quote.version, content: quote.content, accepted, size };
  const madeOf = createHash('sha256').update(thisBuild()).update(JSON.stringify(input)).digest();
  const pdf =
    (await reach((client) => keptPdf(client, quote.id, size, madeOf))) ??
    (await making.ask(madeOf.toString('hex'), (unless) => make(quote, input, madeOf, reach, unless), signal));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="quote-${quote.jobNumber}-${quote.version}.pdf"`,
    },
  });
}

async function make(
  quote: Quote,
  input: Omit<PdfInput, 'photos'>,
  madeOf: Buffer,
  reach: Reach,
  unless: AbortSignal,
): Promise<Uint8Array> {
  const photos = await reach(async (client) => {
    const found: [string, Buffer][] = [];
    for (const { id } of quote.content.photos.slice(0, MOST_PHOTOS)) {
      const bytes = await photoBytes(client, quote.jobId, id).catch(() => null);
      if (bytes) found.push([id, bytes]);
    }
    return Object.fromEntries(found);
  });
  const pdf = await inBackground('pdf', { ...input, photos }, unless);
  // Whoever asked gets the paper even where it cannot be kept.
  await reach((client) => keepPdf(client, quote.id, input.size, madeOf, pdf)).catch((error: unknown) =>
    log.warn({ error: String(error) }, 'a quote’s PDF was not kept'),
  );
  return pdf;
}

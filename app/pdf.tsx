import path from 'node:path';
import { Font, renderToBuffer } from '@react-pdf/renderer';
import { withClient } from '@/server/db';
import { photoBytes } from '@/server/photos';
import type { Quote } from '@/server/quotes';
import { QuotePdf } from '@/ui/quote/pdf';

const file = (subset: string, weight: number) =>
  path.join(
    process.cwd(),
    'node_modules',
    '@fontsource',
    'archivo',
    'files',
    `archivo-${subset}-${weight}-normal.woff`,
  );

for (const [family, subset] of [
  ['Archivo', 'latin'],
  ['Archivo Extended', 'latin-ext'],
] as const) {
  Font.register({
    family,
    fonts: [400, 600].map((fontWeight) => ({ src: file(subset, fontWeight), fontWeight })),
  });
}

/** A quote as a PDF answer, A4 or Letter. */
export async function pdfAnswer(quote: Quote, letter: boolean): Promise<Response> {
  const photos = await withClient(async (client) => {
    const found: [string, Buffer][] = [];
    for (const { id } of quote.content.photos) {
      const bytes = await photoBytes(client, quote.jobId, id).catch(() => null);
      if (bytes) found.push([id, bytes]);
    }
    return Object.fromEntries(found);
  });
  const answer = quote.answers.findLast((a) => a.kind === 'accept');
  const accepted = answer ? { name: answer.name, at: answer.at, option: answer.option ?? '' } : null;
  const pdf = await renderToBuffer(
    <QuotePdf
      size={letter ? 'LETTER' : 'A4'}
      quote={{ version: quote.version, content: quote.content, photos, accepted }}
    />,
  );
  return new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="quote-${quote.jobNumber}-${quote.version}.pdf"`,
    },
  });
}

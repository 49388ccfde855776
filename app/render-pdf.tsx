import path from 'node:path';
import { Font, renderToBuffer } from '@react-pdf/renderer';
import { QuotePdf } from '@/ui/quote/pdf';
import type { PdfQuote } from '@/ui/quote/pdf';

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

const LONGEST_PIECE = 24;

// Words are left whole; one that no line could hold is cut into pieces, so that it neither overflows nor stalls.
Font.registerHyphenationCallback((word) =>
  word.length <= LONGEST_PIECE ? [word] : (word.match(new RegExp(`.{1,${LONGEST_PIECE}}`, 'gsu')) ?? [word]),
);

/** A quote as the bytes of a PDF, A4 or Letter. Heavy: runs in a process of its own. */
export async function renderPdf({
  size,
  ...quote
}: PdfQuote & { size: 'A4' | 'LETTER' }): Promise<Uint8Array> {
  return new Uint8Array(await renderToBuffer(<QuotePdf size={size} quote={quote} />));
}

import path from 'node:path';
import sharp from 'sharp';
import { Font, renderToBuffer } from '@react-pdf/renderer';
import { QuotePdf } from '@/ui/quote/pdf';
import type { PdfQuote } from '@/ui/quote/pdf';

const file = (font: string, subset: string, weight: number) =>
  path.join(
    process.cwd(),
    'node_modules',
    '@fontsource',
    font,
    'files',
    `${font}-${subset}-${weight}-normal.woff`,
  );

// What Archivo has no letters for, ohms among it, stands in a face that has.
for (const [family, font, subset] of [
  ['Archivo', 'archivo', 'latin'],
  ['Archivo Extended', 'archivo', 'latin-ext'],
  ['Greek', 'noto-sans', 'greek'],
  ['Cyrillic', 'noto-sans', 'cyrillic'],
] as const) {
  Font.register({
    family,
    fonts: [400, 600].map((fontWeight) => ({ src: file(font, subset, fontWeight), fontWeight })),
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
  const photos: [string, Buffer][] = [];
  for (const [id, bytes] of Object.entries(quote.photos)) photos.push([id, await smaller(bytes)]);
  const told = { ...quote, photos: Object.fromEntries(photos) };
  return new Uint8Array(await renderToBuffer(<QuotePdf size={size} quote={told} />));
}

/** A picture as it is printed: twice as sharp as the paper shows it, a fraction of what the camera wrote. */
function smaller(bytes: Buffer): Promise<Buffer> {
  return sharp(bytes)
    .resize({ width: 900, height: 700, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 72 })
    .toBuffer();
}

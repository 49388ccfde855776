import path from 'node:path';
import sharp from 'sharp';
import { Document, Font, Page, renderToBuffer, Text, View } from '@react-pdf/renderer';
import { QuotePdf } from '@/ui/paper/quote';
import type { PdfQuote } from '@/ui/paper/quote';
import { styles } from '@/ui/paper/style';

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
  // All at once: each takes a thread of its own.
  const photos = await Promise.all(
    Object.entries(quote.photos).map(async ([id, bytes]) => [id, await smaller(bytes)] as const),
  );
  const told = { ...quote, photos: Object.fromEntries(photos) };
  return new Uint8Array(await renderToBuffer(<QuotePdf size={size} quote={told} />));
}

/** Renders a page nobody reads: the first quote finds faces, layout and compiled code there already. */
export async function warmPdf(): Promise<void> {
  await renderToBuffer(
    <Document>
      <Page size="A4" style={styles.page}>
        {Array.from({ length: 40 }, (_, k) => (
          <View key={k} style={styles.row}>
            <Text style={styles.item}>Warming up Ω я ř {k}</Text>
            <Text style={styles.money}>Ω я ř {k}</Text>
          </View>
        ))}
      </Page>
    </Document>,
  );
}

/** A picture as it is printed: twice as sharp as the paper shows it, a fraction of what the camera wrote. */
function smaller(bytes: Buffer): Promise<Buffer> {
  return sharp(bytes)
    .resize({ width: 900, height: 700, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 72 })
    .toBuffer();
}

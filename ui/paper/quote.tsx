import { Document, Image, Page, Text, View } from '@react-pdf/renderer';
import { dayWords, momentWords } from '@/core/shop';
import type { QuoteContent } from '@/core/quote';
import { AnswerBox, ChangeTable, Compared, LineTable, RenewedTable } from './options';
import { SeenTable } from './seen';
import { styles } from './style';

export interface PdfQuote {
  version: number;
  content: QuoteContent;
  /** Photos by id, as JPEG. */
  photos: Record<string, Buffer>;
  accepted: { name: string; at: string; option: string } | null;
}

/**
 * The quote on paper, the same content as the customer's page: on the first page the answer and what is to be signed, then
 * what was found with pictures and what is renewed, then every line.
 */
export function QuotePdf({ quote, size }: { quote: PdfQuote; size: 'A4' | 'LETTER' }) {
  const { content, accepted } = quote;
  const { options, recommended, job } = content;
  const best = options.find((o) => o.id === recommended?.option);
  const pictures = content.photos.flatMap((p) => {
    const data = quote.photos[p.id];
    return data ? [{ ...p, data }] : [];
  });
  const told = accepted ? options.filter((o) => o.id === accepted.option) : options;
  // The recommended one is read first.
  const ordered = [...told].sort((a, b) => Number(b === best) - Number(a === best));
  return (
    <Document
      title={`Quote ${job.number}-${quote.version}: ${job.vehicle}`}
      author={content.shop.name}
      subject="What we found, what we propose and what it costs"
      language="en"
    >
      <Page size={size} style={styles.page}>
        <Head quote={quote} />
        <Text style={styles.title}>{job.vehicle}</Text>
        <Text style={styles.soft}>
          {[job.customer && `For ${job.customer}.`, `Unit: ${job.unit}.`].filter(Boolean).join(' ')}
        </Text>
        {accepted && (
          <Text style={styles.heading}>
            Accepted by {accepted.name}, {momentWords(accepted.at)}
          </Text>
        )}
        {best && <AnswerBox option={best} content={content} />}
        {content.supplement && <ChangeTable supplement={content.supplement} currency={content.currency} />}
        {content.cautions?.map((words) => (
          <Text key={words} style={styles.caution}>
            {words}
          </Text>
        ))}
        {job.complaint !== '' && (
          <>
            <Text style={styles.heading}>What you told us</Text>
            <Text>“{job.complaint}”</Text>
          </>
        )}
        <Text style={styles.heading}>What we found</Text>
        <Text>{content.finding}</Text>
        <Text style={styles.heading}>Side by side</Text>
        <Compared content={content} accepted={accepted?.option ?? null} />
        {content.barred.map((b) => (
          <Text key={b.name} style={{ marginTop: 6 }}>
            Why no {b.name.toLowerCase()}: {b.reason}
          </Text>
        ))}
        {!accepted && (
          <View style={styles.sign} wrap={false}>
            <Text style={styles.slot}>Option chosen</Text>
            <Text style={styles.slot}>Name and signature</Text>
            <Text style={styles.slot}>Date</Text>
          </View>
        )}
        <Foot quote={quote} size={size} />
      </Page>
      <Page size={size} style={styles.page}>
        {content.evidence && <SeenTable evidence={content.evidence} />}
        {pictures.length > 0 && <Text style={styles.heading}>What it looks like</Text>}
        <View style={styles.photos}>
          {pictures.map((p) => (
            <View key={p.id} style={styles.photo} wrap={false}>
              <Image src={{ data: p.data, format: 'jpg' }} style={styles.picture} />
              <Text style={styles.soft}>{p.caption}</Text>
            </View>
          ))}
        </View>
        <RenewedTable content={content} />
        <View wrap={false}>
          <Text style={styles.heading}>What could still change</Text>
          {content.couldChange.map((c) => (
            <Text key={c}>{c}</Text>
          ))}
          <Text>
            If we find more, you get a new version of this quote that shows exactly what changed. Nothing
            beyond what you accepted is done without your yes.
          </Text>
          {content.note !== '' && <Text style={{ marginTop: 6 }}>{content.note}</Text>}
        </View>
        <Voids content={content} />
        {ordered.map((option) => (
          <LineTable key={option.id} option={option} content={content} />
        ))}
        <Foot quote={quote} size={size} />
      </Page>
    </Document>
  );
}

function Head({ quote: { content, version } }: { quote: PdfQuote }) {
  const { shop, job } = content;
  return (
    <View style={styles.head}>
      <View>
        <Text style={styles.shop}>{shop.name}</Text>
        {shop.letterhead !== '' && <Text style={styles.soft}>{shop.letterhead}</Text>}
        <Text style={styles.soft}>
          {shop.address}, {shop.phone}
        </Text>
      </View>
      <View style={{ alignItems: 'flex-end' }}>
        <Text style={styles.right}>
          Quote {job.number}-{version}
        </Text>
        <Text style={[styles.soft, styles.right]}>
          {dayWords(content.date)}, valid until {dayWords(content.validUntil)}
        </Text>
      </View>
    </View>
  );
}

/** What voids the warranty: the same for every option that has one. */
function Voids({ content }: { content: QuoteContent }) {
  const voids = [...new Set(content.options.flatMap((o) => o.warrantyTerms?.voids ?? []))];
  if (voids.length === 0) return null;
  return (
    <View wrap={false}>
      <Text style={styles.heading}>What voids the warranty</Text>
      {voids.map((v) => (
        <Text key={v}>{v}</Text>
      ))}
    </View>
  );
}

/** Where the last line of a page stands, pt from its top: a text with page numbers has no height to stand up from. */
const FOOT_AT = { A4: 804, LETTER: 754 };

function Foot({ quote: { content, version }, size }: { quote: PdfQuote; size: 'A4' | 'LETTER' }) {
  return (
    <View style={[styles.foot, { top: FOOT_AT[size] }]} fixed>
      <Text>
        {content.shop.name}, quote {content.job.number}-{version}
      </Text>
      <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
    </View>
  );
}

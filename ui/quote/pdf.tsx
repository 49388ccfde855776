import { Document, Image, Page, StyleSheet, Text, View } from '@react-pdf/renderer';
import { dayWords, formatMoney, momentWords, shopMomentWords } from '@/core/quote';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { riskWords, sumsBesideLines } from './words';

const styles = StyleSheet.create({
  page: {
    padding: 40,
    fontFamily: ['Archivo', 'Archivo Extended'],
    fontSize: 9.5,
    lineHeight: 1.4,
    color: '#14201e',
  },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottomWidth: 3,
    borderBottomColor: '#14201e',
    paddingBottom: 8,
    marginBottom: 14,
  },
  shop: { fontSize: 13, fontWeight: 600 },
  soft: { color: '#47544f' },
  title: { fontSize: 17, fontWeight: 600, marginBottom: 4, lineHeight: 1.2 },
  heading: { fontSize: 12, fontWeight: 600, marginTop: 14, marginBottom: 4 },
  caution: { marginTop: 10, padding: 8, borderLeftWidth: 4, borderLeftColor: '#b3261e', fontWeight: 600 },
  photos: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, marginTop: 8 },
  photo: { width: 160 },
  option: { borderTopWidth: 1.5, borderTopColor: '#14201e', paddingTop: 6, marginTop: 10 },
  row: { flexDirection: 'row', justifyContent: 'space-between', gap: 12 },
  line: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: 12,
    borderTopWidth: 0.5,
    borderTopColor: '#bcc4ba',
    paddingVertical: 1.5,
  },
  name: { fontSize: 12, fontWeight: 600 },
  sign: { marginTop: 26, flexDirection: 'row', gap: 30 },
  slot: { flexGrow: 1, borderTopWidth: 1, borderTopColor: '#14201e', paddingTop: 3 },
  foot: {
    position: 'absolute',
    bottom: 22,
    left: 40,
    right: 40,
    flexDirection: 'row',
    justifyContent: 'space-between',
    fontSize: 8,
    color: '#47544f',
  },
});

export interface PdfQuote {
  version: number;
  content: QuoteContent;
  /** Photos by id, as JPEG. */
  photos: Record<string, Buffer>;
  accepted: { name: string; at: string; option: string } | null;
}

/** The quote on paper: the same content as the customer's page. */
export function QuotePdf({ quote, size }: { quote: PdfQuote; size: 'A4' | 'LETTER' }) {
  const { content } = quote;
  return (
    <Document title={`Quote ${content.job.number}-${quote.version}`} author={content.shop.name}>
      <Page size={size} style={styles.page}>
        <View style={styles.head}>
          <View>
            <Text style={styles.shop}>{content.shop.name}</Text>
            <Text style={styles.soft}>
              {content.shop.address}, {content.shop.phone}
            </Text>
          </View>
          <View>
            <Text>
              Quote {content.job.number}-{quote.version}
            </Text>
            <Text style={styles.soft}>
              {dayWords(content.date)}, valid until {dayWords(content.validUntil)}
            </Text>
          </View>
        </View>
        <Text style={styles.title}>{content.job.vehicle}: what we found and what we propose</Text>
        <Text style={styles.soft}>
          {[
            content.job.customer && `For ${content.job.customer}.`,
            `Unit: ${content.job.unit}.`,
            content.job.complaint && `Complaint: ${content.job.complaint}`,
          ]
            .filter(Boolean)
            .join(' ')}
        </Text>
        <Text style={styles.heading}>What we found</Text>
        <Text>{content.finding}</Text>
        <View style={styles.photos}>
          {content.photos.flatMap((p) => {
            const data = quote.photos[p.id];
            return data
              ? [
                  <View key={p.id} style={styles.photo} wrap={false}>
                    <Image src={{ data, format: 'jpg' }} />
                    <Text style={styles.soft}>{p.caption}</Text>
                  </View>,
                ]
              : [];
          })}
        </View>
        {content.cautions?.map((words) => (
          <Text key={words} style={styles.caution}>
            {words}
          </Text>
        ))}
        <Text style={styles.heading}>What we propose</Text>
        {content.options.map((option) => (
          <Offer
            key={option.id}
            option={option}
            content={content}
            accepted={quote.accepted?.option === option.id}
          />
        ))}
        {content.couldChange.length > 0 && (
          <View wrap={false}>
            <Text style={styles.heading}>What could still change</Text>
            {content.couldChange.map((c) => (
              <Text key={c}>{c}</Text>
            ))}
          </View>
        )}
        {quote.accepted ? (
          <Text style={styles.heading}>
            Accepted by {quote.accepted.name}, {momentWords(quote.accepted.at)}
          </Text>
        ) : (
          <View style={styles.sign} wrap={false}>
            <Text style={styles.slot}>Option chosen</Text>
            <Text style={styles.slot}>Name and signature</Text>
            <Text style={styles.slot}>Date</Text>
          </View>
        )}
        <View style={styles.foot} fixed>
          <Text>{content.shop.name}</Text>
          <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
        </View>
      </Page>
    </Document>
  );
}

function Offer({
  option: o,
  content,
  accepted,
}: {
  option: QuoteOption;
  content: QuoteContent;
  accepted: boolean;
}) {
  const money = (amount: number) => formatMoney(amount, content.currency);
  const sums = sumsBesideLines(o);
  const percent = (p: number) => `${Math.round(p * 100)} %`;
  return (
    <View style={styles.option}>
      <View style={styles.row} wrap={false}>
        <Text style={styles.name}>
          {o.name}
          {accepted ? ' (accepted)' : ''}
        </Text>
        <Text style={styles.name}>{money(o.total)}</Text>
      </View>
      <Text>
        {o.summary}. Warranty: {o.warranty}.
        {o.readyBy ? ` Ready ${o.ready ? shopMomentWords(o.ready.at) : dayWords(o.readyBy)}.` : ''}
        {o.shareOfValue === null ? '' : ` ${percent(o.shareOfValue)} of the vehicle’s value.`}
        {o.id === 'no-repair' ? '' : ` Back within the warranty: ${riskWords(o.risk)}.`}
      </Text>
      {o.lines.map((l, k) => (
        <View key={k} style={styles.line} wrap={false}>
          <Text style={{ flex: 1 }}>
            {l.name}
            {l.quantity > 1 ? ` × ${l.quantity}` : ''}
            <Text style={styles.soft}>{`  ${[l.note, l.reason].filter(Boolean).join('; ')}`}</Text>
          </Text>
          <Text>{money(l.total)}</Text>
        </View>
      ))}
      {sums.map(([name, amount]) => (
        <View key={name} style={styles.line} wrap={false}>
          <Text>{name}</Text>
          <Text>{money(amount)}</Text>
        </View>
      ))}
    </View>
  );
}

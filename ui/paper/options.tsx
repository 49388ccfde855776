import { Text, View } from '@react-pdf/renderer';
import { dayWords, formatMoney, shopMomentWords } from '@/core/shop';
import type { QuoteContent, QuoteLine, QuoteOption, Supplement } from '@/core/quote';
import { styles } from './style';
import { includedWords, isCharged, riskWords, sumsBesideLines } from '@/ui/quote/words';

const percent = (p: number) => `${Math.round(p * 100)} %`;
const readyWords = (o: QuoteOption) =>
  o.ready ? shopMomentWords(o.ready.at) : o.readyBy ? dayWords(o.readyBy) : '–';

/** What the shop recommends, read at a glance. */
export function AnswerBox({ option: o, content }: { option: QuoteOption; content: QuoteContent }) {
  const money = (amount: number) => formatMoney(amount, content.currency);
  const facts: [string, string][] = [
    ...(o.ready
      ? ([
          ['Ready', readyWords(o)],
          ['if you say yes by', shopMomentWords(o.ready.decideBy)],
        ] as [string, string][])
      : []),
    ['Warranty', o.warranty],
    ...(o.downPayment ? ([['To begin with', money(o.downPayment)]] as [string, string][]) : []),
  ];
  return (
    <View style={styles.answer} wrap={false}>
      <View style={styles.answerTop}>
        <View style={{ flexGrow: 1, flexBasis: 0 }}>
          <Text style={styles.answerSoft}>We recommend</Text>
          <Text style={styles.answerName}>{o.name}</Text>
        </View>
        <View>
          <Text style={styles.answerTotal}>{money(o.total)}</Text>
          <Text style={[styles.answerSoft, styles.right]}>tax included</Text>
        </View>
      </View>
      <Text style={{ marginTop: 6 }}>
        {content.recommended!.why} {o.summary}.
      </Text>
      <View style={styles.facts}>
        {facts.map(([name, words]) => (
          <View key={name} style={styles.fact}>
            <Text style={styles.answerSoft}>{name}</Text>
            <Text>{words}</Text>
          </View>
        ))}
      </View>
    </View>
  );
}

/** The options beside each other, the same fact in the same row. */
export function Compared({ content, accepted }: { content: QuoteContent; accepted: string | null }) {
  const { options, recommended } = content;
  const money = (amount: number) => formatMoney(amount, content.currency);
  const bestOf = (o: QuoteOption) => (o.id === recommended?.option ? styles.best : {});
  const row = (label: string, words: (o: QuoteOption) => string, style = {}) => (
    <View key={label} style={styles.row} wrap={false}>
      <Text style={styles.label}>{label}</Text>
      {options.map((o) => (
        <View key={o.id} style={[styles.cell, bestOf(o)]}>
          <Text style={style}>{words(o)}</Text>
        </View>
      ))}
    </View>
  );
  return (
    <View>
      <View style={[styles.row, styles.strong]} wrap={false}>
        <Text style={styles.label}> </Text>
        {options.map((o) => (
          <View key={o.id} style={[styles.cell, bestOf(o)]}>
            <Text style={styles.name}>
              {o.name}
              {accepted === o.id ? ' (accepted)' : ''}
            </Text>
          </View>
        ))}
      </View>
      {row('Total', (o) => money(o.total), styles.money)}
      {row('Ready', readyWords)}
      {row('Warranty', (o) => o.warranty)}
      {row('Back within it', (o) => (o.id === 'no-repair' ? '–' : riskWords(o.risk)))}
      {options.some((o) => o.shareOfValue !== null) &&
        row('Of the vehicle’s worth', (o) => (o.shareOfValue === null ? '–' : percent(o.shareOfValue)))}
    </View>
  );
}

/** What is renewed, sort by sort. */
export function RenewedTable({ content }: { content: QuoteContent }) {
  const options = content.options.filter((o) => o.included.length > 0);
  const groups = options[0]?.included.map((i) => i.group) ?? [];
  if (groups.length === 0) return null;
  return (
    <View>
      <Text style={styles.heading}>What is renewed</Text>
      <View style={[styles.row, styles.strong]} wrap={false}>
        <Text style={styles.label}> </Text>
        {options.map((o) => (
          <Text key={o.id} style={[styles.cell, styles.name]}>
            {o.name}
          </Text>
        ))}
      </View>
      {groups.map((group) => (
        <View key={group} style={styles.row} wrap={false}>
          <Text style={styles.label}>{group}</Text>
          {options.map((o) => {
            const found = o.included.find((i) => i.group === group);
            return (
              <Text key={o.id} style={styles.cell}>
                {found ? includedWords(found) : '–'}
              </Text>
            );
          })}
        </View>
      ))}
    </View>
  );
}

/** Every line of an option and what it adds up to. The head never stands alone at the foot of a page. */
export function LineTable({ option: o, content }: { option: QuoteOption; content: QuoteContent }) {
  const money = (amount: number) => formatMoney(amount, content.currency);
  const [first, ...rest] = o.lines.filter(isCharged);
  return (
    <View>
      <View wrap={false}>
        <Text style={styles.heading}>{o.name}, line by line</Text>
        {first && <LineRow line={first} style={[styles.row, styles.strong]} money={money} />}
      </View>
      {rest.map((l, k) => (
        <LineRow key={k} line={l} style={[styles.row]} money={money} />
      ))}
      {sumsBesideLines(o).map(([name, amount]) => (
        <View key={name} style={styles.row} wrap={false}>
          <Text style={styles.item}>{name}</Text>
          <Text style={styles.amount}>{money(amount)}</Text>
        </View>
      ))}
      <View style={[styles.row, styles.strong]} wrap={false}>
        <Text style={[styles.item, styles.name]}>Total</Text>
        <Text style={[styles.amount, styles.money]}>{money(o.total)}</Text>
      </View>
    </View>
  );
}

function LineRow(props: {
  line: QuoteLine;
  style: (typeof styles)[keyof typeof styles][];
  money: (amount: number) => string;
}) {
  const { line: l, money } = props;
  return (
    <View style={props.style} wrap={false}>
      <View style={styles.item}>
        <Text>{l.name}</Text>
        <Text style={styles.small}>{l.reason}</Text>
        {l.contents && <Text style={styles.small}>Holds: {l.contents.join(', ')}</Text>}
      </View>
      <Text style={styles.quantity}>{l.note || (l.quantity > 1 ? `× ${l.quantity}` : '')}</Text>
      <Text style={styles.amount}>{l.total === 0 ? '–' : money(l.total)}</Text>
    </View>
  );
}

/** What a later version changes of the one that was accepted. */
export function ChangeTable({ supplement: s, currency }: { supplement: Supplement; currency: string }) {
  const money = (amount: number | null) => (amount === null ? '–' : formatMoney(amount, currency));
  return (
    <View>
      <Text style={styles.heading}>What is new since you accepted</Text>
      <Text>
        “{s.accepted}” of version {s.version} was accepted for {money(s.was)}; it would now come to{' '}
        {money(s.now)}. What was accepted stands until there is a yes to this version.
      </Text>
      {s.lines.map((l, k) => (
        <View key={l.name} style={k === 0 ? [styles.row, styles.strong] : styles.row} wrap={false}>
          <Text style={styles.item}>{l.name}</Text>
          <Text style={styles.amount}>{money(l.was)}</Text>
          <Text style={styles.amount}>{money(l.now)}</Text>
        </View>
      ))}
    </View>
  );
}

'use client';
import styled from 'styled-components';
import { orderLines, orderStanding } from '@/core/quote';
import { dayWords, formatMoney, shopMomentWords } from '@/core/shop';
import type { OrderLine, QuoteOption } from '@/core/quote';
import { useJob } from '@/ui/job/provider';
import { useQuotes } from '@/ui/quote/use-quotes';
import type { QuoteView } from '@/ui/quote/version';
import { ButtonLink, Caption, Line, Notice, Page, Section, Stack } from '@/ui/system';
import { Queries } from '@/ui/system/query';
import { OrderTable } from './order-table';

const Head = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  background: var(--frame);
  color: var(--frame-ink);
  > div {
    padding: 12px 16px;
    border-right: 1px solid var(--frame-rule);
  }
  small {
    display: block;
    color: var(--frame-soft);
  }
  b {
    font-size: 1.25rem;
    font-weight: 650;
    line-height: 1.2;
  }
`;

/** What was agreed, what is ordered for it, and what the build waits for. */
export function BuildStage() {
  return (
    <Queries>
      <Agreed />
    </Queries>
  );
}

function Agreed() {
  const { number, state } = useJob();
  const { data, words } = useQuotes(15_000, false);
  if (!data)
    return (
      <Page>
        <Section title="What was agreed">
          {words ? <Notice>{words}</Notice> : <p aria-busy>Reading what was agreed …</p>}
        </Section>
      </Page>
    );
  const quote = data.quotes.find((q) => q.status === 'accepted' && !q.imported && !q.unreadable);
  const chosen = quote?.answers.findLast((a) => a.kind === 'accept');
  const option = quote?.content.options.find((o) => o.id === chosen?.option);
  if (!quote || !option || !chosen || option.id === 'no-repair')
    return (
      <Page>
        <Section title="Nothing is agreed yet">
          <Stack $gap={10}>
            <p>
              {option?.id === 'no-repair'
                ? 'The customer chose not to repair: there is nothing to build.'
                : 'Once the customer has accepted a version, what was agreed stands here with its order list.'}
            </p>
            <Line>
              <ButtonLink href={`/jobs/${number}/quote`}>To the quote</ButtonLink>
            </Line>
          </Stack>
        </Section>
      </Page>
    );
  const lines = orderLines(option, state);
  const newer = data.quotes.find(
    (q) => q.version > quote.version && q.content.supplement && q.status !== 'superseded',
  );
  return (
    <>
      <Standing quote={quote} option={option} lines={lines} name={chosen.name} at={chosen.at} />
      {newer && (
        <Notice>
          Version {newer.version} changes what was agreed. It needs a new yes; until then this one is built.
        </Notice>
      )}
      <Page>
        <Orders lines={lines} />
        <Section title="Agreed work" note="As it was accepted: it is not changed here.">
          <ul style={{ display: 'grid', gap: 4 }}>
            {option.lines
              .filter((l) => l.kind !== 'part' || !l.order)
              .map((l) => (
                <li key={`${l.kind} ${l.name}`}>
                  {l.name}
                  {l.note && <Caption as="span"> {l.note}</Caption>}
                  {l.kind === 'part' && <Caption as="span"> {l.action}</Caption>}
                </li>
              ))}
          </ul>
        </Section>
      </Page>
    </>
  );
}

function Standing(props: {
  quote: QuoteView;
  option: QuoteOption;
  lines: OrderLine[];
  name: string;
  at: string;
}) {
  const { quote, option } = props;
  const { terms } = useJob();
  const standing = orderStanding(props.lines);
  const waits =
    standing.toOrder > 0
      ? `${standing.toOrder} still to be ordered`
      : standing.onTheWay > 0
        ? `${standing.onTheWay} on the way${standing.lastDue ? `, the last ${dayWords(standing.lastDue, true)}` : ''}`
        : 'everything is here';
  return (
    <Head data-testid="agreed">
      <div>
        <small>
          Agreed with {props.name}, {dayWords(props.at)}
        </small>
        <b>{option.name}</b>
        <small>version {quote.version}</small>
      </div>
      <div>
        <small>Total</small>
        <b>{formatMoney(option.total, quote.content.currency)}</b>
        {option.downPayment > 0 && (
          <small>{formatMoney(option.downPayment, quote.content.currency)} to begin with</small>
        )}
      </div>
      <div>
        <small>Ready</small>
        <b>{option.ready ? shopMomentWords(option.ready.at) : '–'}</b>
        <small>as it was promised with the quote</small>
      </div>
      <div>
        <small>Waits for</small>
        <b>{waits}</b>
        <small>
          {standing.here} of {standing.total} parts are here
        </small>
      </div>
      {standing.deposits > 0 && (
        <div>
          <small>Core deposits out</small>
          <b>{formatMoney(standing.deposits, terms.currency)}</b>
          <small>
            {standing.coreBy ? `back by ${dayWords(standing.coreBy, true)}` : 'once the parts have come'}
          </small>
        </div>
      )}
    </Head>
  );
}

function Orders({ lines }: { lines: OrderLine[] }) {
  const { number } = useJob();
  const suppliers = [...new Set(lines.map((l) => l.supplier))];
  return (
    <Section wide title="Order list" note="By supplier, the longest wait first.">
      <Stack $gap={16}>
        {suppliers.map((supplier) => (
          <OrderTable
            key={supplier}
            supplier={supplier}
            lines={lines.filter((l) => l.supplier === supplier)}
            csv={`/api/jobs/${number}/orders?supplier=${encodeURIComponent(supplier)}`}
          />
        ))}
        <Line>
          <ButtonLink href={`/api/jobs/${number}/orders`} download $small>
            The whole list as CSV
          </ButtonLink>
        </Line>
      </Stack>
    </Section>
  );
}

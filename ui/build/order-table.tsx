'use client';
import styled from 'styled-components';
import { dayWords, formatMoney } from '@/core/shop';
import type { OrderLine, OrderState } from '@/core/quote';
import { addDays, momentIn } from '@/core/schedule';
import { useJob } from '@/ui/job/provider';
import { Button, ButtonLink, Caption, Choice, Line } from '@/ui/system';

const STATES: { value: OrderState; label: string; tone?: 'good' | 'warn' }[] = [
  { value: 'to-order', label: 'To order' },
  { value: 'ordered', label: 'Ordered', tone: 'warn' },
  { value: 'arrived', label: 'Arrived', tone: 'good' },
  { value: 'fitted', label: 'Fitted', tone: 'good' },
];

const Frame = styled.section`
  header {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    padding-bottom: 4px;
    border-bottom: 2px solid var(--ink);
  }
  h3 {
    font-size: 1rem;
  }
`;
const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(120px, 170px);
  gap: 4px 16px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  b {
    font-weight: 650;
  }
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** The shop's own day, wherever this device is. */
const todayIn = ({ timeZone }: { timeZone: string }) => momentIn(new Date(), timeZone).slice(0, 10);

/** What one supplier is to send, each with how it stands. */
export function OrderTable({ supplier, lines, csv }: { supplier: string; lines: OrderLine[]; csv: string }) {
  const { writeMany, terms } = useJob();
  const today = todayIn(terms);
  const open = lines.filter((l) => l.state === 'to-order');
  const orderAll = () =>
    writeMany(
      open.map((l) => [`order.${l.key}`, { state: 'ordered', on: today, due: addDays(today, l.leadDays) }]),
    );
  return (
    <Frame aria-label={supplier || 'No supplier named'}>
      <header>
        <h3>{supplier || 'No supplier named'}</h3>
        <Line $gap={6}>
          {open.length > 0 && (
            <Button $small onPress={orderAll}>
              All {open.length} ordered today
            </Button>
          )}
          <ButtonLink $small $kind="quiet" href={csv} download>
            CSV
          </ButtonLink>
        </Line>
      </header>
      <ul>
        {lines.map((line) => (
          <OrderRow key={line.key} line={line} />
        ))}
      </ul>
    </Frame>
  );
}

function OrderRow({ line: l }: { line: OrderLine }) {
  const { write, terms } = useJob();
  const today = todayIn(terms);
  const slot = `order.${l.key}` as const;
  const set = (state: OrderState) => {
    if (state === 'to-order') return write(slot, null);
    const due = state === 'ordered' ? addDays(today, l.leadDays) : l.due;
    write(slot, {
      state,
      // Fitted keeps the day it came: the old part is due back from then on.
      on: state === 'fitted' && l.on !== null && l.state === 'arrived' ? l.on : today,
      ...(due ? { due } : {}),
      ...(l.coreBack ? { coreBack: l.coreBack } : {}),
    });
  };
  const dates = [
    l.state === 'to-order' && `${l.leadDays} ${l.leadDays === 1 ? 'day' : 'days'} from the order`,
    l.state === 'ordered' && l.due && `due ${dayWords(l.due, true)}`,
    (l.state === 'arrived' || l.state === 'fitted') && l.on && `here since ${dayWords(l.on, true)}`,
  ].filter(Boolean);
  return (
    <Row data-order={l.key}>
      <div>
        <b>
          {l.name}
          {l.quantity > 1 && ` × ${l.quantity}`}
        </b>{' '}
        <Caption as="span">
          {formatMoney(l.price * l.quantity, terms.currency)}
          {l.grade && l.grade !== 'new' && `, ${l.grade === 'donor' ? 'used' : l.grade}`}
        </Caption>
        {l.sizes && (
          <Caption>choose: {l.sizes.map((s) => `${Math.round(s * 1e6) / 1000} mm`).join(', ')}</Caption>
        )}
        {l.contents.length > 0 && (
          <details>
            <summary style={{ minHeight: 32, cursor: 'pointer' }}>holds {l.contents.length} parts</summary>
            <Caption>{l.contents.join(', ')}</Caption>
          </details>
        )}
        {l.deposit > 0 && (
          <Line $gap={8}>
            <Caption as="span">
              {formatMoney(l.deposit * l.quantity, terms.currency)} deposit
              {l.coreBack
                ? `, old part back ${dayWords(l.coreBack, true)}`
                : l.coreBy
                  ? `, old part back in ${l.packaging ?? 'its packaging'} by ${dayWords(l.coreBy, true)}`
                  : l.packaging && `, old part back in ${l.packaging}`}
            </Caption>
            {l.coreBy && !l.coreBack && (
              <Button
                $small
                onPress={() =>
                  write(slot, {
                    state: l.state as 'arrived',
                    on: l.on!,
                    ...(l.due ? { due: l.due } : {}),
                    coreBack: today,
                  })
                }
              >
                It went back
              </Button>
            )}
          </Line>
        )}
      </div>
      <Choice
        label={`${l.name}: how it stands`}
        value={l.state}
        options={STATES}
        onChange={(v) => v && set(v)}
      />
      <Caption>{dates.join(', ')}</Caption>
    </Row>
  );
}

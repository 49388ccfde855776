'use client';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import { formatMoney } from '@/core/quote';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { RequestError, send } from '@/ui/job/request';
import { percent } from '@/ui/job/words';
import { Button, ButtonLink, Mark, Notice, Stack, TextInput } from '@/ui/system';

export interface CustomerQuote {
  token: string;
  version: number;
  status: 'draft' | 'sent' | 'accepted' | 'declined' | 'superseded';
  content: QuoteContent;
  answers: {
    kind: 'accept' | 'decline' | 'ask';
    option: string | null;
    name: string;
    message: string;
    at: string;
  }[];
}

const Top = styled.header`
  background: var(--frame);
  color: var(--frame-ink);
  padding: 20px 20px 24px;
  > div {
    max-width: 720px;
    margin: 0 auto;
    display: grid;
    gap: 6px;
  }
  h1 {
    font-size: 1.625rem;
    text-wrap: balance;
    margin-top: 10px;
  }
  p {
    color: var(--frame-soft);
  }
`;
const Body = styled.main`
  max-width: 760px;
  margin: 0 auto;
  padding: 4px 20px 64px;
  background: var(--sheet);
  min-height: 70vh;
  section {
    padding: 22px 0;
    border-top: 1px solid var(--rule);
  }
  section:first-child {
    border-top: 0;
  }
  h2 {
    font-size: 1.25rem;
    margin-bottom: 10px;
  }
`;
const Photos = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 14px;
  img {
    width: 100%;
    display: block;
    border: 1px solid var(--rule-strong);
  }
  figcaption {
    margin-top: 4px;
    font-size: 0.9375rem;
    color: var(--ink-soft);
  }
`;
const OptionBox = styled.label<{ $on: boolean }>`
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 6px 12px;
  padding: 16px 0 16px 14px;
  border-top: 1px solid var(--rule);
  border-left: 5px solid ${(p) => (p.$on ? 'var(--accent)' : 'transparent')};
  background: ${(p) => (p.$on ? 'var(--accent-wash)' : 'transparent')};
  padding-right: 14px;
  cursor: pointer;
  input {
    width: 24px;
    height: 24px;
    margin: 2px 0 0;
    accent-color: var(--accent);
  }
  strong {
    font-size: 1.125rem;
    font-weight: 650;
  }
  .price {
    font-size: 1.25rem;
    font-weight: 650;
    white-space: nowrap;
  }
  p {
    grid-column: 2 / -1;
  }
  dl {
    grid-column: 2 / -1;
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 2px 14px;
    font-size: 0.9375rem;
  }
  dt {
    color: var(--ink-soft);
  }
`;
const Details = styled.details`
  summary {
    min-height: 44px;
    display: flex;
    align-items: center;
    color: var(--accent);
    cursor: pointer;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.9375rem;
  }
  td {
    padding: 5px 8px 5px 0;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
  td:last-child {
    text-align: right;
    white-space: nowrap;
    padding-right: 0;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;
const Actions = styled.div`
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  button {
    min-height: 56px;
  }
`;

/** What the customer sees: found, meaning, options, price, what may change, and three answers. Phone first. */
export function CustomerPage({ quote: start }: { quote: CustomerQuote }) {
  const [quote, setQuote] = useState(start);
  const { content } = quote;
  const open = quote.status === 'sent' || quote.status === 'draft' || quote.status === 'declined';
  const [option, setOption] = useState<string | null>(null);
  const accepted = quote.answers.findLast((a) => a.kind === 'accept');
  return (
    <>
      <Top>
        <div>
          <span>
            <Mark size={22} /> {content.shop.name}
          </span>
          <h1>{content.job.vehicle}: what we found and what we propose</h1>
          <p>
            For {content.job.customer || 'our customer'}. Quote {content.job.number}-{quote.version} of{' '}
            {content.date}, valid until {content.validUntil}
          </p>
        </div>
      </Top>
      <Body>
        {accepted && (
          <section>
            <Notice $tone="good" role="status">
              {accepted.name} accepted “{content.options.find((o) => o.id === accepted.option)?.name}” on{' '}
              {accepted.at.slice(0, 16).replace('T', ' ')} (UTC). This version is frozen.
            </Notice>
          </section>
        )}
        {quote.status === 'superseded' && (
          <section>
            <Notice>
              The shop has made a newer quote. Ask for the new link, or call {content.shop.phone}.
            </Notice>
          </section>
        )}
        <section>
          <h2>What we found</h2>
          <p>{content.finding}</p>
          {content.photos.length > 0 && (
            <Photos style={{ marginTop: 14 }}>
              {content.photos.map((p) => (
                <figure key={p.id}>
                  <img
                    src={`/api/q/${quote.token}/photos/${p.id}`}
                    alt={p.caption || 'Photo of what was found'}
                  />
                  <figcaption>{p.caption}</figcaption>
                </figure>
              ))}
            </Photos>
          )}
        </section>
        <section>
          <h2>What we propose</h2>
          <div role="radiogroup" aria-label="Options">
            {content.options.map((o) => (
              <Offer
                key={o.id}
                option={o}
                content={content}
                on={(accepted?.option ?? option) === o.id}
                disabled={!open}
                onChoose={() => setOption(o.id)}
              />
            ))}
          </div>
        </section>
        {content.couldChange.length > 0 && (
          <section>
            <h2>What could still change</h2>
            <ul>
              {content.couldChange.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          </section>
        )}
        <section>
          <h2>Your answer</h2>
          <Answer
            quote={quote}
            option={option}
            open={open}
            onDone={(status, answers) => setQuote({ ...quote, status, answers })}
          />
        </section>
        <section>
          <p>
            {content.shop.name}, {content.shop.address}. Questions: {content.shop.phone}
          </p>
          <ButtonLink href={`/q/${quote.token}/pdf`} $kind="quiet">
            The same as a PDF
          </ButtonLink>
        </section>
      </Body>
    </>
  );
}

function Offer(props: {
  option: QuoteOption;
  content: QuoteContent;
  on: boolean;
  disabled: boolean;
  onChoose: () => void;
}) {
  const { option: o, content } = props;
  const money = (amount: number) => formatMoney(amount, content.currency);
  return (
    <div>
      <OptionBox $on={props.on}>
        <input
          type="radio"
          name="option"
          checked={props.on}
          disabled={props.disabled}
          onChange={props.onChoose}
        />
        <strong>{o.name}</strong>
        <span className="price">{money(o.total)}</span>
        <p>{o.summary}.</p>
        <dl>
          <dt>Warranty</dt>
          <dd>{o.warranty}</dd>
          {o.readyBy && (
            <>
              <dt>Ready by</dt>
              <dd>{o.readyBy}</dd>
            </>
          )}
          {o.shareOfValue !== null && (
            <>
              <dt>Of the vehicle’s value</dt>
              <dd>{percent(o.shareOfValue)}</dd>
            </>
          )}
          {o.id !== 'no-repair' && (
            <>
              <dt>Could miss the cause</dt>
              <dd>{percent(o.missRisk)}</dd>
            </>
          )}
        </dl>
      </OptionBox>
      <Details>
        <summary>Every line of it</summary>
        <table>
          <tbody>
            {o.lines.map((l, k) => (
              <tr key={k}>
                <td>
                  {l.name}
                  {l.quantity > 1 && ` × ${l.quantity}`}
                  <small>{[l.note, l.reason].filter(Boolean).join('; ')}</small>
                </td>
                <td>{money(l.total)}</td>
              </tr>
            ))}
            {(
              [
                ['Fluid', o.fluid],
                ['Shop supplies', o.supplies],
                [`Tax ${Math.round(content.taxRate * 100)} %`, o.tax],
                ['Core deposits, returned with the old part', o.coreDeposits],
              ] as const
            ).map(([name, amount]) =>
              amount ? (
                <tr key={name}>
                  <td>{name}</td>
                  <td>{money(amount)}</td>
                </tr>
              ) : null,
            )}
            <tr>
              <td>
                <b>Total</b>
              </td>
              <td>
                <b>{money(o.total)}</b>
              </td>
            </tr>
          </tbody>
        </table>
      </Details>
    </div>
  );
}

function Answer(props: {
  quote: CustomerQuote;
  option: string | null;
  open: boolean;
  onDone: (status: CustomerQuote['status'], answers: CustomerQuote['answers']) => void;
}) {
  const [name, setName] = useState('');
  const [message, setMessage] = useState('');
  const answer = useMutation({
    mutationFn: (kind: 'accept' | 'decline' | 'ask') =>
      send<{ status: CustomerQuote['status']; answers: CustomerQuote['answers'] }>(
        'POST',
        `/api/q/${props.quote.token}`,
        {
          kind,
          option: kind === 'accept' ? props.option : null,
          name: name.trim(),
          message: message.trim(),
        },
      ),
    onSuccess: (done) => {
      setMessage('');
      props.onDone(done.status, done.answers);
    },
  });
  if (props.quote.status === 'superseded') return <p>Please use the newest link.</p>;
  const named = name.trim().length >= 2;
  const chosen = props.quote.content.options.find((o) => o.id === props.option);
  return (
    <Stack $gap={14}>
      {props.quote.answers.map((a, k) => (
        <p key={k}>
          {a.at.slice(0, 16).replace('T', ' ')}, {a.name}:{' '}
          {a.kind === 'ask' ? `“${a.message}”` : a.kind === 'accept' ? 'accepted' : 'declined'}
        </p>
      ))}
      <TextInput
        label="Your name, typed, is your signature"
        value={name}
        onChange={setName}
        autoComplete="name"
        maxLength={120}
      />
      <TextInput
        label="A question or a remark"
        lines={3}
        value={message}
        onChange={setMessage}
        maxLength={2000}
      />
      <Actions>
        {props.open && (
          <Button
            $kind="main"
            isDisabled={!named || !chosen || answer.isPending}
            onPress={() => answer.mutate('accept')}
          >
            {chosen ? `Accept: ${chosen.name}` : 'Choose an option to accept'}
          </Button>
        )}
        <Button
          isDisabled={!named || !message.trim() || answer.isPending}
          onPress={() => answer.mutate('ask')}
        >
          Ask
        </Button>
        {props.open && props.quote.status !== 'declined' && (
          <Button isDisabled={!named || answer.isPending} onPress={() => answer.mutate('decline')}>
            Decline
          </Button>
        )}
      </Actions>
      {answer.error && (
        <Notice $tone="bad" role="alert">
          {answer.error instanceof RequestError
            ? `${answer.error.message} ${answer.error.remedy}`
            : 'No connection. Nothing was sent; try again.'}
        </Notice>
      )}
    </Stack>
  );
}

'use client';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import type { QuoteAnswer, QuoteStatus } from '@/core/case';
import { dayWords } from '@/core/quote';
import type { QuoteContent } from '@/core/quote';
import { useJob } from '@/ui/job/provider';
import { sayError, send } from '@/ui/net/request';
import { useSync } from '@/ui/sync/context';
import { Button, ButtonLink, Caption, Line, Notice, Page, Section, Stack } from '@/ui/system';
import { Moment } from '@/ui/system/moment';
import { Queries } from '@/ui/system/query';
import { OptionTable } from './options';

export interface QuoteView {
  version: number;
  status: QuoteStatus;
  content: QuoteContent;
  createdAt: string;
  createdBy: string;
  answers: QuoteAnswer[];
  imported: boolean;
  unreadable: boolean;
}

const STATUS = {
  draft: 'Draft',
  sent: 'Sent',
  accepted: 'Accepted: frozen',
  declined: 'Declined',
  superseded: 'Replaced by a newer one',
};

const Versions = styled.ol`
  display: grid;
  > li {
    padding: 12px 0;
    border-top: 1px solid var(--rule);
  }
  > li:first-child {
    border: 0;
    padding-top: 0;
  }
  b {
    font-weight: 650;
  }
`;
const Address = styled.input`
  flex: 1 1 320px;
  min-height: 44px;
  padding: 0 10px;
  border: 0;
  border-bottom: 2px solid var(--accent);
  background: var(--accent-wash);
  color: var(--ink);
`;

/** Options side by side as they would be today, and the versions the customer has. */
export function QuoteStage() {
  return (
    <Queries>
      <Quotes />
    </Queries>
  );
}

function Quotes() {
  const { number, user } = useJob();
  const { connection, waiting } = useSync();
  const queries = useQueryClient();
  const key = ['quotes', number];
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: () =>
      send<{ quotes: QuoteView[]; preview: QuoteContent }>('GET', `/api/jobs/${number}/quotes`, {
        listening: true,
      }),
    // What is priced is what the server holds: nothing may wait.
    enabled: connection === 'online' && waiting === 0,
    refetchInterval: 8000,
  });
  const make = useMutation({
    mutationFn: () => send('POST', `/api/jobs/${number}/quotes`),
    onSuccess: () => queries.invalidateQueries({ queryKey: key }),
  });
  if (!data)
    return (
      <Page>{error ? `The quote could not be worked out: ${error.message}` : 'Working out the quote …'}</Page>
    );
  const accepted = data.quotes.find((q) => q.status === 'accepted');
  return (
    <Page>
      <Section title="Today" note="As scope, findings and prices stand now. Making a version freezes it.">
        <Stack $gap={16}>
          {data.preview.undetermined && (
            <Notice>
              The first cause is not determined. The quote says so, and what could still change.
            </Notice>
          )}
          <OptionTable content={data.preview} />
          {data.preview.couldChange.length > 0 && (
            <div>
              <b>What could still change</b>
              <ul>
                {data.preview.couldChange.map((c) => (
                  <li key={c}>{c}</li>
                ))}
              </ul>
            </div>
          )}
          <Line>
            <Button $kind="main" onPress={() => make.mutate()} isDisabled={make.isPending}>
              Make version {(data.quotes[0]?.version ?? 0) + 1}
            </Button>
            <ButtonLink href={`/api/jobs/${number}/case`} $kind="quiet" download>
              Save the whole job as a case file
            </ButtonLink>
          </Line>
          {make.error && <Notice $tone="bad">{sayError(make.error)}</Notice>}
        </Stack>
      </Section>
      <Section
        title="Versions"
        note={accepted ? `Version ${accepted.version} is accepted and frozen for good.` : undefined}
      >
        {data.quotes.length === 0 ? (
          <p>None yet. A version can be sent as a link and printed as a PDF; both say the same.</p>
        ) : (
          <Versions>
            {data.quotes.map((quote) => (
              <li key={quote.version}>
                <Version quote={quote} maySend={user.role !== 'technician'} />
              </li>
            ))}
          </Versions>
        )}
      </Section>
    </Page>
  );
}

function Version({ quote, maySend }: { quote: QuoteView; maySend: boolean }) {
  const { number } = useJob();
  const queries = useQueryClient();
  const [path, setPath] = useState<string | null>(null);
  const refresh = () => queries.invalidateQueries({ queryKey: ['quotes', number] });
  const base = `/api/jobs/${number}/quotes/${quote.version}`;
  const link = useMutation({
    mutationFn: () => send<{ path: string }>('POST', `${base}/link`),
    onSuccess: (answer) => {
      setPath(`${location.origin}${answer.path}`);
      void refresh();
    },
  });
  const revoke = useMutation({
    mutationFn: () => send('DELETE', `${base}/link`),
    onSuccess: () => {
      setPath(null);
      void refresh();
    },
  });
  const chosen = quote.answers.findLast((a) => a.kind === 'accept')?.option;
  return (
    <Stack $gap={8}>
      <Line>
        <b>Version {quote.version}</b>
        <span>{quote.unreadable ? 'cannot be read' : STATUS[quote.status]}</span>
        {quote.imported && <Caption as="span">from a file: history only</Caption>}
        <Caption as="span">
          made {dayWords(quote.createdAt)} by {quote.createdBy}
        </Caption>
      </Line>
      {quote.answers.map((a, k) => (
        <p key={k}>
          <Moment at={a.at} /> {a.name}{' '}
          {a.kind === 'accept'
            ? `accepted “${quote.content.options.find((o) => o.id === a.option)?.name}”`
            : a.kind === 'decline'
              ? 'declined'
              : 'asks'}
          {a.message && `: “${a.message}”`}
        </p>
      ))}
      <Line>
        {!quote.unreadable && (
          <ButtonLink href={`${base}/pdf`} $small target="_blank">
            PDF
          </ButtonLink>
        )}
        {maySend && quote.status !== 'superseded' && !quote.imported && (
          <Button $small onPress={() => link.mutate()} isDisabled={link.isPending}>
            Make a customer link
          </Button>
        )}
        {maySend && quote.status !== 'draft' && !quote.imported && (
          <Button $small $kind="quiet" onPress={() => revoke.mutate()}>
            Revoke its links
          </Button>
        )}
        {chosen && (
          <Caption as="span">
            Accepted option: {quote.content.options.find((o) => o.id === chosen)?.name}
          </Caption>
        )}
      </Line>
      {!maySend && quote.status === 'draft' && <Caption>The counter or the owner sends it.</Caption>}
      {path && (
        <Stack $gap={4}>
          <Address
            readOnly
            aria-label="Customer link"
            value={path}
            onFocus={(event) => event.target.select()}
          />
          <Caption>Shown once: only its hash is kept. Valid for 30 days.</Caption>
        </Stack>
      )}
      {(link.error ?? revoke.error) && <Notice $tone="bad">{sayError(link.error ?? revoke.error)}</Notice>}
    </Stack>
  );
}

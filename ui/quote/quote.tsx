'use client';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { useJob } from '@/ui/job/provider';
import { sayError, send } from '@/ui/net/request';
import { Button, ButtonLink, Line, Notice, Page, Section, Stack } from '@/ui/system';
import { Queries } from '@/ui/system/query';
import { OptionTable } from './options';
import { QuoteSettings } from './settings';
import { quotesKey, useQuotes } from './use-quotes';
import { Version } from './version';

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
  const queries = useQueryClient();
  const { data, words } = useQuotes(8000, true);
  const make = useMutation({
    mutationFn: () => send('POST', `/api/jobs/${number}/quotes`),
    onSuccess: () => queries.invalidateQueries({ queryKey: quotesKey(number) }),
  });
  if (!data)
    return (
      <Page>
        <Section title="Today">
          {words ? <Notice>{words}</Notice> : <p aria-busy>Working out the quote …</p>}
        </Section>
      </Page>
    );
  const accepted = data.quotes.find((q) => q.status === 'accepted');
  return (
    <Page>
      <Section
        wide
        title="Today"
        note="As scope, findings and prices stand now. Making a version freezes it."
      >
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
          <QuoteSettings />
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
                <Version
                  quote={quote}
                  maySend={user.role !== 'technician'}
                  newest={quote === data.quotes[0]}
                />
              </li>
            ))}
          </Versions>
        )}
      </Section>
    </Page>
  );
}

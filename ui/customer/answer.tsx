import styled from 'styled-components';
import { Button, FieldLabel, Notice, Stack, TextBox, TextLines } from '@/ui/system';
import { Moment } from '@/ui/system/moment';
import type { CustomerQuote } from './quote';

const Field = styled.div`
  display: grid;
  gap: 4px;
`;
const Actions = styled.div`
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  button {
    min-height: 56px;
  }
`;

/** Accept, decline or ask, with the name typed as signature. `script.ts` finds its parts by their data attributes. */
export function Answer({ quote, open }: { quote: CustomerQuote; open: boolean }) {
  if (quote.status === 'superseded') return <p>Please use the newest link.</p>;
  return (
    <Stack $gap={14} data-token={quote.token}>
      <Stack $gap={14} id="answers" tabIndex={-1}>
        {quote.answers.map((a, k) => (
          <p key={k}>
            <Moment at={a.at} />, <bdi>{a.name}</bdi>
            {a.kind === 'reply' && ` of ${quote.content.shop.name}`}:{' '}
            {a.kind === 'ask' || a.kind === 'reply' ? (
              <bdi>“{a.message}”</bdi>
            ) : a.kind === 'accept' ? (
              'accepted'
            ) : (
              'declined'
            )}
          </p>
        ))}
      </Stack>
      <Field>
        <FieldLabel htmlFor="name">Your name, typed, is your signature</FieldLabel>
        <TextBox id="name" data-field="name" autoComplete="name" maxLength={120} />
      </Field>
      <Field>
        <FieldLabel htmlFor="message">A question or a remark</FieldLabel>
        <TextLines id="message" data-field="message" rows={3} maxLength={2000} />
      </Field>
      <Actions>
        {open && (
          <Button $kind="main" isDisabled data-answer="accept">
            Choose an option to accept
          </Button>
        )}
        <Button isDisabled data-answer="ask">
          Ask
        </Button>
        {open && quote.status !== 'declined' && (
          <Button isDisabled data-answer="decline">
            Decline
          </Button>
        )}
      </Actions>
      <noscript>
        <Notice>To answer here, allow scripts for this page; or call the shop.</Notice>
      </noscript>
      <Notice $tone="bad" role="alert" data-problem hidden />
    </Stack>
  );
}

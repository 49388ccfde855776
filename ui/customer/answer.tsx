'use client';
import { useState } from 'react';
import styled from 'styled-components';
import type { QuoteAnswer, QuoteStatus } from '@/core/case';
import type { QuoteContent } from '@/core/quote';
import { RequestError, send } from '@/ui/net/request';
import { Button, Notice, Stack, TextInput } from '@/ui/system';
import { Moment } from '@/ui/system/moment';

export interface CustomerQuote {
  token: string;
  version: number;
  status: QuoteStatus;
  content: QuoteContent;
  answers: QuoteAnswer[];
}

const Actions = styled.div`
  display: grid;
  gap: 10px;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  button {
    min-height: 56px;
  }
`;

/** Accept, decline or ask, with the name typed as signature. */
export function Answer(props: {
  quote: CustomerQuote;
  option: string | null;
  open: boolean;
  onDone: (status: CustomerQuote['status'], answers: CustomerQuote['answers']) => void;
}) {
  const [name, setName] = useState('');
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const answer = async (kind: 'accept' | 'decline' | 'ask') => {
    setBusy(true);
    setProblem(null);
    try {
      const done = await send<{ status: CustomerQuote['status']; answers: CustomerQuote['answers'] }>(
        'POST',
        `/api/q/${props.quote.token}`,
        {
          body: {
            kind,
            option: kind === 'accept' ? props.option : null,
            name: name.trim(),
            message: message.trim(),
          },
        },
      );
      setMessage('');
      props.onDone(done.status, done.answers);
    } catch (error) {
      setProblem(
        error instanceof RequestError
          ? `${error.message} ${error.remedy}`
          : 'No connection. Nothing was sent; try again.',
      );
    } finally {
      setBusy(false);
    }
  };
  if (props.quote.status === 'superseded') return <p>Please use the newest link.</p>;
  const named = name.trim().length >= 2;
  const chosen = props.quote.content.options.find((o) => o.id === props.option);
  return (
    <Stack $gap={14}>
      {props.quote.answers.map((a, k) => (
        <p key={k}>
          <Moment at={a.at} />, {a.name}:{' '}
          {a.kind === 'ask' ? `“${a.message}”` : a.kind === 'accept' ? 'accepted' : 'declined'}
        </p>
      ))}
      <TextInput
        label="Your name, typed, is your signature"
        keep={`pelvik answer ${props.quote.token.slice(0, 8)} name`}
        value={name}
        onChange={setName}
        autoComplete="name"
        maxLength={120}
      />
      <TextInput
        label="A question or a remark"
        lines={3}
        keep={`pelvik answer ${props.quote.token.slice(0, 8)} message`}
        value={message}
        onChange={setMessage}
        maxLength={2000}
      />
      <Actions>
        {props.open && (
          <Button $kind="main" isDisabled={!named || !chosen || busy} onPress={() => void answer('accept')}>
            {chosen ? `Accept: ${chosen.name}` : 'Choose an option to accept'}
          </Button>
        )}
        <Button isDisabled={!named || !message.trim() || busy} onPress={() => void answer('ask')}>
          Ask
        </Button>
        {props.open && props.quote.status !== 'declined' && (
          <Button isDisabled={!named || busy} onPress={() => void answer('decline')}>
            Decline
          </Button>
        )}
      </Actions>
      {problem && (
        <Notice $tone="bad" role="alert">
          {problem}
        </Notice>
      )}
    </Stack>
  );
}

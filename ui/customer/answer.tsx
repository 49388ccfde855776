'use client';
import { useMutation } from '@tanstack/react-query';
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
  const answer = useMutation({
    mutationFn: (kind: 'accept' | 'decline' | 'ask') =>
      send<{ status: CustomerQuote['status']; answers: CustomerQuote['answers'] }>(
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

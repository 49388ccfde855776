'use client';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import type { QuoteAnswer, QuoteStatus } from '@/core/case';
import { messageWords } from '@/core/quote';
import { dayWords } from '@/core/shop';
import type { QuoteContent } from '@/core/quote';
import { addDays, momentIn } from '@/core/schedule';
import { useJob, useSlot } from '@/ui/job/provider';
import { sayError, send } from '@/ui/net/request';
import { pressOver } from '@/ui/net/same-press';
import { Button, ButtonLink, Caption, Line, Link, Notice, Stack, TextInput, forgetTyping } from '@/ui/system';
import { Moment } from '@/ui/system/moment';
import { quotesKey } from './use-quotes';

interface SentView {
  kind: 'quote' | 'reminder' | 'by-hand';
  to: string;
  at: string;
  by: string;
}

export interface QuoteView {
  version: number;
  status: QuoteStatus;
  content: QuoteContent;
  createdAt: string;
  createdBy: string;
  answers: QuoteAnswer[];
  messages: SentView[];
  imported: boolean;
  unreadable: boolean;
  /** Parts it counts on that are no longer held for it, by name. */
  gone: string[];
}

const STATUS = {
  draft: 'Not sent yet',
  sent: 'Sent',
  accepted: 'Accepted: frozen',
  declined: 'Declined',
  superseded: 'Replaced by a newer one',
};

const Address = styled.input`
  flex: 1 1 320px;
  min-height: 44px;
  padding: 0 10px;
  border: 0;
  border-bottom: 2px solid var(--accent);
  background: var(--accent-wash);
  color: var(--ink);
`;
const Thread = styled.ol`
  display: grid;
  gap: 4px;
  li {
    padding-left: 12px;
    border-left: 3px solid var(--rule-strong);
  }
  li[data-kind='ask'] {
    border-left-color: var(--warn);
  }
`;

/** One frozen version: how it stands with the customer, and what can be done about it. */
export function Version({ quote, maySend, newest }: { quote: QuoteView; maySend: boolean; newest: boolean }) {
  const { number } = useJob();
  const base = `/api/jobs/${number}/quotes/${quote.version}`;
  const chosen = quote.answers.findLast((a) => a.kind === 'accept')?.option;
  const nameOf = (id: string | null | undefined) => quote.content.options.find((o) => o.id === id)?.name;
  const supplement = quote.content.supplement;
  const open = ['draft', 'sent', 'declined'].includes(quote.status) && !quote.imported && !quote.unreadable;
  return (
    <Stack $gap={8} data-version={quote.version}>
      <Line>
        <b>Version {quote.version}</b>
        <span>{quote.unreadable ? 'cannot be read' : STATUS[quote.status]}</span>
        {quote.imported && <Caption as="span">from a file: history only</Caption>}
        <Caption as="span">
          made {dayWords(quote.createdAt)} by {quote.createdBy}
        </Caption>
        {chosen && <Caption as="span">Accepted option: {nameOf(chosen)}</Caption>}
        {supplement && (
          <Caption as="span">
            changes version {supplement.version} in {supplement.lines.length}{' '}
            {supplement.lines.length === 1 ? 'line' : 'lines'}: needs a new yes
          </Caption>
        )}
      </Line>
      {quote.gone.length > 0 && (
        <Notice $tone="bad">
          {quote.gone.join(', ')}: no longer held for this job, so the customer cannot approve this version.
          Choose a new source <Link href={`/jobs/${number}/scope`}>in the scope</Link>, then make a new
          version.
        </Notice>
      )}
      {open && quote.status !== 'draft' && <Holds quote={quote} />}
      {(quote.answers.length > 0 || quote.messages.length > 0) && (
        <Thread>
          {quote.messages.map((m, k) => (
            <li key={`sent ${k}`}>
              <Moment at={m.at} /> {SENT[m.kind]}
              {m.to && ` to ${m.to}`} by {m.by}
            </li>
          ))}
          {quote.answers.map((a, k) => (
            <li key={k} data-kind={a.kind}>
              <Moment at={a.at} /> {a.name}{' '}
              {a.kind === 'accept' ? `accepted “${nameOf(a.option)}”` : SAID[a.kind]}
              {a.message && `: “${a.message}”`}
            </li>
          ))}
        </Thread>
      )}
      {maySend && quote.answers.at(-1)?.kind === 'ask' && !quote.imported && (
        <Reply base={base} version={quote.version} />
      )}
      <Line>
        {!quote.unreadable && (
          <ButtonLink href={`${base}/pdf?paper=${quote.content.paper.toLowerCase()}`} $small target="_blank">
            PDF
          </ButtonLink>
        )}
      </Line>
      {maySend && open && newest && <Sending quote={quote} base={base} />}
      {!maySend && quote.status === 'draft' && <Caption>The counter or the owner sends it.</Caption>}
    </Stack>
  );
}

/** Days without an answer after which a customer is reminded. */
const REMIND_AFTER = 3;

/** How long a version that is out still holds, and whether it is time to ask again. */
function Holds({ quote }: { quote: QuoteView }) {
  const { terms } = useJob();
  const today = momentIn(new Date(), terms.timeZone).slice(0, 10);
  const { validUntil } = quote.content;
  if (validUntil < today)
    return <Notice>Its prices have run out on {dayWords(validUntil)}: make a new version.</Notice>;
  const last = [...quote.messages.map((m) => m.at), ...quote.answers.map((a) => a.at)].sort().at(-1);
  const silent = last !== undefined && addDays(last.slice(0, 10), REMIND_AFTER) <= today;
  return (
    <Caption>
      Its prices hold until {dayWords(validUntil)}.
      {silent && <b> Nothing was heard since {dayWords(last, true)}: send a reminder.</b>}
    </Caption>
  );
}

const SENT = { quote: 'sent', reminder: 'reminder sent', 'by-hand': 'sent by hand' };
const SAID = { decline: 'declined', ask: 'asks', reply: 'answered' };

function useQuotes() {
  const { number } = useJob();
  const queries = useQueryClient();
  return () => queries.invalidateQueries({ queryKey: quotesKey(number) });
}

/** Answers the customer's question, in the thread they read. */
function Reply({ base, version }: { base: string; version: number }) {
  const { keepName } = useJob();
  const refresh = useQuotes();
  const keep = keepName(`reply ${version}`);
  const [message, setMessage] = useState('');
  const reply = useMutation({
    mutationFn: () => send('POST', `${base}/replies`, { body: { message } }),
    onSuccess: () => {
      forgetTyping(keep);
      setMessage('');
      void refresh();
    },
  });
  return (
    <Stack $gap={6}>
      <TextInput
        label="Answer the question"
        keep={keep}
        lines={2}
        maxLength={2000}
        value={message}
        onChange={setMessage}
      />
      <Line>
        <Button $small isDisabled={!message.trim() || reply.isPending} onPress={() => reply.mutate()}>
          Answer
        </Button>
      </Line>
      {reply.error && <Notice $tone="bad">{sayError(reply.error)}</Notice>}
    </Stack>
  );
}

/** Sends a version: from here, or by hand with a link. Only what went out is called sent. */
function Sending({ quote, base }: { quote: QuoteView; base: string }) {
  const { keepName } = useJob();
  const refresh = useQuotes();
  const phone = useSlot('customer.phone') ?? '';
  const keep = keepName(`send ${quote.version}`);
  const [to, setTo] = useState(phone);
  const [link, setLink] = useState<string | null>(null);
  const [copied, setCopied] = useState(false);
  const message = useMutation({
    mutationFn: async (body: { kind: SentView['kind']; to: string }) => {
      await send('POST', `${base}/messages`, { body });
      // The button sends a reminder now.
      await pressOver();
    },
    onSuccess: () => {
      forgetTyping(keep);
      void refresh();
    },
  });
  const make = useMutation({
    mutationFn: () => send<{ path: string }>('POST', `${base}/link`),
    onSuccess: (answer) => setLink(`${location.origin}${answer.path}`),
  });
  const revoke = useMutation({
    mutationFn: () => send('DELETE', `${base}/link`),
    onSuccess: () => {
      setLink(null);
      void refresh();
    },
  });
  const sent = quote.status !== 'draft';
  const words = link ? messageWords(quote.content, link, sent ? 'reminder' : 'quote') : null;
  const problem = message.error ?? make.error ?? revoke.error;
  return (
    <Stack $gap={8}>
      <Line style={{ alignItems: 'end' }}>
        <TextInput
          label="Customer’s address or telephone"
          keep={keep}
          value={to}
          onChange={setTo}
          maxLength={200}
        />
        <Button
          $kind={sent ? undefined : 'main'}
          isDisabled={!to.trim() || message.isPending}
          onPress={() => message.mutate({ kind: sent ? 'reminder' : 'quote', to })}
        >
          {sent ? 'Send a reminder' : 'Send it'}
        </Button>
        <Button onPress={() => make.mutate()} isDisabled={make.isPending}>
          Make a customer link
        </Button>
        {(sent || link) && (
          <Button $kind="quiet" onPress={() => revoke.mutate()}>
            Revoke its links
          </Button>
        )}
      </Line>
      {link && words && (
        <Stack $gap={4}>
          <Line>
            <Address
              readOnly
              aria-label="Customer link"
              value={link}
              onFocus={(event) => event.target.select()}
            />
            <Button
              $small
              onPress={() =>
                void navigator.clipboard?.writeText(link).then(
                  () => setCopied(true),
                  () => setCopied(false),
                )
              }
            >
              {copied ? 'Copied' : 'Copy'}
            </Button>
            <ButtonLink
              $small
              href={`mailto:${encodeURIComponent(to.includes('@') ? to.trim() : '')}?subject=${encodeURIComponent(words.subject)}&body=${encodeURIComponent(words.body)}`}
            >
              Write the mail
            </ButtonLink>
            {!sent && (
              <Button $small onPress={() => message.mutate({ kind: 'by-hand', to })}>
                I have sent it
              </Button>
            )}
          </Line>
          <Caption>
            Shown once: only its hash is kept. Valid for 30 days. A link alone is not yet sent: say so when it
            is.
          </Caption>
        </Stack>
      )}
      {problem && <Notice $tone="bad">{sayError(problem)}</Notice>}
    </Stack>
  );
}

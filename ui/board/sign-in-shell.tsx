'use client';
import { useState } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { sayError, send } from '@/ui/net/request';
import { Button, Mark, Notice } from '@/ui/system';

const Frame = styled.main`
  min-height: 100vh;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(340px, 440px);
  background: var(--frame);
  color: var(--frame-ink);
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Side = styled.div`
  display: grid;
  align-content: center;
  gap: 20px;
  padding: 48px 64px;
  h1 {
    font-size: 3rem;
    max-width: 14ch;
    text-wrap: balance;
  }
  p {
    max-width: 44ch;
    font-size: 1.125rem;
    color: var(--frame-soft);
  }
`;
const Form = styled.form`
  display: grid;
  align-content: center;
  gap: 18px;
  padding: 48px 40px;
  background: var(--sheet);
  color: var(--ink);
  h2 {
    font-size: 1.5rem;
  }
`;

/** The way in: what Pelvik is on one side, what is to be filled in on the other, and where it leads once it is sent. */
export function SignInShell<Answer = unknown>(props: {
  title: string;
  action: string;
  /** Where the fields are sent, and the page that comes then. */
  to: string;
  body: Record<string, string>;
  then: string;
  /** What the device must settle between the answer and that page. */
  before?: (answer: Answer) => Promise<void>;
  children: ReactNode;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const answer = await send<Answer>('POST', props.to, { body: props.body });
      await props.before?.(answer);
      // A whole new page: nothing of an earlier person stays in this one's memory.
      location.replace(props.then);
    } catch (error) {
      setProblem(sayError(error));
      setBusy(false);
    }
  };
  return (
    <Frame id="main" tabIndex={-1}>
      <Side>
        <Mark size={56} />
        <h1>What failed first, and what did that do to the rest?</h1>
        <p>From the complaint to an accepted quote, with the reason behind every line.</p>
      </Side>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <h2>{props.title}</h2>
        {props.children}
        {problem && (
          <Notice $tone="bad" role="alert">
            {problem}
          </Notice>
        )}
        <Button type="submit" $kind="main" isDisabled={busy}>
          {props.action}
        </Button>
      </Form>
    </Frame>
  );
}

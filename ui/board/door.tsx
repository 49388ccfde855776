'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Mark } from '@/ui/system';

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

/** The way in: what Pelvik is on one side, what is to be filled in on the other. */
export function Door({ onSubmit, children }: { onSubmit: () => void; children: ReactNode }) {
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
          onSubmit();
        }}
      >
        {children}
      </Form>
    </Frame>
  );
}

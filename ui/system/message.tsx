'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { ButtonLink } from './button';
import { Mark } from './mark';

const Frame = styled.main`
  min-height: 100vh;
  display: grid;
  place-content: center;
  gap: 18px;
  padding: 24px;
  background: var(--frame);
  color: var(--frame-ink);
  p {
    max-width: 52ch;
    color: var(--frame-soft);
  }
`;

/** A page that says one thing, and what can be done about it. */
export function MessagePage(props: { title: string; words: string; home?: boolean; children?: ReactNode }) {
  const { title, words, home = true, children } = props;
  return (
    <Frame id="main" tabIndex={-1}>
      <Mark size={40} />
      <h1>{title}</h1>
      <p>{words}</p>
      {(home || children) && (
        <div style={{ display: 'flex', gap: 10 }}>
          {children}
          {home && (
            <ButtonLink href="/" $kind="frame">
              To the board
            </ButtonLink>
          )}
        </div>
      )}
    </Frame>
  );
}

'use client';
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

/** A page that says one thing. */
export function MessagePage({ title, words, home = true }: { title: string; words: string; home?: boolean }) {
  return (
    <Frame id="main" tabIndex={-1}>
      <Mark size={40} />
      <h1>{title}</h1>
      <p>{words}</p>
      {home && (
        <div>
          <ButtonLink href="/" $kind="frame">
            To the board
          </ButtonLink>
        </div>
      )}
    </Frame>
  );
}
